import { type BagGraph, type Interval, intervalLength, move, type Piece } from '../bag/index.ts';
import { extent, groupBy, type Point3 } from '../geometry/index.ts';
import type { Neighbour } from './neighbours.ts';

/** Three motifs in a line of sight: straight on from side to side, over joins, seams and folds. */
export type Line = readonly [string, string, string];

/** A motif is straight on where it meets at least so much of a side. */
const STRAIGHT = 0.5;

/**
 * Every line of three: through each motif with an even number of sides, from what meets one side to what meets the side
 * over against it.
 */
export function linesOfThree(graph: BagGraph): Line[] {
  const motifs = new Map(graph.pieces.filter(({ make }) => make.of === 'motif').map((one) => [one.id, one]));
  const met = groupBy(
    graph.seams.flatMap(({ a, b }) => [
      { own: a, other: b.piece },
      { own: b, other: a.piece },
    ]),
    ({ own }) => own.piece,
  );
  return [...motifs.values()].flatMap((piece) => {
    const sides = piece.edges.length;
    if (sides < 4 || sides % 2 === 1) return [];
    const beside = piece.edges.map((_, edge) => straightOn(piece, edge, met.get(piece.id) ?? [], motifs));
    return beside.slice(0, sides / 2).flatMap((a, edge): Line[] => {
      const b = beside[edge + sides / 2];
      return a === undefined || b === undefined || a === b || a === piece.id || b === piece.id
        ? []
        : [[a, piece.id, b]];
    });
  });
}

/** The motif that meets most of a side, if it meets half of it. */
function straightOn(
  piece: Piece,
  edge: number,
  met: ReadonlyArray<{ readonly own: Interval; readonly other: string }>,
  motifs: ReadonlyMap<string, Piece>,
): string | undefined {
  const length = piece.edges[edge]?.length ?? 1;
  const shares = new Map<string, number>();
  for (const { own, other } of met)
    if (own.edge === edge && motifs.has(other))
      shares.set(other, (shares.get(other) ?? 0) + intervalLength(own) / length);
  const [best] = [...shares].sort(([, p], [, q]) => q - p);
  return best && best[1] >= STRAIGHT ? best[0] : undefined;
}

/** Motifs two steps apart: both beside a third, and not beside each other. Each pair once. */
export function secondNeighbours(neighbours: readonly Neighbour[]): Array<readonly [string, string]> {
  const beside = new Map<string, Set<string>>();
  const touching = new Set<string>();
  for (const { a, b, how } of neighbours) {
    touching.add(`${a} ${b}`).add(`${b} ${a}`);
    if (how !== 'side') continue;
    for (const [p, q] of [
      [a, b],
      [b, a],
    ] as const)
      beside.set(p, (beside.get(p) ?? new Set()).add(q));
  }
  const pairs = new Map<string, readonly [string, string]>();
  for (const around of beside.values()) {
    const own = [...around].sort();
    for (const [i, p] of own.entries())
      for (const q of own.slice(i + 1)) if (!touching.has(`${p} ${q}`)) pairs.set(`${p} ${q}`, [p, q]);
  }
  return [...pairs.values()];
}

/** A motif of the front with the one behind it, seen through the bag: those whose middles lie nearest, within half a side. */
export function frontAgainstBack(graph: BagGraph): Array<readonly [string, string]> {
  const motifs = new Map(graph.pieces.filter(({ make }) => make.of === 'motif').map((one) => [one.id, one]));
  const places = (face: 'front' | 'back') =>
    graph.facets.flatMap(({ piece, face: on, outline, motion }) => {
      const own = motifs.get(piece);
      if (on !== face || !own) return [];
      const n = outline.length;
      const middle: Point3 = move(motion, {
        x: outline.reduce((sum, { x }) => sum + x, 0) / n,
        y: outline.reduce((sum, { y }) => sum + y, 0) / n,
      });
      return [{ piece, middle, near: Math.min(extent(outline).width, extent(outline).height) / 2 }];
    });
  const behind = places('back');
  return places('front').flatMap(({ piece, middle, near }) => {
    let best: string | undefined;
    let off = near;
    for (const one of behind) {
      const away = Math.hypot(one.middle.x - middle.x, one.middle.y - middle.y);
      if (away >= off || one.piece === piece) continue;
      off = away;
      best = one.piece;
    }
    return best === undefined ? [] : [[piece, best] as const];
  });
}
