import type { BagGraph, Point, Seam } from '@fennot/core';
import { along, inNet, pathOn, pieceIndex } from '@fennot/core';

/** Both sides of a line that comes together only on the made-up bag, with the letter they share. */
export interface TaggedSide {
  readonly line: string;
  readonly kind: Exclude<Seam['kind'], 'flat'>;
  readonly tag: string;
  /** Lines in the net, mm, y up. */
  readonly paths: ReadonlyArray<readonly Point[]>;
  /** Middle of the side, on the edge. */
  readonly at: Point;
  /** Unit vector from the edge into its piece. */
  readonly inward: Point;
}

const unit = (p: Point): Point => {
  const length = Math.hypot(p.x, p.y) || 1;
  return { x: p.x / length, y: p.y / length };
};

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
      const way = seam[side].from <= seam[side].to ? 1 : -1;
      const inward = unit({ x: way * (start.y - end.y), y: way * (end.x - start.x) });
      return [{ line: id, kind, tag: String.fromCharCode(97 + (i % 26)), paths, at, inward }];
    });
  });
}
