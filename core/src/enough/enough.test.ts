import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BagDocument } from '../document/index.ts';
import { inOrder, operationsOf } from '../finish/index.ts';
import { must } from '../geometry/index.ts';
import { type Plan, planned, planOf } from '../plan/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import type { YarnNeed } from '../yarn/index.ts';
import {
  type Basket,
  enoughOf,
  orderCure,
  placedLots,
  reachText,
  runsOut,
  runsOutText,
  SHOWS,
  type SpendingStep,
  shownUses,
  spendingOf,
  yarnCures,
} from './index.ts';

/** Metres of one yarn, in lots. */
const basket = (yarn: string, ...metres: number[]): Basket => ({
  yarn,
  lots: metres.map((m, i) => ({ lot: `l${i}`, dyeLot: `${i}`, grams: m / 2, length: m * 1000 })),
  length: metres.reduce((sum, m) => sum + m * 1000, 0),
  unknown: 0,
});
const need = (length: number, high: number): YarnNeed => ({
  yarn: 'y1',
  length: length * 1000,
  low: 0,
  high: high * 1000,
  parts: [],
  uses: [],
});
const yarns = testDocument().yarns.map((yarn) => ({ ...yarn, ball: { grams: 50, metres: 100 } }));

describe('enough', () => {
  test.each([
    // 100 m by the estimate, 120 at most; balls of 100 m.
    [120, 'enough', 0, 'enough, about 20 m left over'],
    [119, 'likely', 1, 'likely: it may be 1 m short'],
    [100, 'likely', 1, 'likely: it may be 20 m short'],
    [99, 'short', 1, 'short by about 1 m'],
    [19, 'short', 2, 'short by about 81 m'],
  ])('%s m there are %s, %s balls to buy', (metres, is, buy, says) => {
    const [one] = enoughOf({ yarns }, [need(100, 120)], [basket('y1', metres)]);
    expect([one?.is, one?.buy, one && reachText(one, 'cm')]).toEqual([is, buy, says]);
    expect(one?.leftThen).toBeCloseTo((metres - 100 + 100 * buy) * 1000, 6);
  });

  test('what nobody knows the length of, or is not set aside, is not called short', () => {
    const [none] = enoughOf({ yarns }, [need(100, 120)], []);
    expect([none?.is, none?.buy]).toEqual(['unsaid', 2]);
    const unknown = {
      yarn: 'y1',
      lots: [{ lot: 'a', dyeLot: '', grams: 40, length: undefined }],
      length: 0,
      unknown: 40,
    };
    const [one] = enoughOf({ yarns }, [need(100, 120)], [unknown]);
    expect(one && reachText(one, 'cm')).toContain('say what a ball holds');
    const bare = testDocument().yarns;
    expect(enoughOf({ yarns: bare }, [need(100, 120)], [basket('y1', 10)])[0]?.buy).toBeUndefined();
  });
});

describe('when it runs out', () => {
  const step = (what: string, many: number, takes: number, taken: number): SpendingStep => ({
    operation: 'Work',
    what,
    many,
    takes: new Map([['y1', takes * 1000]]),
    taken: new Map([['y1', taken * 1000]]),
  });
  const steps = [step('Swatch', 1, 10, 10), step('Square', 12, 60, 70), step('Edge round 1', 1, 20, 90)];

  test('by hand: 10 m swatch, 12 squares of 5 m, an edge of 20 m', () => {
    // 43 m: 33 are left for squares; six take 30, the seventh cannot be finished.
    const out = runsOut(steps, basket('y1', 43));
    expect(out).toEqual({ yarn: 'y1', step: 1, what: 'Square', at: 7, many: 12, short: 47_000 });
    expect(out && runsOutText('Reed', out, 'cm')).toBe('Reed ends in the 7th of 12: Square, 47 m short.');
    expect(runsOut(steps, basket('y1', 79))).toMatchObject({ what: 'Edge round 1', at: 1, short: 11_000 });
    expect(runsOut(steps, basket('y1', 90))).toBeUndefined();
    // Just enough for the squares: none of them is left unfinished.
    expect(runsOut(steps, basket('y1', 70))).toMatchObject({ what: 'Edge round 1' });
    expect(runsOut(steps, basket('y1', 0))).toMatchObject({ what: 'Swatch' });
  });

  test('step by step all that is used comes to all that is needed, in an order that can be kept', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const answer = planned(document);
        fc.pre(answer.ok);
        const { plan } = answer;
        const all = spendingOf(plan);
        for (const { yarn, length } of plan.tally.effort.needs) {
          expect(all.at(-1)?.taken.get(yarn)).toBeCloseTo(length, 3);
          expect(all.reduce((sum, { takes }) => sum + (takes.get(yarn) ?? 0), 0)).toBeCloseTo(length, 3);
        }
        const order = inOrder(operationsOf(plan));
        const places = all.map(({ operation }) => order.findIndex(({ title }) => title === operation));
        expect(places).toEqual([...places].sort((a, b) => a - b));
        // Every step but those after the last operation has one of its own.
        const ids = new Set<string>(order.map(({ id }) => id));
        for (const { step: one } of plan.tally.effort.uses) expect(ids).toContain(one.operation);
      }),
      { numRuns: 40 },
    );
  });
});

