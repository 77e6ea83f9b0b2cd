import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { CORNERS, type MotifKind } from '../counts.ts';
import { roundFlatness } from './flatness.ts';
import {
  laidTops,
  type Making,
  madeRounds,
  makingTrouble,
  ownHeight,
  ownRoundStitches,
  READY_MOTIFS,
  readsAs,
  roundsAmong,
  roundsRange,
} from './index.ts';
import { lastTops, ownRoundTops, ownSide, roundsUpTo } from './making.ts';
import { countOf, type MotifRound, type RoundInto } from './round.ts';
import { workRounds } from './work-rounds.ts';

const both = (stitch: MotifRound['stitch'], into: RoundInto): MotifRound => ({ stitch, hold: 'both', into });
const each: RoundInto = { of: 'each', many: 1, spread: 0, corner: { each: 2, chains: 2 } };
const square = both('tall', { of: 'ring', groups: 4, each: 3, chains: 2 });
const of = (kind: MotifKind) => ({ kind, cornerChains: 2, gapChains: 0 });
const disc = both('tall', { of: 'ring', groups: 1, each: 12, chains: 0 });

describe('a motif of one’s own', () => {
  test('goes on with its last round where the bag asks for more', () => {
    // 3 a side, then 2 more at either end in each round: 3, 7, 11, 15.
    const making: Making = { of: 'rounds', rounds: [square, both('tall', each)] };
    expect([1, 2, 3, 4].map((rounds) => ownSide(making, rounds, 'solid').stitches)).toEqual([3, 7, 11, 15]);
  });

  test('does not turn its corners a second time when it goes on', () => {
    const turning = both('tall', {
      of: 'each',
      many: 1,
      spread: 0,
      corner: { each: 3, chains: 2 },
      turnedInto: 4,
    });
    // 12 a round make four sides of 3: 3 + 2 + 3; then 8 + 2 times 3.
    const making: Making = { of: 'rounds', rounds: [disc, turning] };
    expect([2, 3].map((rounds) => ownSide(making, rounds, 'solid').stitches)).toEqual([8, 14]);
    expect(roundsUpTo(making.rounds, 3)[2]?.into).not.toMatchObject({ turnedInto: 4 });
  });

  test('that is round yet, where a square is meant, is told, and divided among its sides', () => {
    const making: Making = { of: 'rounds', rounds: [disc, both('tall', each)] };
    expect(makingTrouble(making, 2, 'solid')?.problem).toBe('It has no corners yet; its shape has 4.');
    expect(ownSide(making, 2, 'solid')).toEqual({ stitches: 3, loops: 3 });
    expect(makingTrouble(making, 2, 'disc')).toBeUndefined();
    const four = both('tall', { ...each, turnedInto: 4 });
    expect(makingTrouble({ of: 'rounds', rounds: [disc, four] }, 2, 'hexagon')?.problem).toBe(
      'It has 4 corners; its shape has 6.',
    );
  });

  test('is as high as its stitches: a low round is less than half of a tall one', () => {
    // Heights by the pitch are 2 for tall, 0.95 for low, 2.7 for high ones; petals add nothing.
    const rounds = [
      disc,
      both('tall', { of: 'petals', petal: ['high'], in: 'stitches', over: 2 }),
      both('low', each),
      both('high', each),
    ];
    expect(ownHeight({ of: 'rounds', rounds }, 4, 'solid', 'tall')).toBeCloseTo(1 + 0.475 + 1.35, 9);
  });

  test('has a ring that opens for a first round of many low stitches', () => {
    const ring = (stitch: MotifRound['stitch'], many: number): Making => ({
      of: 'rounds',
      rounds: [both(stitch, { of: 'ring', groups: 1, each: many, chains: 0 })],
    });
    // 16 side by side lie 16 / (2 pi) = 2.546 pitches out; a closed ring's half stitch and a low row are 0.5 + 0.95.
    // In tall rounds of two pitches: 2.046 / 2.
    expect(ownHeight(ring('low', 16), 1, 'solid', 'tall')).toBeCloseTo(1.023, 3);
    // Twelve tall ones lie 1.91 out, and stand 2.5 high without it.
    expect(ownHeight(ring('tall', 12), 1, 'solid', 'tall')).toBe(1);
  });

  test('has for its yarn every stitch and every chain of a round', () => {
    const making: Making = { of: 'rounds', rounds: [square, both('low', each)] };
    // Round 1: four times three and two chains. Round 2: a low one in each, and (2, 2 chains, 2) in each corner.
    expect([...ownRoundTops(making, 1, 'solid')]).toEqual([
      ['tall', 12],
      ['chain', 8],
    ]);
    expect([...ownRoundTops(making, 2, 'solid')]).toEqual([
      ['low', 28],
      ['chain', 8],
    ]);
    expect(ownRoundStitches(of('solid'), making, 2)).toBe(28);
  });

  test('whose making is not known has as many stitches as its face holds', () => {
    // 20 loops a side: 20 stitches by 10 rows of stitches twice as high as wide. A disc of 60 round about has a radius of
    // 9.55 stitches, and 286.5 square stitches of area: half as many.
    expect(ownRoundStitches(of('solid'), { of: 'given', loops: 20 }, 1)).toBe(200);
    expect(ownRoundStitches(of('disc'), { of: 'given', loops: 60 }, 1)).toBe(143);
    expect(ownRoundStitches(of('solid'), { of: 'given', loops: 20 }, 2)).toBe(0);
  });

  test('that doubles round after round is told before it is thousands of stitches', () => {
    const twice: RoundInto = { of: 'each', many: 3, spread: 0, corner: { each: 2, chains: 2 } };
    const rounds = [disc, ...Array.from({ length: 29 }, () => both('tall', twice))];
    const { problem, rounds: done } = workRounds(rounds, 0);
    // 12, 36, 108, 324, 972; 2916 are too many.
    expect(done).toHaveLength(5);
    expect(problem).toMatchObject({ round: 6, problem: 'A round has at most 2000 stitches.' });
  });
});

