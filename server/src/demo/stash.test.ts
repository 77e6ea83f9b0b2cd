import { randomUUID } from 'node:crypto';
import {
  type Allotment,
  allotted,
  basketsAside,
  enoughOf,
  type KeptLot,
  lotSchema,
  planOf,
  runsOut,
  type StoredBag,
  spendingOf,
  yarnCures,
} from '@fennot/core';
import { expect, test } from 'vitest';
import { demoBags } from './index.ts';
import { demoStash } from './stash.ts';

const bags: StoredBag[] = demoBags().map((document) => ({
  id: randomUUID(),
  version: 1,
  updatedAt: '',
  document,
}));
const changes = demoStash(bags);
const lots: KeptLot[] = changes.flatMap((one) =>
  one.of === 'add' ? [{ id: one.id, version: 1, lot: one.lot }] : [],
);
const allotments: Allotment[] = changes.flatMap((one) => (one.of === 'allot' ? [one.allotment] : []));

test('the demo stash has odd balls, part balls, two baths of one colour, and a ball that two bags want', () => {
  for (const { lot } of lots) expect(lotSchema.safeParse(lot).success).toBe(true);
  expect(lots.some(({ lot: { full, parts } }) => full === 1 && parts.length === 0)).toBe(true);
  expect(
    lots.filter(({ lot }) => lot.colourName === 'Kingfisher' && lot.yarn.startsWith('Tollbar')),
  ).toHaveLength(2);
  expect(allotted(lots, allotments).filter(({ contested }) => contested)).toHaveLength(1);
});

test('one demo bag is a few metres short of its edge colour, in an edge round, and can be cured', () => {
  const tote = bags.find(({ document }) => document.name === 'Practice-night tote');
  if (!tote) throw new Error('There is no such bag.');
  const plan = planOf(tote.document);
  const baskets = basketsAside(tote.document, tote.id, allotted(lots, allotments));
  const all = enoughOf(tote.document, plan.tally.effort.needs, baskets);
  expect(all.filter(({ is }) => is === 'short').map(({ yarn }) => yarn)).toEqual(['kingfisher']);
  const basket = baskets.find(({ yarn }) => yarn === 'kingfisher');
  const out = basket && runsOut(spendingOf(plan), basket);
  expect(out?.what).toMatch(/^Edge round/);
  expect(out?.short).toBeGreaterThan(2000);
  expect(out?.short).toBeLessThan(8000);
  expect(yarnCures(plan, baskets, 'kingfisher')[0]?.after.is).not.toBe('short');
});
