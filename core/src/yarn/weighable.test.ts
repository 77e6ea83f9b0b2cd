import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { BagDocument } from '../document/index.ts';
import { planned, planOf } from '../plan/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { learnt, weighables, weighingOf, weighingTrouble } from './index.ts';

const bag = (): BagDocument => {
  const document = testDocument({
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'm1', rounds: 3, columns: 2, rows: 2 },
  });
  return {
    ...document,
    yarns: document.yarns.map((yarn) => ({ ...yarn, ball: { grams: 50, metres: 100 } })),
    motifs: document.motifs.map((motif) => ({
      ...motif,
      colourways: [{ id: 'a', name: 'A', rounds: ['y1', 'y2', 'y1'] }],
    })),
  };
};

test('a square is weighed with its tails: four of them are all that the bag has of it', () => {
  const document = bag();
  const { effort } = planOf(document).tally;
  const [square] = weighables(document, effort).filter(({ many }) => many === 4);
  if (!square) throw new Error('There is no square.');
  const four = weighingOf(square, 4, { of: 'thing', grams: 10 }, 'w');
  expect(four.what).toMatch(/^4 × /);
  // Three lengths of yarn, two tails of 15 cm each.
  expect(four.tails.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(4 * 6 * 150, 6);
  const inBag = effort.parts.filter(({ part }) => part === 'motifs' || part === 'tails');
  const mm = inBag.reduce((sum, { yarn }) => sum + yarn, 0);
  // Expected are the grams of exactly that: 2 m a gram.
  const { told } = learnt({ ...document, weighings: [four] });
  expect(told[0]?.expected).toBeCloseTo(mm / 2000, 6);
});

test('weighed as expected, of whatever the bag has, nothing moves; and what has been learnt is in it', () => {
  fc.assert(
    fc.property(documents, fc.integer({ min: 1, max: 5 }), (any, many) => {
      const document = {
        ...any,
        yarns: any.yarns.map((yarn) => ({ ...yarn, ball: { grams: 50, metres: 100 } })),
        weighings: [],
      };
      const answer = planned(document);
      fc.pre(answer.ok);
      const all = weighables(document, answer.plan.tally.effort);
      for (const [i, thing] of all.slice(0, 3).entries()) {
        const trial = weighingOf(thing, many, { of: 'thing', grams: 1 }, `w${i}`);
        const expected = learnt({ ...document, weighings: [trial] }).told[0]?.expected ?? Number.NaN;
        if (expected < 0.1) continue;
        const meant = { ...trial, weighed: { of: 'thing' as const, grams: expected } };
        expect(weighingTrouble(document, meant)).toBeUndefined();
        for (const factor of learnt({ ...document, weighings: [meant] }).factors.values())
          expect(factor).toBeCloseTo(1, 9);
        // Twice as heavy is heard, and is what is expected the next time, or nearly.
        const heavy = { ...trial, weighed: { of: 'thing' as const, grams: 2 * expected } };
        const again = learnt({ ...document, weighings: [heavy, { ...meant, id: 'again' }] }).told[1];
        expect(again?.expected).toBeGreaterThan(expected);
      }
    }),
    { numRuns: 40 },
  );
});

test('what cannot be meant is told: grams of another thing, and yarn of no known length', () => {
  const document = bag();
  const [square] = weighables(document, planOf(document).tally.effort).filter(({ many }) => many === 4);
  if (!square) throw new Error('There is no square.');
  const heavy = weighingOf(square, 1, { of: 'thing', grams: 900 }, 'w');
  expect(weighingTrouble(document, heavy)).toMatch(/should weigh about \d+\.\d g, not 900\.0 g/);
  const bare = { ...document, yarns: document.yarns.map(({ ball, ...yarn }) => yarn) };
  expect(weighingTrouble(bare, heavy)).toContain('is not known');
});
