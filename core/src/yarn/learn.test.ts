import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BagDocument, Weighing } from '../document/index.ts';
import { withHook, withoutSwatch } from '../document/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { type Belief, learnt, observe } from './learn.ts';
import { pitchOf } from './thread.ts';

/** A bag whose yarns are 2 m a gram, so that a gram is 2000 mm. */
function bag(weighings: readonly Weighing[] = []): BagDocument {
  const document = testDocument();
  const yarns = document.yarns.map((yarn) => ({ ...yarn, ball: { grams: 50, metres: 100 } }));
  return { ...document, yarns, weighings: [...weighings] };
}
const pitch = (id: string) => {
  const document = bag();
  const swatch = document.swatches.find((one) => one.id === id);
  return swatch ? pitchOf(document, swatch) : Number.NaN;
};
/** A piece of one swatch that takes so many metres by what is usual, and what it weighed. */
const piece = (swatch: string, metres: number, grams: number, id = `w-${swatch}`): Weighing => ({
  id,
  what: 'A piece',
  worked: [{ swatch, yarn: 'y1', pitches: (metres * 1000) / pitch(swatch) }],
  tails: [],
  weighed: { of: 'thing', grams },
});
const factor = (document: BagDocument, swatch: string) => learnt(document).factors.get(swatch) ?? Number.NaN;
/** One standard error of a swatch's factor. */
const sd = (document: BagDocument, swatch: string) =>
  Math.sqrt(learnt(document).together.get(swatch)?.get(swatch) ?? Number.NaN);

describe('what a weighing says', () => {
  test('nothing weighed: what is usual, off by 15 % at most two times in three', () => {
    expect(factor(bag(), 's2')).toBe(1);
    expect(sd(bag(), 's2')).toBeCloseTo(0.15, 3);
  });

  test('one piece by hand: 100 m are 50 g; it weighs 60', () => {
    const document = bag([piece('s2', 100, 60)]);
    // In grams the prior is 50 give or take 50 x hypot(0.13, 0.075); the scale says 60 give or take hypot(0.03 x 50, 0.3).
    const [prior, scale] = [(50 * 0.13) ** 2 + (50 * 0.075) ** 2, 1.5 ** 2 + 0.3 ** 2];
    expect(factor(document, 's2')).toBeCloseTo(1 + (0.2 * prior) / (prior + scale), 9);
    // Of the 10 g the hand has its share in all other fabrics, too: 0.13 of the prior's two parts.
    const hand = (0.2 * (50 * 0.13) ** 2) / (prior + scale);
    expect(factor(document, 's1')).toBeCloseTo(1 + hand, 9);
    expect(sd(document, 's2')).toBeCloseTo(Math.sqrt((prior * scale) / (prior + scale)) / 50, 9);
    expect(sd(document, 's1')).toBeLessThan(sd(bag(), 's1'));
  });

  test('its tails are not its stitches: 10 m of them are 5 g of what it weighs', () => {
    const without = piece('s2', 100, 60);
    const withTails = {
      ...without,
      tails: [{ yarn: 'y1', length: 10_000 }],
      weighed: { of: 'thing', grams: 65 },
    } as const;
    expect(factor(bag([{ ...withTails, tails: [...withTails.tails] }]), 's2')).toBeCloseTo(
      factor(bag([without]), 's2'),
      9,
    );
  });

  test('a ball before and after tells of its own yarn alone', () => {
    const both: Weighing = {
      ...piece('s2', 100, 1),
      worked: [
        { swatch: 's2', yarn: 'y1', pitches: 100_000 / pitch('s2') },
        { swatch: 's2', yarn: 'y2', pitches: 300_000 / pitch('s2') },
      ],
      weighed: { of: 'ball', yarn: 'y1', before: 100, after: 40 },
    };
    expect(factor(bag([both]), 's2')).toBeCloseTo(factor(bag([piece('s2', 100, 60)]), 's2'), 9);
  });

  test('what was weighed with another hook says of this one only what it says of the hand', () => {
    const document = bag([piece('s2', 100, 60)]);
    const other = withHook(document, 's2', 6);
    expect(factor(other, 's2') - 1).toBeGreaterThan(0.05);
    expect(factor(other, 's2')).toBeLessThan(factor(document, 's2'));
    expect(factor(withHook(other, 's2', 4), 's2')).toBeCloseTo(factor(document, 's2'), 12);
  });

  test('a swatch that is taken out takes along what was weighed of it', () => {
    const document = withoutSwatch(bag([piece('s3', 100, 60), piece('s1', 100, 60)]), 's3');
    expect(document.weighings?.map(({ id }) => id)).toEqual(['w-s1']);
    expect(document.swatches.some(({ id }) => id === 's3')).toBe(false);
    expect(withoutSwatch(testDocument(), 's3').weighings).toBeUndefined();
  });

  test('without metres a gram it says nothing, and that is said', () => {
    const document = testDocument();
    const { mute, told } = learnt({ ...document, weighings: [piece('s2', 100, 60)] });
    expect(told).toEqual([]);
    expect(mute[0]?.because).toContain('is not known');
  });

  test('tells what it expected, and what the range was before and after', () => {
    const { told } = learnt(bag([piece('s2', 100, 60, 'a'), piece('s2', 100, 60, 'b')]));
    expect(told.map(({ expected }) => Math.round(expected * 10) / 10)).toEqual([50, 59.6]);
    const [first, second] = told;
    expect(first?.before).toBeCloseTo(1.645 * 0.15, 3);
    expect(second?.before).toBeCloseTo(first?.after ?? 0, 12);
    expect(second?.after).toBeLessThan(second?.before ?? 0);
  });

  test('a weighing that cannot be leaves rates that can', () => {
    expect(factor(bag([piece('s2', 100, 5000)]), 's2')).toBe(3);
    expect(factor(bag([piece('s2', 10_000, 0.1)]), 's2')).toBeCloseTo(1 / 3, 9);
  });
});

