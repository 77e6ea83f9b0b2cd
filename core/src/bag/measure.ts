import { along, contains, distance, groupBy } from '../geometry/index.ts';
import type { BagGraph, Facet, Interval } from './graph.ts';
import { intervalLength, onFacet, pathOn, pieceIndex } from './place.ts';

/** The measures a maker takes with a tape. */
export const MEASURES = ['width', 'height', 'depth', 'opening'] as const;
export type Measure = (typeof MEASURES)[number];

/** Flap and handles hang on the body and do not count for its size. */
export const hangs = ({ face }: Pick<Facet, 'face'>): boolean => face === 'flap' || face === 'handle';

/**
 * The made-up bag under the tape, mm: its extent across, up and deep, and the way round its mouth. The
 * mouth is where the body ends: at the rim, or where a flap or handle grows out of it. Edge rounds add their
 * height, and make the mouth longer or shorter.
 */
export function measure(graph: BagGraph): Record<Measure, number> {
  let [left, right, bottom, top, back, front] = [
    Infinity,
    -Infinity,
    Infinity,
    -Infinity,
    Infinity,
    -Infinity,
  ];
  let anyHangs = false;
  for (const facet of graph.facets) {
    if (hangs(facet)) {
      anyHangs = true;
      continue;
    }
    const { origin, u, v } = facet.motion;
    for (const p of facet.outline) {
      const x = origin.x + p.x * u.x + p.y * v.x;
      const y = origin.y + p.x * u.y + p.y * v.y;
      const z = origin.z + p.x * u.z + p.y * v.z;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < bottom) bottom = y;
      if (y > top) top = y;
      if (z < back) back = z;
      if (z > front) front = z;
    }
  }
  const rim = anyHangs ? mouthOf(graph) : rimOf(graph);
  const { height: edge = 0, growth = 0 } = graph.trim?.edging ?? {};
  return {
    width: right - left,
    height: top - bottom + edge,
    depth: front - back,
    opening: rim * (1 + growth),
  };
}

/** Whatever part of an edge no seam takes. */
function rimOf({ pieces, seams }: BagGraph): number {
  let length = 0;
  for (const { edges } of pieces) for (const edge of edges) length += edge.length;
  for (const { a, b } of seams) length -= intervalLength(a) + intervalLength(b);
  return length;
}

/** The rim of the body alone: hanging parts are taken off, and where they grew out the body ends. */
function mouthOf(graph: BagGraph): number {
  const piece = pieceIndex(graph);
  const facets = groupBy(graph.facets, (facet) => facet.piece);
  const body = (id: string) => (facets.get(id) ?? []).filter((facet) => !hangs(facet));
  /** Length of an interval that lies on the body. */
  const onBody = ({ piece: id, edge, from, to }: Interval): number => {
    const own = piece(id);
    const path = pathOn(own, { edge, from, to });
    return body(id).reduce((sum, facet) => {
      for (const [i, q] of path.entries()) {
        const p = path[i - 1];
        const inside = p && onFacet(own, facet, p, q);
        if (inside) sum += (inside[1] - inside[0]) * distance(p, q);
      }
      return sum;
    }, 0);
  };
  /** Few pieces hang and lie both: the rest need no looking at their facets. */
  const mixed = new Map(
    [...facets].map(([id, own]) => {
      const hanging = own.filter(hangs).length;
      return [id, hanging === 0 ? 'lies' : hanging === own.length ? 'hangs' : 'both'] as const;
    }),
  );
  const lies = (interval: Interval): number => {
    switch (mixed.get(interval.piece)) {
      case 'lies':
        return intervalLength(interval);
      case 'both':
        return onBody(interval);
      default:
        return 0;
    }
  };
  let length = 0;
  for (const own of graph.pieces) {
    own.edges.forEach((edge, i) => {
      length += lies({ piece: own.id, edge: i, from: 0, to: edge.length });
    });
  }
  for (const { a, b } of graph.seams) {
    const [one, other] = [lies(a), lies(b)];
    if (one > 0 && other > 0) length -= one + other;
  }
  for (const { piece: id, from, to } of graph.folds) {
    const middle = along(from, to, 0.5);
    const beside = (facets.get(id) ?? []).filter(({ outline }) => contains(outline, middle, 1e-4));
    if (beside.some(hangs) && !beside.every(hangs)) length += distance(from, to);
  }
  return length;
}
