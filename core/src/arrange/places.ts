import { type BagGraph, type Face, move } from '../bag/index.ts';
import { area, extent, type Point3 } from '../geometry/index.ts';

/** Where a piece is mostly seen on the made-up bag. */
export interface Place {
  readonly piece: string;
  readonly face: Face;
  /** The middle of what of it lies on that face, mm. */
  readonly at: Point3;
  /** How much of its upward way points up there: 1 upright, -1 on its head, 0 lying on its side or flat. */
  readonly upright: number;
  /** Shorter side of the piece, mm. */
  readonly side: number;
}

/** Where each of the given pieces is mostly seen: on the face that holds the largest part of it. */
export function placesOf(graph: BagGraph, pieces: Iterable<string>): Place[] {
  const size = new Map(graph.pieces.map(({ id, outline }) => [id, extent(outline)]));
  const largest = new Map<string, { readonly much: number; readonly place: Place }>();
  for (const { piece, face, outline, motion } of graph.facets) {
    const much = Math.abs(area(outline));
    const before = largest.get(piece);
    // Halves that are equal but for rounding are settled by their order.
    if (before && before.much >= much * (1 - 1e-6)) continue;
    const n = outline.length;
    const middle = {
      x: outline.reduce((sum, { x }) => sum + x, 0) / n,
      y: outline.reduce((sum, { y }) => sum + y, 0) / n,
    };
    const { width, height } = size.get(piece) ?? { width: 0, height: 0 };
    const place = {
      piece,
      face,
      at: move(motion, middle),
      upright: motion.v.y,
      side: Math.min(width, height),
    };
    largest.set(piece, { much, place });
  }
  return [...pieces].flatMap((id) => largest.get(id)?.place ?? []);
}

/** Numbers that lie nearer together than `within` are one step: which step each value is on, from the lowest. */
export function stepsOf(values: readonly number[], within: number): number[] {
  const sorted = [...new Set(values)].sort((p, q) => p - q);
  const step = new Map<number, number>();
  let at = -1;
  let before = -Infinity;
  for (const value of sorted) {
    if (value - before > within) at++;
    step.set(value, Math.max(0, at));
    before = value;
  }
  return values.map((value) => step.get(value) ?? 0);
}
