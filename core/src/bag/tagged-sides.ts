import { letterOf } from '../fields/index.ts';
import { along, type Point } from '../geometry/index.ts';
import type { BagGraph, Seam } from './graph.ts';
import { inNet, pathOn, pieceIndex } from './place.ts';

/** Both sides of a line that comes together only on the made-up bag, with the letter they share. */
export interface TaggedSide {
  readonly line: string;
  readonly kind: Exclude<Seam['kind'], 'flat'>;
  readonly tag: string;
  /** Lines in the net, mm, y up. */
  readonly paths: ReadonlyArray<readonly Point[]>;
  /** Middle of the side, on the edge. */
  readonly at: Point;
  /** Where the piece lies, walking the paths: to the left (1) or to the right (-1). */
  readonly hand: 1 | -1;
}

/** The two sides of every line that is not flat, lettered a, b, c ... in the order of the lines. */
export function taggedSides(graph: BagGraph): TaggedSide[] {
  const piece = pieceIndex(graph);
  const kinds = new Map(graph.seams.map(({ line, kind }) => [line, kind]));
  const apart = graph.lines.flatMap(({ id }) => {
    const kind = kinds.get(id);
    return kind === undefined || kind === 'flat' ? [] : [{ id, kind }];
  });
  return apart.flatMap(({ id, kind }, i) => {
    const seams = graph.seams.filter((seam) => seam.line === id);
    return (['a', 'b'] as const).flatMap((side) => {
      const paths = seams.map((seam) => {
        const own = piece(seam[side].piece);
        return pathOn(own, seam[side]).map((p) => inNet(own, p));
      });
      const middle = paths[Math.floor(paths.length / 2)];
      const seam = seams[Math.floor(paths.length / 2)];
      if (!middle || !seam) return [];
      // A line of an even number of seams has a corner at its middle, a curve of two stretches a bend.
      const step = Math.max(1, Math.ceil((middle.length - 1) / 2));
      const [start, end] = [middle[step - 1], middle[step]];
      if (!start || !end) return [];
      const at = along(start, end, paths.length % 2 === 1 ? 0.5 : 0.02);
      // Left of an edge lies its piece.
      const hand = seam[side].from <= seam[side].to ? 1 : -1;
      return [{ line: id, kind, tag: letterOf(i).toLowerCase(), paths, at, hand }];
    });
  });
}
