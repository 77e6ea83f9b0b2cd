import { type Askew, askew, type Judged, judged, type Neighbour } from '../arrange/index.ts';
import type { Plan } from './plan.ts';
import { onHeadPieces } from './turned.ts';

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

/** One-way motifs that do not hang upright on a face they are seen on. */
export const askewIn = ({
  document,
  graph,
  cells,
}: Pick<Plan, 'document' | 'graph' | 'cells'>): readonly Askew[] =>
  askew(document, graph, cells, onHeadPieces(document, graph));
