import { MEASURES, type Measure } from '../bag/index.ts';
import type { Plan } from './plan.ts';

/** A bag's measures, mm. */
type Measures = Partial<Record<Measure, number>>;

/** What a change does to one measure of a bag, mm. */
export interface Move {
  readonly measure: Measure;
  readonly by: number;
}

/** A measure that moves by less has not, mm: it would be written with the same figures. */
const MOVES = 0.5;

/** The measures that move from one bag to another; those that only one of them has do not move. */
export const movesBetween = (before: Measures, after: Measures): Move[] =>
  MEASURES.flatMap((measure) => {
    const [old, next] = [before[measure], after[measure]];
    if (old === undefined || next === undefined) return [];
    const by = next - old;
    return Math.abs(by) < MOVES ? [] : [{ measure, by }];
  });

/** A plan's finished sizes, mm, as its tapes say them. */
export const tapedSizes = ({ tapes }: Pick<Plan, 'tapes'>): Measures =>
  Object.fromEntries(tapes.map(({ measure, finished }) => [measure, finished.value]));