/** A bag of four squares with an edge of y2. */
const edged = (fields: Partial<BagDocument> = {}): BagDocument => {
  const document = testDocument({
    family: 'wrap-round',
    laid: 'folded',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 3, rows: 3 },
  });
  return {
    ...document,
    yarns,
    swatches: document.swatches.map((swatch) => (swatch.id === 's2' ? { ...swatch, yarn: 'y2' } : swatch)),
    features: { edge: { swatch: 's2', rounds: 5, growth: 0 } },
    ...fields,
  };
};
const lengthOfYarn = (plan: Plan, yarn: string) =>
  plan.tally.effort.needs.find((one) => one.yarn === yarn)?.length ?? Number.NaN;

describe('dye lots', () => {
  const plan = planOf(edged());
  const all = lengthOfYarn(plan, 'y1');

  test('one that suffices is used alone, be it the smaller of two that do', () => {
    const metres = all / 1000;
    const places = placedLots(plan, basket('y1', 3 * metres, 2 * metres), 1.5 * all);
    expect(places.map(({ lot }) => lot.dyeLot)).toEqual(['1', '0']);
    expect(places[1]?.places).toEqual([]);
  });

  test('a single lot has no place to be told', () => {
    expect(placedLots(plan, basket('y1', 100), all)).toEqual([]);
  });

  test('all is placed as far as it reaches, and nothing of a smaller lot shows more than what a larger one is in', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 200 }), { minLength: 2, maxLength: 4 }), (metres) => {
        const places = placedLots(plan, basket('y1', ...metres), Number.POSITIVE_INFINITY);
        const used = places.flatMap((one) => one.places).reduce((sum, { length }) => sum + length, 0);
        const there = metres.reduce((sum, m) => sum + m * 1000, 0);
        expect(used).toBeCloseTo(Math.min(all, there), 2);
        const rank = ({ shows }: { readonly shows: (typeof SHOWS)[number] }) => SHOWS.indexOf(shows);
        places.slice(1).forEach(({ places: own }, i) => {
          const larger = Math.min(...(places[i]?.places ?? []).map(rank));
          for (const one of own) expect(rank(one)).toBeLessThanOrEqual(larger);
        });
      }),
    );
  });

  test('of two lots as little shows of the other one as in any other way', () => {
    // Every use cut into pieces of a tenth of the whole, in every choice of those that the second lot takes.
    const uses = shownUses(plan, 'y1');
    const tenth = all / 10;
    fc.assert(
      fc.property(fc.integer({ min: 6, max: 9 }), (of) => {
        const [first, second] = [(of * all) / 10, ((10 - of) * all) / 10].map((mm) => mm / 1000);
        const places = placedLots(plan, basket('y1', first ?? 0, second ?? 0), Number.POSITIVE_INFINITY);
        const seen = (
          own: ReadonlyArray<{ readonly shows: (typeof SHOWS)[number]; readonly length: number }>,
        ) => own.reduce((sum, { shows, length }) => sum + SHOWS.indexOf(shows) * length, 0);
        const chosen = seen(places[1]?.places ?? []);
        for (let k = 0; k < 30; k++) {
          // Another way: the uses in another order, the second lot filled with the first of them.
          const other = [...uses].sort(
            (a, b) => ((a.length * (k + 3)) % tenth) - ((b.length * (k + 3)) % tenth),
          );
          let left = (second ?? 0) * 1000;
          const own = other.flatMap((use) => {
            const length = Math.min(left, use.length);
            left -= length;
            return length > 0 ? [{ ...use, length }] : [];
          });
          expect(chosen).toBeLessThanOrEqual(seen(own) + 0.01);
        }
      }),
    );
  });
});

