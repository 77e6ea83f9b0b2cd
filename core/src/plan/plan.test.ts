import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readDocument } from '../document/index.ts';
import { FAMILIES } from '../families/index.ts';
import { readouts } from '../readouts/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { plans } from '../testing/plans.ts';
import { beginDocument, planOf } from './index.ts';

test('a begun bag is a good document in every family, near the wanted size', () => {
  for (const { id } of FAMILIES) {
    const document = beginDocument({ name: 'Mine', family: id });
    expect(readDocument(document).ok).toBe(true);
    const [width, height] = planOf(document).tapes;
    for (const tape of [width, height]) expect(Math.abs(tape?.off ?? 999)).toBeLessThan(60);
  }
});

test('ends, by hand: two for each colour begun in a square, two a panel, two a run', () => {
  // Colourways change colour at rounds 2 and 3 and then stay: three begun, six ends a square.
  const plan = planOf(
    testDocument({
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 4, rows: 2 },
    }),
  );
  expect(plan.tally).toMatchObject({ motifs: 8, panels: 0, pieceEnds: 48, joinEnds: 10 });
});

test('readouts of any bag are plain JSON with finite numbers', () => {
  fc.assert(
    fc.property(plans, (plan) => {
      const made = readouts(plan, { terms: 'uk', system: 'in' });
      const text = JSON.stringify(made, (_, value: unknown) => {
        if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
        return value;
      });
      expect(JSON.parse(text).pieces.length).toBeGreaterThan(0);
    }),
    { numRuns: 60 },
  );
});

test('words follow the maker’s terms and units', () => {
  const document = { ...testDocument(), joins: { ...testDocument().joins, method: 'ridge' as const } };
  const steps = (terms: 'us' | 'uk', system: 'cm' | 'in') =>
    readouts(planOf(document), { terms, system })
      .joins.steps.map(({ text }) => text)
      .join('\n');
  expect(steps('us', 'cm')).toContain('single crochet ridge');
  expect(steps('uk', 'cm')).toContain('double crochet ridge');
  expect(steps('us', 'cm')).toMatch(/about \d+\.\d m\./);
  expect(steps('us', 'in')).toMatch(/about \d+\.\d\d yd\./);
});
