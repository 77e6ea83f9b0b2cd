import type { BagGraph, Point } from '@fennot/core';
import { edgeEnds, inNet, pieceIndex, pointOnEdge } from '@fennot/core';

/** Both sides of a closing line in the net, with the letter that says they belong together. */
export interface TaggedSide {
  readonly line: string;
  readonly tag: string;
  /** Stretches in the net, mm, y up. */
  readonly stretches: ReadonlyArray<readonly [Point, Point]>;
  /** Middle of the side, on the edge. */
  readonly at: Point;
  /** Unit vector from the edge into its piece. */
  readonly inward: Point;
}

const unit = (p: Point): Point => {
  const length = Math.hypot(p.x, p.y) || 1;
  return { x: p.x / length, y: p.y / length };
};

/** The two sides of every closing line, lettered a, b, c ... in the order of the lines. */
export function taggedSides(graph: BagGraph): TaggedSide[] {
  const piece = pieceIndex(graph);
  const closing = graph.lines.filter(({ id }) =>
    graph.seams.some((seam) => seam.line === id && seam.kind === 'closing'),
  );
  return closing.flatMap(({ id }, i) => {
    const seams = graph.seams.filter((seam) => seam.line === id);
    return (['a', 'b'] as const).flatMap((side) => {
      const stretches = seams.map((seam) => {
        const own = piece(seam[side].piece);
        const at = (position: number) => inNet(own, pointOnEdge(own, seam[side].edge, position));
        return [at(seam[side].from), at(seam[side].to)] as const;
      });
      const middle = stretches[Math.floor(stretches.length / 2)];
      const seam = seams[Math.floor(stretches.length / 2)];
      if (!middle || !seam) return [];
      const [start, end] = edgeEnds(piece(seam[side].piece), seam[side].edge);
      // Left of an edge lies its piece.
      const inward = unit({ x: start.y - end.y, y: end.x - start.x });
      const share = stretches.length % 2 === 1 ? 0.5 : 0.02;
      const at = {
        x: middle[0].x + (middle[1].x - middle[0].x) * share,
        y: middle[0].y + (middle[1].y - middle[0].y) * share,
      };
      return [{ line: id, tag: String.fromCharCode(97 + (i % 26)), stretches, at, inward }];
    });
  });
}
