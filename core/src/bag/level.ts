import { distance3, type Point3, unit } from '../geometry/index.ts';
import type { BagGraph, Facet } from './graph.ts';
import { hangs } from './measure.ts';
import { move, outward } from './place.ts';

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

const wallsOf = (graph: BagGraph): Wall[] => graph.facets.filter((facet) => !hangs(facet)).map(wallOf);

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

/** Heights at which a bag is measured round. */
const LEVELS = 16;
/** Share of the height below which a bag may be narrow: what stands in it has come through all above. */
const LOWEST = 0.35;

/**
 * The way round the made-up body at its narrowest place in its upper part, mm: what goes in must pass it. A
 * drawn-in waist is narrower than the fabric there by as much as it is drawn.
 */
export function narrowestGirth(graph: BagGraph): number {
  const walls = wallsOf(graph);
  let [low, high] = [Infinity, -Infinity];
  for (const wall of walls) {
    low = Math.min(low, wall.low);
    high = Math.max(high, wall.high);
  }
  let least = Infinity;
  for (let k = 0; k < LEVELS; k++) {
    const round = girthAt(walls, low + (high - low) * (LOWEST + ((1 - LOWEST) * (k + 0.5)) / LEVELS));
    if (round > 0) least = Math.min(least, round);
  }
  const { waist } = graph.trim ?? {};
  return waist ? Math.min(least, girthAt(walls, waist.height) * (1 - waist.draw)) : least;
}
