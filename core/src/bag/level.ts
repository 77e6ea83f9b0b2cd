import { distance3, type Point3, unit } from './geometry.ts';
import type { BagGraph } from './graph.ts';
import { hangs } from './measure.ts';
import { move, outward } from './place.ts';

/** A stretch of the level cut through the made-up body, and the way its fabric looks. */
export interface LevelCut {
  readonly from: Point3;
  readonly to: Point3;
  readonly normal: Point3;
}

/** Where a level plane at height y cuts the body: in and out of each facet in turn. */
export function levelCuts(graph: BagGraph, y: number): LevelCut[] {
  return graph.facets.flatMap((facet): LevelCut[] => {
    if (hangs(facet)) return [];
    const normal = unit(outward(facet.motion));
    const cuts: Point3[] = [];
    let p = facet.outline.at(-1);
    let before = p && move(facet.motion, p);
    for (p of facet.outline) {
      const here = move(facet.motion, p);
      if (before && before.y < y !== here.y < y) {
        const t = (y - before.y) / (here.y - before.y);
        cuts.push({ x: before.x + (here.x - before.x) * t, y, z: before.z + (here.z - before.z) * t });
      }
      before = here;
    }
    cuts.sort((a, b) => a.x - b.x || a.z - b.z);
    return cuts.flatMap((from, i) => {
      const to = cuts[i + 1];
      return i % 2 === 0 && to ? [{ from, to, normal }] : [];
    });
  });
}

/** Way round the body at a height, mm. */
const girthAt = (graph: BagGraph, y: number): number =>
  levelCuts(graph, y).reduce((sum, { from, to }) => sum + distance3(from, to), 0);

/** Heights at which a bag is measured round. */
const LEVELS = 24;
/** Share of the height below which a bag may be narrow: what stands in it has come through all above. */
const LOWEST = 0.35;

/**
 * The way round the made-up body at its narrowest place in its upper part, mm: what goes in must pass it. A
 * drawn-in waist is narrower than the fabric there by as much as it is drawn.
 */
export function narrowestGirth(graph: BagGraph): number {
  const heights = graph.facets.flatMap((facet) =>
    hangs(facet) ? [] : facet.outline.map((p) => move(facet.motion, p).y),
  );
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  let least = Infinity;
  for (let k = 0; k < LEVELS; k++) {
    const round = girthAt(graph, low + (high - low) * (LOWEST + ((1 - LOWEST) * (k + 0.5)) / LEVELS));
    if (round > 0) least = Math.min(least, round);
  }
  const { waist } = graph.trim ?? {};
  return waist ? Math.min(least, girthAt(graph, waist.height) * (1 - waist.draw)) : least;
}
