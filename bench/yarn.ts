import {
  basketsFrom,
  type Lot,
  learnt,
  planOf,
  readStash,
  spendingOf,
  weighables,
  weighingOf,
  writeStash,
  yarnCures,
} from '@fennot/core';
import { demoBags } from '@fennot/server';
import { report, time, timePair } from './time.ts';

/** Yarn: a large stash as CSV, what many weighings teach, and cures tried on the plan. */
export function benchYarn(): void {
  console.log('Yarn:');
  const lots = Array.from(
    { length: 10_000 },
    (_, i): Lot => ({
      yarn: `Yarn ${i % 40}`,
      colourName: `Colour ${i % 300}`,
      colour: '#17768a',
      weight: 4,
      fibre: 'wool',
      dyeLot: String(i),
      ball: { grams: 50, metres: 100 },
      full: i % 4,
      parts: [12.5],
      place: `Box ${i % 60}`,
      note: '',
    }),
  );
  const csv = new TextEncoder().encode(writeStash(lots));
  const json = JSON.stringify(lots);
  const [read, parsed] = timePair(
    () => readStash(csv, 'EUR'),
    () => JSON.parse(json),
    10,
    3,
  );
  report('  10,000 lots out of CSV', read, `${parsed.median.toFixed(0)} ms as JSON, unchecked`);
  const document = demoBags().find(({ name }) => name === 'Practice-night tote');
  if (!document) throw new Error('There is no such bag.');
  const plan = planOf(document);
  const things = weighables(document, plan.tally.effort);
  const weighings = Array.from({ length: 200 }, (_, i) => {
    const thing = things[i % things.length];
    if (!thing) throw new Error('Nothing can be weighed.');
    return weighingOf(thing, 3, { of: 'thing', grams: 5 + (i % 7) }, `w${i}`);
  });
  report(
    '  what 200 weighings teach',
    time(() => learnt({ ...document, weighings })),
    'aim 16: it is in every plan',
  );
  report(
    '  spending along the work',
    time(() => spendingOf(plan)),
    'aim 16',
  );
  const baskets = basketsFrom(document, lots).map((basket) => ({ ...basket, length: 40_000, lots: [] }));
  report(
    '  all cures of a short yarn',
    time(() => yarnCures(plan, baskets, 'kingfisher'), 10, 3),
    'aim 500: when it is asked for',
  );
}