describe('cures', () => {
  const document = edged();
  const plan = planOf(document);
  const [one, two] = [lengthOfYarn(plan, 'y1') / 1000, lengthOfYarn(plan, 'y2') / 1000];
  const short = [basket('y1', one * 3), basket('y2', two - 3)];
  const cures = yarnCures(plan, short, 'y2');

  test('an edge three metres short: told what helps, the smallest change first', () => {
    expect(cures.map(({ says }) => says)).toEqual(
      expect.arrayContaining(['One edge round fewer', 'Unravel the swatches, and work them up']),
    );
    expect(cures[0]?.says).toBe('Unravel the swatches, and work them up');
    expect(cures[0]?.after.is).not.toBe('short');
  });

  test('each holds on the real plan, and makes no other yarn short', () => {
    for (const { document: cured, after } of cures) {
      const again = planOf(cured);
      const all = enoughOf(cured, again.tally.effort.needs, short);
      const found = all.find(({ yarn }) => yarn === 'y2');
      if (found) expect(found.left).toBeCloseTo(after.left, 6);
      expect(all.filter(({ yarn, is }) => is === 'short' && yarn !== 'y2')).toEqual([]);
      expect(after.left).toBeGreaterThan((short[1]?.length ?? 0) - lengthOfYarn(plan, 'y2'));
    }
  });

  test('those that suffice stand before those that only help', () => {
    const far = yarnCures(plan, [basket('y1', one * 3), basket('y2', two * 0.6)], 'y2');
    const still = far.map(({ after }) => after.is === 'short');
    expect(still).toEqual([...still].sort((a, b) => Number(a) - Number(b)));
    expect(still).toContain(true);
    expect(still).toContain(false);
  });

  test('a round fewer in every motif says what it does to the bag', () => {
    const squares = yarnCures(plan, [basket('y1', one * 0.7), basket('y2', two * 2)], 'y1');
    const fewer = squares.find(({ says }) => says === 'One round fewer in every motif');
    expect(fewer?.moves.map(({ measure, by }) => [measure, by < -5])).toEqual(
      expect.arrayContaining([
        ['width', true],
        ['height', true],
      ]),
    );
  });

  test('another colour in some rounds: colours of rounds not worked, and motifs not laid, stay as they are', () => {
    const own = edged();
    const [way] = must(own.motifs[0], 'motif').colourways;
    const motifs = own.motifs.map((motif) => ({
      ...motif,
      colourways: [{ ...must(way, 'colourway'), rounds: ['y2', 'y1', 'y2', 'y2', 'y1', 'y2'] }],
    }));
    const spare = { ...must(motifs[0], 'motif'), id: 'spare', name: 'Spare' };
    const planOfBoth = planOf({ ...own, motifs: [...motifs, spare], features: undefined });
    const need = lengthOfYarn(planOfBoth, 'y2') / 1000;
    const found = yarnCures(planOfBoth, [basket('y1', 9999), basket('y2', need * 0.9)], 'y2');
    const rounds = (says: RegExp) =>
      found
        .find((one) => says.test(one.says))
        ?.document.motifs.filter(({ id }) => id === 'm1' || id === 'spare')
        .map(({ colourways }) => colourways[0]?.rounds);
    // Four rounds are worked: the last is the fourth; the fifth and sixth are for a larger square.
    const kept = ['y2', 'y1', 'y2', 'y2', 'y1', 'y2'];
    expect(rounds(/in the last rounds only/)).toEqual([['y1', 'y1', 'y1', 'y2', 'y1', 'y2'], kept]);
    expect(rounds(/in the inner rounds only/)).toEqual([['y2', 'y1', 'y2', 'y1', 'y1', 'y2'], kept]);
  });

  test('no yarn to stand in: nothing is proposed in a colour that is short itself', () => {
    const both = yarnCures(plan, [basket('y1', one - 1), basket('y2', two - 3)], 'y2');
    expect(both.some(({ says }) => /^(Join|The edge) in/.test(says))).toBe(false);
  });

  test('worked where it shows first, it is missing inside', () => {
    const [, enough] = enoughOf(document, plan.tally.effort.needs, short);
    const order = enough && orderCure(plan, enough);
    expect(order?.missing[0]?.shows).toBe('inside');
    expect(order?.missing.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(3000, 3);
  });
});
