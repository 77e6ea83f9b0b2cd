import type { BagGraph } from './graph.ts';
import { intervalLength } from './place.ts';

/** The measures a maker takes with a tape. */
export const MEASURES = ['width', 'height', 'depth', 'opening'] as const;
export type Measure = (typeof MEASURES)[number];

/**
 * The made-up bag under the tape, mm: its extent across, up and deep (flap and handles hang free and do
 * not count), and the length of the rim all the way round.
 */
export function measure({ pieces, seams, facets }: BagGraph): Record<Measure, number> {
  let [left, right, bottom, top, back, front] = [
    Infinity,
    -Infinity,
    Infinity,
    -Infinity,
    Infinity,
    -Infinity,
  ];
  for (const { face, outline, motion } of facets) {
    if (face === 'flap' || face === 'handle') continue;
    const { origin, u, v } = motion;
    for (const p of outline) {
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
  // Whatever part of an edge no seam takes is rim.
  let opening = 0;
  for (const { edges } of pieces) for (const { length } of edges) opening += length;
  for (const { a, b } of seams) opening -= intervalLength(a) + intervalLength(b);
  return { width: right - left, height: top - bottom, depth: front - back, opening };
}
