import type fc from 'fast-check';
import { type Plan, planned } from '../plan/index.ts';
import { constructions, testDocument } from './arbitraries.ts';

/** Plans of bags of any way of building; those too small to be joined are left out. */
export const plans: fc.Arbitrary<Plan> = constructions
  .map((construction) => planned(testDocument(construction)))
  .filter((answer) => answer.ok)
  .map((answer) => {
    if (!answer.ok) throw new Error('filtered');
    return answer.plan;
  });
