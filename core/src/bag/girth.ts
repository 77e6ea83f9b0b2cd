import type { Point3 } from '../geometry/index.ts';
import { distance3 } from '../geometry/index.ts';
import type { BagGraph } from './graph.ts';
import { hangs } from './measure.ts';
import { move } from './place.ts';

/**
 * The way round the made-up bag at a height, mm: the lengths of all facets along a level cut.
 *
 * @param height mm above its lowest place.
 */
export function girthAt(graph: BagGraph, height: number): number {
  const seen = graph.facets.filter((facet) => !facet.tucked && !hangs(facet));
  const solid = seen.map(({ motion, outline }) => outline.map((p) => move(motion, p)));
  const low = Math.min(...solid.flat().map(({ y }) => y));
  const level = low + height;
  return solid.reduce((sum, corners) => sum + cutLength(corners, level), 0);
}

/** How long a level cut through a flat figure is. */
function cutLength(corners: readonly Point3[], level: number): number {
  const cuts = corners.flatMap((p, i): Point3[] => {
    const q = corners[(i + 1) % corners.length] ?? p;
    // A corner at the level belongs to the side above it.
    if (p.y >= level === q.y >= level) return [];
    const share = (level - p.y) / (q.y - p.y);
    return [{ x: p.x + share * (q.x - p.x), y: level, z: p.z + share * (q.z - p.z) }];
  });
  // Along the cut from one side to the other: inside between the first and the second, the third and the fourth.
  const [first] = cuts;
  if (!first) return 0;
  const far = cuts.reduce((best, p) => (distance3(first, p) > distance3(first, best) ? p : best), first);
  const sorted = cuts.toSorted((p, q) => distance3(far, p) - distance3(far, q));
  let sum = 0;
  for (let i = 0; i + 1 < sorted.length; i += 2) {
    const [p, q] = [sorted[i], sorted[i + 1]];
    if (p && q) sum += distance3(p, q);
  }
  return sum;
}
