import { groupBy } from '../group-by.ts';
import { along, contains, distance, distance3, type Point3 } from './geometry.ts';
import type { BagGraph, Facet, Interval } from './graph.ts';
import { intervalLength, move, onFacet, pathOn, pieceIndex } from './place.ts';

/** The measures a maker takes with a tape. */
export const MEASURES = ['width', 'height', 'depth', 'opening'] as const;
export type Measure = (typeof MEASURES)[number];

/** Flap and handles hang on the body and do not count for its size. */
const hangs = ({ face }: Facet): boolean => face === 'flap' || face === 'handle';

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
  let length = 0;
  for (const own of graph.pieces) {
    own.edges.forEach((edge, i) => {
      length += onBody({ piece: own.id, edge: i, from: 0, to: edge.length });
    });
  }
  for (const { a, b } of graph.seams) {
    const [one, other] = [onBody(a), onBody(b)];
    if (one > 0 && other > 0) length -= one + other;
  }
  for (const { piece: id, from, to } of graph.folds) {
    const middle = along(from, to, 0.5);
    const beside = (facets.get(id) ?? []).filter(({ outline }) => contains(outline, middle, 1e-4));
    if (beside.some(hangs) && !beside.every(hangs)) length += distance(from, to);
  }
  return length;
}

/** Heights at which a bag is measured round. */
const LEVELS = 24;
/** Share of the height below which a bag may be narrow: what stands in it has come through all above. */
const LOWEST = 0.35;

/**
 * The way round the made-up body at its narrowest place in its upper part, mm: what goes in must pass it. At
 * each height it is the length of the level cut through all facets.
 */
export function narrowestGirth(graph: BagGraph): number {
  const walls = graph.facets
    .filter((facet) => !hangs(facet))
    .map(({ outline, motion }) => outline.map((p) => move(motion, p)));
  const heights = walls.flat().map(({ y }) => y);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  let least = Infinity;
  for (let k = 0; k < LEVELS; k++) {
    const y = low + (high - low) * (LOWEST + ((1 - LOWEST) * (k + 0.5)) / LEVELS);
    const round = walls.reduce((sum, wall) => sum + cutLength(wall, y), 0);
    if (round > 0) least = Math.min(least, round);
  }
  return least;
}

/** Length of the level cut through a flat polygon in space. */
function cutLength(polygon: readonly Point3[], y: number): number {
  const cuts: Point3[] = [];
  let p = polygon.at(-1);
  for (const q of polygon) {
    if (p && p.y < y !== q.y < y) {
      const t = (y - p.y) / (q.y - p.y);
      cuts.push({ x: p.x + (q.x - p.x) * t, y, z: p.z + (q.z - p.z) * t });
    }
    p = q;
  }
  // In and out in turn, along the line of the cut.
  cuts.sort((a, b) => a.x - b.x || a.z - b.z);
  let length = 0;
  for (let i = 1; i < cuts.length; i += 2) {
    const [a, b] = [cuts[i - 1], cuts[i]];
    if (a && b) length += distance3(a, b);
  }
  return length;
}
