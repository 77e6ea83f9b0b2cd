import type fc from 'fast-check';
import type { BagDocument } from '../document/index.ts';
import { type Plan, planned } from '../plan/index.ts';
import { constructions, testDocument } from './arbitraries.ts';

/** Plans of documents; of bags too small to be joined there is none. */
export const plansOf = (documents: fc.Arbitrary<BagDocument>): fc.Arbitrary<Plan> =>
  documents
    .map(planned)
    .filter((answer) => answer.ok)
    .map((answer) => {
      if (!answer.ok) throw new Error('filtered');
      return answer.plan;
    });

/** Plans of bags of any way of building. */
export const plans = plansOf(constructions.map((construction) => testDocument(construction)));
