import type { Piece } from '../bag/index.ts';
import type { JoinPlan } from './plan-runs.ts';

/** The pieces that no run has touched yet, after each run: they can still be swapped. */
export function freeAfter({ runs }: JoinPlan, pieces: readonly Piece[]): Piece[][] {
  const touched = new Set<string>();
  return runs.map(({ passes }) => {
    for (const { link } of passes) touched.add(link.seam.a.piece).add(link.seam.b.piece);
    return pieces.filter(({ id }) => !touched.has(id));
  });
}
