import { type Judged, judged, type Neighbour } from '../arrange/index.ts';
import type { Plan } from './plan.ts';

const known = new WeakMap<Plan['cells'], Judged>();

/** What there is to say of the bag as it is laid. */
export function laidJudged({ cells, arranging }: Pick<Plan, 'cells' | 'arranging'>): Judged {
  const before = known.get(cells);
  if (before) return before;
  const task = arranging();
  const fresh = judged(task, task.laid);
  known.set(cells, fresh);
  return fresh;
}

/** Twins that touch along a side, or over a narrow strip. */
export const twinsOf = (plan: Pick<Plan, 'cells' | 'arranging'>): readonly Neighbour[] =>
  laidJudged(plan).twins;
