import type { Finish, Plan } from '@fennot/core';

/** What every section of the finish is given. */
export interface FinishProps {
  readonly plan: Plan;
  readonly finish: Finish;
  readonly set: (fields: Partial<Finish>) => void;
}
