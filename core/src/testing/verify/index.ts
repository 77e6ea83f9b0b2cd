import fc from 'fast-check';
import type { BagDocument } from '../../document/index.ts';
import { planned } from '../../plan/index.ts';
import { JOIN_METHODS, SCHOOLS } from '../../runs/index.ts';
import { constructions, features, finishes, testDocument } from '../arbitraries.ts';
import { arranged } from './arranged.ts';
import type { Check } from './check.ts';
import { closure } from './closure.ts';
import { fabrics } from './fabrics.ts';
import { gauge } from './gauge.ts';
import { inside } from './inside.ts';
import { joins, mirrored } from './joins.ts';
import { lining } from './lining.ts';
import { noise } from './noise.ts';
import { rims, turning } from './rims.ts';
import { rows } from './rows.ts';
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
  fabrics,
  rows,
  arranged,
  noise,
];

/** A bag to check, with what it is called where a check fails. */
export interface Subject {
  readonly name: string;
  readonly document: BagDocument;
}

/** Two colours by row, on all panels. */
const striped = fc.record({
  all: fc.record({
    bands: fc.tuple(
      fc.record({ yarn: fc.constant('y1'), rows: fc.integer({ min: 1, max: 4 }) }),
      fc.record({ yarn: fc.constant('y2'), rows: fc.integer({ min: 1, max: 4 }) }),
    ),
    carried: fc.boolean(),
  }),
});

const bag = fc
  .record({
    construction: constructions,
    own: fc.oneof({ weight: 2, arbitrary: features }, { weight: 1, arbitrary: fc.constant({}) }),
    finish: finishes,
    stripes: fc.option(striped, { nil: undefined }),
    how: fc.record({
      method: fc.constantFrom(...JOIN_METHODS),
      school: fc.constantFrom(...SCHOOLS),
      flatFirst: fc.boolean(),
      longest: fc.option(fc.integer({ min: 600, max: 3000 }), { nil: undefined }),
    }),
  })
  .map(({ construction, own, finish, how, stripes }): BagDocument => {
    const plain = testDocument(construction);
    return { ...plain, features: own, finish, stripes, joins: { ...plain.joins, ...how } };
  });

/**
 * So many bags of all families, with anything on them, one after the other; the same ones for the same seed. Each is let
 * go as it is given: a bag that is built stays with its document.
 */
export function* generated(many: number, seed: number): Generator<Subject> {
  const documents = fc.sample(bag, { numRuns: many, seed }).reverse();
  for (let i = 0; ; i++) {
    const document = documents.pop();
    if (!document) return;
    yield { name: `${document.construction.family} ${seed}:${i}`, document };
  }
}

/** What came of one check over all bags. */
export interface Outcome {
  readonly check: Check;
  readonly bags: number;
  /** Differences, each with the bag's name before it. */
  readonly differences: readonly string[];
}

/** Holds every figure of every bag against its second way. Bags that cannot be planned are left out. */
export function verify(subjects: Iterable<Subject>, checks: readonly Check[] = CHECKS): Outcome[] {
  const outcomes = checks.map((check): { check: Check; differences: string[] } => ({
    check,
    differences: [],
  }));
  let bags = 0;
  for (const { name, document } of subjects) {
    const answer = planned(document);
    if (!answer.ok) continue;
    bags++;
    for (const { check, differences } of outcomes)
      differences.push(...check.of(answer.plan).map((text) => `${name}: ${text}`));
  }
  return outcomes.map((outcome) => ({ ...outcome, bags }));
}
