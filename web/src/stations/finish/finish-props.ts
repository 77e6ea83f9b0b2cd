import type { Finish, Plan } from '@fennot/core';
import type { Outcome } from '../../ui/tell.ts';

/** What every section of the finish is given. */
export interface FinishProps {
  readonly plan: Plan;
  readonly finish: Finish;
  readonly set: (fields: Partial<Finish>) => Outcome;
}