describe('how many rounds it can have', () => {
  const rose = READY_MOTIFS.find(({ id }) => id === 'pond-rose');
  const making: Making = { of: 'rounds', rounds: rose?.rounds ?? [] };

  test('from the first with all its corners on; any of the kinds; one of what nobody knows', () => {
    // The rose is turned into a square in its fifth round.
    expect(roundsRange({ making, kind: 'solid' }).from).toBe(5);
    expect(roundsRange({ kind: 'solid' }).from).toBe(1);
    expect(roundsRange({ making: { of: 'given', loops: 20 }, kind: 'solid' })).toEqual({ from: 1, to: 1 });
  });

  test('among those looked through: both, or the nearest where none is in both', () => {
    fc.assert(
      fc.property(fc.nat(40), fc.nat(10), fc.nat(40), fc.nat(10), (a, wide, b, long) => {
        const [asked, has] = [
          { from: a, to: a + wide },
          { from: b, to: b + long },
        ];
        const { from, to } = roundsAmong(asked, has);
        const shared = Array.from({ length: 60 }, (_, k) => k).filter(
          (k) => k >= asked.from && k <= asked.to && k >= has.from && k <= has.to,
        );
        if (shared.length > 0) expect([from, to]).toEqual([shared[0], shared.at(-1)]);
        else expect([from, to]).toEqual(asked.to < has.from ? [has.from, has.from] : [has.to, has.to]);
      }),
    );
  });
});

