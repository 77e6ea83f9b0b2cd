import { addDays, getISODay } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BagDocument } from '../document/index.ts';
import { enoughOf } from '../enough/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { bagCost, endsOf, finishDate, finishDates, inCurrency } from './index.ts';

/** Friday, 27 November 2026, in the afternoon. */
const FRIDAY = new Date(2026, 10, 27, 15, 30);
const day = (date: Date) => `${date.getFullYear()}-${date.getMonth() + 1}-${date.getDate()}`;

describe('the day it is done', () => {
  test.each([
    // An hour a day on Mondays and Fridays: the first hour is today.
    [60, 60, [1, 5], '2026-11-27'],
    [61, 60, [1, 5], '2026-11-30'],
    [180, 60, [1, 5], '2026-12-4'],
    // Ten sessions of half an hour on Sundays: 29 November, and nine weeks on.
    [300, 30, [7], '2027-1-31'],
    [0, 30, [7], '2026-11-29'],
    [14 * 45, 45, [1, 2, 3, 4, 5, 6, 7], '2026-12-10'],
  ])('%s minutes at %s a day on %s: %s', (minutes, aDay, days, done) => {
    expect(day(finishDate(minutes, { minutes: aDay, days }, FRIDAY))).toBe(done);
  });

  test('is the one that a walk through the calendar comes to', () => {
    const paces = fc.record({
      minutes: fc.integer({ min: 5, max: 300 }),
      days: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20_000 }),
        paces,
        fc.integer({ min: 0, max: 400 }),
        (minutes, pace, later) => {
          const from = addDays(FRIDAY, later);
          let [left, at] = [minutes, from];
          for (;;) {
            if (pace.days.includes(getISODay(at))) left -= pace.minutes;
            if (left <= 0) break;
            at = addDays(at, 1);
          }
          expect(day(finishDate(minutes, pace, from))).toBe(day(at));
        },
      ),
    );
  });

  test('early, likely and late come one after the other', () => {
    const { early, likely, late } = finishDates(1000, { minutes: 20, days: [2, 4] }, FRIDAY);
    expect([early, likely, late].map(Number)).toEqual(
      [early, likely, late].map(Number).sort((a, b) => a - b),
    );
    expect(late.getTime()).toBeGreaterThan(early.getTime());
  });
});

describe('what it costs', () => {
  const document: BagDocument = {
    ...testDocument(),
    yarns: testDocument().yarns.map((yarn, i) => ({
      ...yarn,
      ball: { grams: 50, metres: 100, ...(i === 0 && { price: 399 }) },
    })),
    money: { currency: 'EUR', things: [{ name: 'Zip', cost: 250 }], rate: 1200 },
  };
  const need = (yarn: string, metres: number) => ({
    yarn,
    length: metres * 1000,
    low: 0,
    high: metres * 1200,
    parts: [],
    uses: [],
  });
  const [first = '', second = ''] = document.yarns.map(({ id }) => id);
  const all = enoughOf(document, [need(first, 130), need(second, 50)], []);

  test('by hand: 130 m of 100 m balls at 3.99, a zip at 2.50, 90 minutes at 12 an hour', () => {
    const cost = bagCost(document, all, 90);
    // 1.3 x 399 = 518.7 coins; 156 m at most take two balls.
    expect(cost).toMatchObject({
      used: 519,
      buy: 798,
      things: 250,
      material: 769,
      work: 1800,
      price: 2569,
      unpriced: [second],
    });
  });

  test('a ball costs what its lot cost where the bag does not say; sums are whole', () => {
    const cost = bagCost(document, all, 100, new Map([[second, 333]]));
    expect(cost.unpriced).toEqual([]);
    // Half a ball.
    expect(cost.used).toBe(519 + 167);
    expect(cost.yarns.reduce((sum, { used }) => sum + used, 0)).toBe(cost.used);
    for (const amount of [cost.used, cost.buy, cost.material, cost.work ?? 0, cost.price ?? 0])
      expect(Number.isInteger(amount)).toBe(true);
  });

  test('in another currency the figures stay as they were typed, in its own coins', () => {
    const yen = inCurrency(document, 'JPY');
    expect(yen.money).toEqual({ currency: 'JPY', things: [{ name: 'Zip', cost: 3 }], rate: 12 });
    expect(yen.yarns[0]?.ball?.price).toBe(4);
    const dinar = inCurrency(document, 'KWD');
    expect(dinar.money?.rate).toBe(12_000);
    expect(inCurrency(dinar, 'EUR')).toEqual(document);
  });

  test('without a rate there is no price', () => {
    const { work, price } = bagCost({ ...document, money: { currency: 'EUR' } }, all, 90);
    expect([work, price]).toEqual([undefined, undefined]);
  });
});

describe('work and ends', () => {
  test('minutes of all kinds are those of the bag', () => {
    const { work, minutes } = planOf({
      ...testDocument(),
      features: { edge: { swatch: 's2', rounds: 2, growth: 0 } },
    }).tally.effort;
    expect(work.map(({ kind }) => kind)).toEqual(['swatches', 'pieces', 'joins', 'edge', 'ends']);
    expect(work.reduce((sum, one) => sum + one.minutes, 0)).toBeCloseTo(minutes, 9);
  });

  test('four squares of two colours: sixteen ends of pieces, four if worked over', () => {
    const base = testDocument({
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 2, columns: 2, rows: 2 },
    });
    const motifs = base.motifs.map((motif) => ({
      ...motif,
      colourways: [{ id: 'a', name: 'A', rounds: ['y1', 'y2'] }],
    }));
    const plan = planOf({ ...base, motifs });
    const { now, workedOver, asYouGo } = endsOf(plan);
    expect(now).toBe(16 + plan.tally.joinEnds);
    expect(workedOver).toBe(4 + plan.tally.joinEnds);
    expect(asYouGo ?? 0).toBeLessThanOrEqual(now);
  });
});