/** Solves `a x = b` by elimination. */
function solved(a: readonly (readonly number[])[], b: readonly number[]): number[] {
  const rows = a.map((row, i) => [...row, b[i] ?? 0]);
  rows.forEach((row, i) => {
    const lead = row[i] ?? 1;
    rows.forEach((other, j) => {
      if (j === i) return;
      const times = (other[i] ?? 0) / lead;
      other.forEach((value, k) => {
        other[k] = value - times * (row[k] ?? 0);
      });
    });
  });
  return rows.map((row, i) => (row.at(-1) ?? 0) / (row[i] ?? 1));
}

describe('one row at a time', () => {
  const size = 4;
  const observations = fc.array(
    fc.record({
      row: fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: size, maxLength: size }),
      y: fc.double({ min: -50, max: 50, noNaN: true }),
      noise: fc.double({ min: 0.3, max: 5, noNaN: true }),
    }),
    { minLength: 1, maxLength: 12 },
  );
  const sds = [0.13, 0.075, 0.075, 0.075];
  const prior: Belief = {
    mean: sds.map(() => 0),
    covariance: sds.map((one, i) => sds.map((_, j) => (i === j ? one * one : 0))),
  };

  test('comes to the least squares of all rows at once, with the prior as ridge', () => {
    fc.assert(
      fc.property(observations, (all) => {
        const { mean } = all.reduce<Belief>(
          (belief, { row, y, noise }) => observe(belief, row, y, noise),
          prior,
        );
        // (X' W X + 1/prior) b = X' W y.
        const normal = sds.map((one, i) =>
          sds.map(
            (_, j) =>
              (i === j ? 1 / one ** 2 : 0) +
              all.reduce((sum, { row, noise }) => sum + ((row[i] ?? 0) * (row[j] ?? 0)) / noise ** 2, 0),
          ),
        );
        const right = sds.map((_, i) =>
          all.reduce((sum, { row, y, noise }) => sum + ((row[i] ?? 0) * y) / noise ** 2, 0),
        );
        solved(normal, right).forEach((value, i) => {
          expect(mean[i]).toBeCloseTo(value, 5);
        });
      }),
    );
  });

  test('in whatever order', () => {
    fc.assert(
      fc.property(observations, (all) => {
        const sum = (list: typeof all) =>
          list.reduce<Belief>((belief, { row, y, noise }) => observe(belief, row, y, noise), prior).mean;
        const back = sum([...all].reverse());
        sum(all).forEach((value, i) => {
          expect(back[i]).toBeCloseTo(value, 6);
        });
      }),
    );
  });
});

describe('a hand that is known', () => {
  /** A number from 0 to 1 that looks random, the same for the same seed. */
  const uniform = (seed: number) => {
    const x = Math.sin(seed * 12.9898) * 43_758.5453;
    return x - Math.floor(x);
  };
  const normal = (seed: number) =>
    Math.sqrt(-2 * Math.log(uniform(seed) + 1e-12)) * Math.cos(2 * Math.PI * uniform(seed + 0.5));

  test('is found again from noisy weighings, fabric by fabric', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.75, max: 1.3, noNaN: true }),
        fc.double({ min: 0.9, max: 1.1, noNaN: true }),
        fc.integer({ min: 1, max: 10_000 }),
        (hand, tight, seed) => {
          const weighings = ['s1', 's2'].flatMap((swatch, s) =>
            Array.from({ length: 12 }, (_, i) => {
              const true_ = 50 * hand * (s === 1 ? tight : 1);
              const grams = true_ * (1 + 0.03 * normal(seed + 31 * i + 977 * s));
              return piece(swatch, 100, Math.max(0.1, grams), `w${s}-${i}`);
            }),
          );
          const document = bag(weighings);
          for (const [swatch, known] of [
            ['s1', hand],
            ['s2', hand * tight],
          ] as const) {
            // Twelve weighings of 3 % each leave less than 1 %; four of those are never reached.
            expect(Math.abs(factor(document, swatch) - known)).toBeLessThan(0.045);
            expect(sd(document, swatch)).toBeLessThan(0.011);
          }
        },
      ),
    );
  });

  test('what is needed follows it, and its range draws in with every piece weighed', () => {
    const widths = [0, 1, 3, 6].map((many) => {
      const document = bag(Array.from({ length: many }, (_, i) => piece('s1', 100, 60, `w${i}`)));
      const need = planOf(document).tally.effort.needs.find(
        ({ yarn }) => yarn === document.swatches[0]?.yarn,
      );
      return ((need?.high ?? 0) - (need?.low ?? 0)) / (need?.length ?? 1);
    });
    expect([...widths].sort((a, b) => b - a)).toEqual(widths);
    const usual = planOf(bag()).tally.effort.parts.find(({ part }) => part === 'motifs');
    const learned = planOf(bag([piece('s1', 100, 60)])).tally.effort.parts.find(
      ({ part }) => part === 'motifs',
    );
    expect((learned?.yarn ?? 0) / (usual?.yarn ?? 1)).toBeCloseTo(
      factor(bag([piece('s1', 100, 60)]), 's1'),
      9,
    );
  });
});
