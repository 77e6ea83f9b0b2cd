import {
  along,
  type BagGraph,
  camera,
  type DrawnFacet,
  dot,
  groupBy,
  joinedSeams,
  move,
  onFacet,
  outward,
  type Point,
  pathOn,
  pieceIndex,
  project,
  type View,
} from '@fennot/core';

/** A straight stretch of a seam on the picture plane. */
export interface SeenSeam {
  readonly id: string;
  readonly line: string;
  readonly closing: boolean;
  readonly from: Point;
  readonly to: Point;
}

/** Seams along a part of the bag that is seen from outside. */
export function seamLines(graph: BagGraph, facets: readonly DrawnFacet[], view: View): SeenSeam[] {
  const eye = camera(view);
  const piece = pieceIndex(graph);
  const facing = groupBy(
    facets.filter(({ motion }) => dot(outward(motion), eye.towards) > 0.02),
    (facet) => facet.piece,
  );
  return joinedSeams(graph).flatMap((seam) =>
    [seam.a, seam.b].flatMap((side) => {
      const own = piece(side.piece);
      const way = pathOn(own, side);
      // A fold may take part of a seam round to another face.
      return (facing.get(side.piece) ?? []).flatMap((facet) =>
        way.slice(1).flatMap((q, i) => {
          const p = way[i] ?? q;
          const inside = onFacet(own, facet, p, q);
          if (!inside) return [];
          const [from, to] = inside.map((share) => project(eye, move(facet.motion, along(p, q, share))));
          return from && to
            ? [{ id: seam.id, line: seam.line, closing: seam.kind === 'closing', from, to }]
            : [];
        }),
      );
    }),
  );
}

export const pathOf = (lines: ReadonlyArray<{ from: Point; to: Point }>) =>
  lines.map(({ from, to }) => `M${from.x} ${from.y}L${to.x} ${to.y}`).join('');
