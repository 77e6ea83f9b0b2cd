import fc from 'fast-check';
import type { BagDocument } from '../../document/index.ts';
import { planned } from '../../plan/index.ts';
import { JOIN_METHODS, SCHOOLS } from '../../runs/index.ts';
import { constructions, features, finishes, testDocument } from '../arbitraries.ts';
import type { Check } from './check.ts';
import { closure } from './closure.ts';
import { gauge } from './gauge.ts';
import { inside } from './inside.ts';
import { joins, mirrored } from './joins.ts';
import { lining } from './lining.ts';
import { noise } from './noise.ts';
import { rims, turning } from './rims.ts';
import { runs } from './runs.ts';
import { panels, sizes } from './sizes.ts';
import { strips } from './strips.ts';
import { yarn } from './yarn.ts';

export type { Check } from './check.ts';

/** Everything that is held against another way of working it out. */
export const CHECKS: readonly Check[] = [
  gauge,
  sizes,
  panels,
  inside,
  rims,
  turning,
  closure,
  lining,
  strips,
  mirrored,
  joins,
  runs,
  yarn,
  noise,
];

/** A bag to check, with what it is called where a check fails. */
export interface Subject {
  readonly name: string;
  readonly document: BagDocument;
}

const bag = fc
  .record({
    construction: constructions,
    own: fc.oneof({ weight: 2, arbitrary: features }, { weight: 1, arbitrary: fc.constant({}) }),
    finish: finishes,
    how: fc.record({
      method: fc.constantFrom(...JOIN_METHODS),
      school: fc.constantFrom(...SCHOOLS),
      flatFirst: fc.boolean(),
      longest: fc.option(fc.integer({ min: 600, max: 3000 }), { nil: undefined }),
    }),
  })
  .map(({ construction, own, finish, how }): BagDocument => {
    const plain = testDocument(construction);
    return { ...plain, features: own, finish, joins: { ...plain.joins, ...how } };
  });

/** So many bags of all families, with anything on them; the same ones for the same seed. */
export const generated = (many: number, seed: number): Subject[] =>
  fc
    .sample(bag, { numRuns: many, seed })
    .map((document, i) => ({ name: `${document.construction.family} ${seed}:${i}`, document }));

/** What came of one check over all bags. */
export interface Outcome {
  readonly check: Check;
  readonly bags: number;
  /** Differences, each with the bag's name before it. */
  readonly differences: readonly string[];
}

/** Holds every figure of every bag against its second way. Bags that cannot be planned are left out. */
export function verify(subjects: readonly Subject[], checks: readonly Check[] = CHECKS): Outcome[] {
  const plans = subjects.flatMap(({ name, document }) => {
    const answer = planned(document);
    return answer.ok ? [{ name, plan: answer.plan }] : [];
  });
  return checks.map((check) => ({
    check,
    bags: plans.length,
    differences: plans.flatMap(({ name, plan }) => check.of(plan).map((text) => `${name}: ${text}`)),
  }));
}
