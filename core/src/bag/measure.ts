import type { BagGraph } from './graph.ts';
import { intervalLength, move } from './place.ts';

/** The measures a maker takes with a tape. */
export const MEASURES = ['width', 'height', 'depth', 'opening'] as const;
export type Measure = (typeof MEASURES)[number];

/**
 * The made-up bag under the tape, mm: its extent across, up and deep (flap and handles hang free and do
 * not count), and the length of the rim all the way round.
 */
export function measure(graph: BagGraph): Record<Measure, number> {
  const low = { x: Infinity, y: Infinity, z: Infinity };
  const high = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const { face, outline, motion } of graph.facets) {
    if (face === 'flap' || face === 'handle') continue;
    for (const corner of outline) {
      const p = move(motion, corner);
      for (const axis of ['x', 'y', 'z'] as const) {
        low[axis] = Math.min(low[axis], p[axis]);
        high[axis] = Math.max(high[axis], p[axis]);
      }
    }
  }
  // Whatever part of an edge no seam takes is rim.
  const edges = graph.pieces.flatMap((piece) => piece.edges).reduce((sum, edge) => sum + edge.length, 0);
  const sewn = graph.seams.reduce((sum, { a, b }) => sum + intervalLength(a) + intervalLength(b), 0);
  const opening = edges - sewn;
  return { width: high.x - low.x, height: high.y - low.y, depth: high.z - low.z, opening };
}
