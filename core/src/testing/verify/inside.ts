import { type BagGraph, insideOf } from '../../bag/index.ts';
import { NO_STRETCH } from '../../geometry/index.ts';
import { type Check, differ } from './check.ts';
import { freePlaces } from './outline.ts';
import { holds, type Tri, trianglesOf, type Vec } from './solid.ts';

/** Heights at which every bag is cut. */
const CUTS = 240;
/** Where in its step each cut lies: an irrational share, so that none falls onto a corner that rows of stitches make. */
const WITHIN = (Math.sqrt(5) - 1) / 2;

const mix = (p: Vec, q: Vec, t: number): Vec => [
  p[0] + (q[0] - p[0]) * t,
  p[1] + (q[1] - p[1]) * t,
  p[2] + (q[2] - p[2]) * t,
];

/** A place of the cut: in space, and on its piece. */
interface End {
  readonly at: Vec;
  readonly on: Vec;
}

/** The level cut through a triangle, if there is one. */
function cut({ corners, flat }: Tri, y: number): readonly [End, End] | undefined {
  const ends = corners.flatMap((p, i): End[] => {
    const k = (i + 1) % 3;
    const [q = p, f = p, g = p] = [corners[k], flat[i], flat[k]];
    const t = (y - p[1]) / (q[1] - p[1]);
    return p[1] < y === q[1] < y ? [] : [{ at: mix(p, q, t), on: mix(f, g, t) }];
  });
  const [from, to] = ends;
  return from && to ? [from, to] : undefined;
}

/** The way round at a height, or nothing where the cut comes to an open edge: the bag is no ring there. */
function ringAt(tris: readonly Tri[], open: ReturnType<typeof freePlaces>, y: number): number | undefined {
  let round = 0;
  for (const tri of tris) {
    const ends = cut(tri, y);
    if (!ends) continue;
    const [{ at: p, on: a }, { at: q, on: b }] = ends;
    if (open(tri.facet.piece, a) || open(tri.facet.piece, b)) return undefined;
    round += Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
  }
  return round > 0 ? round : undefined;
}

function rings(graph: BagGraph) {
  const tris = trianglesOf(graph).filter(({ facet }) => holds(facet));
  const heights = tris.flatMap(({ corners }) => corners.map(([, y]) => y));
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const step = (high - low) / CUTS;
  const open = freePlaces(graph);
  const found: Array<{ readonly height: number; readonly round: number }> = [];
  for (let k = 0; k < CUTS; k++) {
    const round = ringAt(tris, open, low + (k + WITHIN) * step);
    if (round === undefined) break;
    found.push({ height: (k + WITHIN) * step, round });
  }
  return { step, found };
}

/** What a bag has room for, by cutting the made-up bag at many heights and seeing whether the cut is a ring. */
export const inside: Check = {
  name: 'What goes in',
  how: `the made-up bag cut level at ${CUTS} heights: the first cut that comes to an open edge, and the shortest ring below it`,
  of({ graph }) {
    const said = insideOf(graph);
    const edge = graph.trim?.edging?.height ?? 0;
    const { step, found } = rings(graph);
    const closed = found.at(-1)?.height ?? 0;
    const upper = found.filter(({ height }) => height > 0.35 * (said.height - edge) + step);
    const least = Math.min(...upper.map(({ round }) => round));
    // Between two cuts it can be narrower by no more than cuts differ.
    const between = Math.max(
      0,
      ...found.map(({ round }, i) => Math.abs(round - (found[i - 1]?.round ?? round))),
    );
    // A waist is drawn in by what the maker says, not by the fabric.
    const told = !graph.trim?.waist && Number.isFinite(least);
    return [
      ...differ('Closed as high as', said.height - edge, closed, 1.01 * step + NO_STRETCH),
      ...(told && (said.girth > least + 0.1 || said.girth < least - 3 * between - 0.1)
        ? [`Girth: ${said.girth.toFixed(1)} is said, the shortest ring is ${least.toFixed(1)}`]
        : []),
    ];
  },
};