describe('how the round part lies', () => {
  test('twelve tall stitches more in each round lie flat, eight cup, twenty ruffle', () => {
    // Tall rows are two pitches high: each round is longer by 2 pi times two, 12.57 stitches.
    const by = (more: number) => {
      const growing = both('tall', { of: 'each', many: 1, spread: more, corner: { each: 1, chains: 1 } });
      return roundFlatness(workRounds([disc, growing, growing, growing], 0).rounds, 'tall', 2).map(
        ({ lies }) => lies,
      );
    };
    expect(by(12)).toEqual(['flat', 'flat', 'flat', 'flat']);
    // 12, 20, 28, 36 where 12.6, 25.1, 37.7, 50.3 lie flat.
    expect(by(8)).toEqual(['flat', 'cups', 'cups', 'cups']);
    // 12, 24 (no more than as many again go in), 44, 64.
    expect(workRounds([disc, both('tall', { ...each, spread: 20 })], 0).problem?.problem).toMatch(
      /20 more do not go/,
    );
  });

  test('a ring opens for a first round of many, and a round that adds nothing then cups', () => {
    const ring = both('low', { of: 'ring', groups: 1, each: 16, chains: 0 });
    const [first, second] = roundFlatness(workRounds([ring, both('tall', each)], 0).rounds, 'tall', 2);
    expect(first).toMatchObject({ lies: 'flat', flat: 16 });
    // 16 where 16 + 12.57 would.
    expect(second).toMatchObject({ lies: 'cups', flat: 29 });
  });
});

describe('laid out', () => {
  const laid = (rounds: readonly MotifRound[], kind: MotifKind) =>
    laidTops(madeRounds(rounds, rounds.length, kind), kind, 'tall');

  test.each(READY_MOTIFS)(
    '$name has every stitch once, inside its outline, standing outwards',
    ({ rounds, kind }) => {
      const shape = CORNERS[kind];
      const tops = laid(rounds, kind);
      const { rounds: worked } = madeRounds(rounds, rounds.length, kind);
      expect(tops).toHaveLength(worked.reduce((sum, own) => sum + countOf(own.tops), 0));
      // A square of size 1 reaches half a size to its sides, a hexagon to its corners half by cos 30 degrees.
      const reach = shape === 6 ? 0.5 / Math.cos(Math.PI / 6) : 0.5;
      for (const { head, foot, kind: sign } of tops) {
        expect(Math.max(Math.abs(head.x), Math.abs(head.y))).toBeLessThan(reach);
        if (sign !== 'chain') expect(Math.hypot(head.x, head.y)).toBeGreaterThan(Math.hypot(foot.x, foot.y));
      }
    },
  );

  test('is the same turned as it is said to read the same', () => {
    fc.assert(
      fc.property(fc.constantFrom(...READY_MOTIFS), fc.nat(5), ({ rounds, kind }, by) => {
        const { turns = 1 } = readsAs(madeRounds(rounds, rounds.length, kind).rounds, 'tall');
        const angle = (2 * Math.PI * by) / turns;
        const heads = laid(rounds, kind).map(({ head }) => head);
        const near = (x: number, y: number) => heads.some((p) => Math.hypot(p.x - x, p.y - y) < 1e-6);
        for (const { x, y } of heads)
          expect(
            near(x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)),
          ).toBe(true);
      }),
      { numRuns: 12 },
    );
  });

  test('corners lie over corners: the middle of a corner’s chains is on the diagonal', () => {
    const corner = laid([square, both('tall', each)], 'solid').filter(
      ({ kind, round }) => kind === 'chain' && round === 2,
    );
    // Two chains a corner, one to either side of it: together they are on the diagonal.
    expect(corner).toHaveLength(8);
    const [a, b] = [corner[0]?.head, corner[1]?.head];
    expect(Math.abs((a?.x ?? 0) + (b?.x ?? 0))).toBeCloseTo(Math.abs((a?.y ?? 0) + (b?.y ?? 0)), 6);
  });

  test('petals lie over the rounds that are worked behind them, and no other round does', () => {
    const rose = READY_MOTIFS.find(({ id }) => id === 'pond-rose');
    const over = new Set(laid(rose?.rounds ?? [], 'solid').flatMap((top) => (top.over ? [top.round] : [])));
    expect([...over]).toEqual([2, 4]);
  });

  test('what is left when a round cannot be worked is what came before it', () => {
    const broken = [disc, both('tall', { of: 'gaps', each: 3, chains: 0, corner: { each: 2, chains: 2 } })];
    expect(countOf(lastTops(madeRounds(broken, 2, 'solid')))).toBe(12);
    expect(laid(broken, 'solid')).toHaveLength(12);
  });
});
