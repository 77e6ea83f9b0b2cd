import { distance3, type Point3, SAME_PLACE, unit } from '../geometry/index.ts';
import type { BagGraph, Facet } from './graph.ts';
import { hangs } from './measure.ts';
import { move, outward } from './place.ts';
import { bodyRims } from './rim.ts';

/** A stretch of the level cut through the made-up body, and the way its fabric looks. */
export interface LevelCut {
  readonly from: Point3;
  readonly to: Point3;
  readonly normal: Point3;
}

/** A facet of the body as it stands. */
interface Wall {
  readonly points: readonly Point3[];
  readonly normal: Point3;
  /** Between which heights it stands. */
  readonly low: number;
  readonly high: number;
}

function wallOf({ outline, motion }: Facet): Wall {
  const points = outline.map((p) => move(motion, p));
  let [low, high] = [Infinity, -Infinity];
  for (const { y } of points) {
    if (y < low) low = y;
    if (y > high) high = y;
  }
  return { points, normal: unit(outward(motion)), low, high };
}

const wallsOf = (graph: BagGraph): Wall[] =>
  graph.facets.filter((facet) => !hangs(facet) && !facet.tucked).map(wallOf);

/** Where a level plane cuts a wall: in and out in turn. */
function cutsOf(points: readonly Point3[], y: number): Point3[] {
  const cuts: Point3[] = [];
  let p = points.at(-1);
  for (const q of points) {
    if (p && p.y < y !== q.y < y) {
      const t = (y - p.y) / (q.y - p.y);
      cuts.push({ x: p.x + (q.x - p.x) * t, y, z: p.z + (q.z - p.z) * t });
    }
    p = q;
  }
  return cuts.length > 2 ? cuts.sort((a, b) => a.x - b.x || a.z - b.z) : cuts;
}

/** Where a level plane at height y cuts the body. */
export const levelCuts = (graph: BagGraph, y: number): LevelCut[] =>
  wallsOf(graph).flatMap(({ points, normal }) => {
    const cuts = cutsOf(points, y);
    return cuts.flatMap((from, i) => {
      const to = cuts[i + 1];
      return i % 2 === 0 && to ? [{ from, to, normal }] : [];
    });
  });

/** Way round the walls at a height, mm. */
function girthAt(walls: readonly Wall[], y: number): number {
  let round = 0;
  for (const { points, low, high } of walls) {
    if (y <= low || y >= high) continue;
    const cuts = cutsOf(points, y);
    for (let i = 1; i < cuts.length; i += 2) {
      const [from, to] = [cuts[i - 1], cuts[i]];
      if (from && to) round += distance3(from, to);
    }
  }
  return round;
}

/** The way round the made-up body at a height y, mm. */
export const wayRoundAt = (graph: BagGraph, y: number): number => girthAt(wallsOf(graph), y);

/** Share of the height below which a bag may be narrow: what stands in it has come through all above. */
const LOWEST = 0.35;

/** What a bag has room for: as high as it is closed all round, and the way round its narrowest place, mm. */
export interface Inside {
  readonly height: number;
  readonly girth: number;
}

/**
 * The inside of the made-up bag. It is closed all round as high as the lowest place of its rim; above that, between
 * peaks, there is no way round. The girth is that of the narrowest level cut through the upper part of what is closed:
 * what goes in must pass it. A drawn-in waist is narrower than the fabric there by as much as it is drawn. Edge rounds go
 * round all of the rim, and close as much more.
 *
 * Between two corners the way round changes evenly with the height, so it is least just above or below a corner.
 */
export function insideOf(graph: BagGraph): Inside {
  const walls = wallsOf(graph);
  const low = walls.reduce((least, wall) => Math.min(least, wall.low), Infinity);
  const rim = bodyRims(graph)
    .flat()
    .reduce((least, { from, to }) => Math.min(least, from.y, to.y), Infinity);
  // A body without a rim of its own ends where flap and handles grow out of it.
  const top = Number.isFinite(rim) ? rim : walls.reduce((most, wall) => Math.max(most, wall.high), low);
  const from = low + (top - low) * LOWEST;
  const corners = new Set(walls.flatMap(({ points }) => points.map(({ y }) => Math.round(y / SAME_PLACE))));
  const heights = [from, ...[...corners].map((at) => at * SAME_PLACE), top].filter(
    (y) => y >= from && y <= top,
  );
  let girth = Infinity;
  for (const height of heights) {
    for (const y of [height - 2 * SAME_PLACE, height + 2 * SAME_PLACE]) {
      if (y <= from || y >= top) continue;
      const round = girthAt(walls, y);
      if (round > 0) girth = Math.min(girth, round);
    }
  }
  const { waist, edging } = graph.trim ?? {};
  if (waist && waist.height < top) girth = Math.min(girth, girthAt(walls, waist.height) * (1 - waist.draw));
  return {
    height: top - low + (edging?.height ?? 0),
    // So low a bag that nothing is closed all round has no room.
    girth: Number.isFinite(girth) ? girth : 0,
  };
}
