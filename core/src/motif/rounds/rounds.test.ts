import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { countProgram } from '../../fabric/index.ts';
import { BUNCHES } from '../../fabric/shorthand/instruction.ts';
import { STITCHES } from '../../stitches/index.ts';
import { CORNERS, MOTIF_KINDS, type MotifDefinition, sideLoops, sideStitches } from '../counts.ts';
import { type MotifRound, motifWords, presetRounds, READY_MOTIFS, sidesOf, workRounds } from './index.ts';
import { countOf, type RoundInto, type Top, wholeRound } from './round.ts';

const both = (stitch: MotifRound['stitch'], into: RoundInto): MotifRound => ({ stitch, hold: 'both', into });

/** What a run of tops is, one place after another: what stands there, or a chain. */
const kinds = (tops: readonly Top[]): string[] =>
  tops.flatMap((top) =>
    top.of === 'stitch' ? [top.stitch] : Array.from({ length: top.chains }, () => 'chain'),
  );

/** The words of a motif, read and counted as any written piece is. */
const readBack = (rounds: readonly MotifRound[], shape: number, terms: 'us' | 'uk') => {
  const { rounds: worked } = workRounds(rounds, shape);
  const text = motifWords(worked, terms);
  return {
    worked,
    text,
    read: countProgram(text, { terms, turning: 'standing', usual: 'low', layered: true }),
  };
};

const definitions: fc.Arbitrary<MotifDefinition> = fc.record({
  kind: fc.constantFrom(...MOTIF_KINDS),
  cornerChains: fc.integer({ min: 1, max: 3 }),
  gapChains: fc.integer({ min: 0, max: 1 }),
  increases: fc.integer({ min: 3, max: 24 }),
  long: fc.integer({ min: 1, max: 30 }),
});

const stitches = fc.constantFrom(...STITCHES, ...BUNCHES);
const corner = fc.record({ each: fc.integer({ min: 1, max: 4 }), chains: fc.integer({ min: 0, max: 3 }) });
const turnedInto = fc.constantFrom(undefined, undefined, 3, 4, 6);
const begun: fc.Arbitrary<RoundInto> = fc.oneof(
  fc.record({
    of: fc.constant('ring' as const),
    groups: fc.integer({ min: 1, max: 12 }),
    each: fc.integer({ min: 1, max: 6 }),
    chains: fc.integer({ min: 0, max: 3 }),
  }),
  fc.record({
    of: fc.constant('ring' as const),
    groups: fc.integer({ min: 1, max: 4 }),
    each: fc.integer({ min: 1, max: 6 }),
    chains: fc.integer({ min: 1, max: 3 }),
    open: fc.constant(true as const),
  }),
  fc.record({
    of: fc.constant('chain' as const),
    each: fc.integer({ min: 1, max: 5 }),
    long: fc.integer({ min: 1, max: 9 }),
    chains: fc.integer({ min: 1, max: 3 }),
  }),
);
const goneOn: fc.Arbitrary<RoundInto> = fc.oneof(
  fc.record({
    of: fc.constant('gaps' as const),
    each: fc.integer({ min: 1, max: 5 }),
    chains: fc.integer({ min: 0, max: 3 }),
    corner,
    turnedInto,
  }),
  fc.record({
    of: fc.constant('each' as const),
    many: fc.integer({ min: 1, max: 3 }),
    spread: fc.integer({ min: 0, max: 12 }),
    ends: fc.integer({ min: 0, max: 2 }),
    corner,
    turnedInto,
  }),
  fc.record({
    of: fc.constant('arches' as const),
    chains: fc.integer({ min: 1, max: 5 }),
    over: fc.integer({ min: 1, max: 4 }),
  }),
  fc.record({
    of: fc.constant('petals' as const),
    petal: fc.array(stitches, { minLength: 2, maxLength: 6 }),
    in: fc.constantFrom('spaces' as const, 'stitches' as const),
    over: fc.integer({ min: 1, max: 4 }),
  }),
);
const roundOf = (into: fc.Arbitrary<RoundInto>): fc.Arbitrary<MotifRound> =>
  fc.record({
    stitch: stitches,
    hold: fc.constantFrom('both' as const, 'front' as const, 'back' as const),
    into,
  });
/** Those of some rounds that can be worked on those before them. */
function workable(all: readonly MotifRound[], shape: number): MotifRound[] {
  const rounds: MotifRound[] = [];
  for (const next of all) {
    rounds.push(next);
    const { rounds: worked, problem } = workRounds(rounds, shape);
    if (problem || countOf(worked.at(-1)?.tops ?? { unit: [], times: 0 }) > 400) rounds.pop();
  }
  return rounds;
}

/** Any motif. */
const motifs = fc
  .record({
    shape: fc.constantFrom(0, 3, 4, 6),
    first: roundOf(begun),
    more: fc.array(roundOf(goneOn), { maxLength: 6 }),
  })
  .map(({ shape, first, more }) => ({
    shape,
    rounds: workable([first, ...more], shape),
  }));

describe('a motif by its rounds', () => {
  test('of any kind has the sides that its kind counts', () => {
    fc.assert(
      fc.property(definitions, fc.integer({ min: 1, max: 9 }), (motif, many) => {
        const { rounds, problem } = workRounds(presetRounds(motif, many, 'tall'), CORNERS[motif.kind]);
        expect(problem).toBeUndefined();
        const sides = sidesOf(rounds[many - 1]?.tops ?? { unit: [], times: 0 });
        const long = motif.kind === 'rectangle' ? (motif.long ?? 0) : 0;
        const shortest = Math.min(...sides.map((side) => side.stitches));
        expect(shortest).toBe(sideStitches(motif, many));
        for (const side of sides) {
          expect([0, long]).toContain(side.stitches - shortest);
          expect(side.loops - side.stitches).toBe(sideLoops(motif, many) - sideStitches(motif, many));
        }
        expect(sides).toHaveLength(Math.max(1, motif.kind === 'triangle' ? 2 : CORNERS[motif.kind]));
      }),
    );
  });

  test('of any kind is written so that it reads back to the same stitches', () => {
    fc.assert(
      fc.property(
        definitions,
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom('us' as const, 'uk' as const),
        (motif, many, terms) => {
          const { worked, read } = readBack(presetRounds(motif, many, 'tall'), CORNERS[motif.kind], terms);
          expect(read.problems).toEqual([]);
          expect(read.rows.map(({ tops }) => [...tops.kind])).toEqual(
            worked.map(({ tops }) => kinds(wholeRound(tops))),
          );
        },
      ),
    );
  });

  test('however it goes on, is written so that it reads back to the same stitches', () => {
    fc.assert(
      fc.property(motifs, fc.constantFrom('us' as const, 'uk' as const), ({ shape, rounds }, terms) => {
        const { worked, read } = readBack(rounds, shape, terms);
        expect(worked).toHaveLength(rounds.length);
        expect(read.problems).toEqual([]);
        expect(read.rows.map(({ tops }) => [...tops.kind])).toEqual(
          worked.map(({ tops }) => kinds(wholeRound(tops))),
        );
      }),
      { numRuns: 300 },
    );
  });

  test.each(READY_MOTIFS)('$name can be worked, reads back, and has like sides', ({ kind, rounds }) => {
    const { worked, read } = readBack(rounds, CORNERS[kind], 'us');
    expect(worked).toHaveLength(rounds.length);
    expect(read.problems).toEqual([]);
    const sides = sidesOf(worked.at(-1)?.tops ?? { unit: [], times: 0 });
    expect(sides).toHaveLength(CORNERS[kind]);
    expect(new Set(sides.map(({ stitches: many }) => many)).size).toBe(1);
  });

  test('petals lie on their round, and what comes next is worked behind them', () => {
    // 8 low stitches; a petal of three in every second; behind them an arch over every second of the same eight.
    const rounds = [
      both('low', { of: 'ring', groups: 1, each: 8, chains: 0 }),
      {
        stitch: 'tall',
        hold: 'front',
        into: { of: 'petals', petal: ['mid', 'tall', 'mid'], in: 'stitches', over: 2 },
      },
      { stitch: 'low', hold: 'back', into: { of: 'arches', chains: 3, over: 2 } },
    ] as const;
    const { text } = readBack(rounds, 4, 'us');
    expect(text.split('\n')).toEqual([
      'Round 1: 8 sc in ring (8)',
      'Round 2: ((flo hdc, flo dc, flo hdc) in next st, skip 1) x4 (12)',
      // 4 stitches and 4 times 3 chains.
      'Round 3 on round 1: (blo sc, ch 3, skip 1) x4 (16)',
    ]);
  });

  test('a circle becomes a square where its stitches divide by four, else it is told', () => {
    const square = both('tall', {
      of: 'each',
      many: 1,
      spread: 0,
      corner: { each: 3, chains: 2 },
      turnedInto: 4,
    });
    const ring = (each: number) => both('tall', { of: 'ring', groups: 1, each, chains: 0 });
    const { rounds } = workRounds([ring(24), square], 4);
    // Six a side: one becomes the corner with three before and three behind its chains, five stay: 3 + 5 + 3.
    expect(sidesOf(rounds[1]?.tops ?? { unit: [], times: 0 })).toEqual(
      Array.from({ length: 4 }, () => ({ stitches: 11, loops: 13 })),
    );
    expect(workRounds([ring(26), square], 4).problem).toEqual({
      round: 2,
      problem: 'The 26 stitches of the round below do not divide into 4 sides.',
    });
  });

  test('three in each corner: the middle one is the corner, the others belong to the sides', () => {
    // Sides of 3 and corners of two chains; a low stitch in each, three in the corner: 1 + 3 + 1.
    const { rounds } = workRounds(
      [
        both('tall', { of: 'ring', groups: 4, each: 3, chains: 2 }),
        both('low', { of: 'each', many: 1, spread: 0, corner: { each: 3, chains: 0 } }),
      ],
      4,
    );
    expect(sidesOf(rounds[1]?.tops ?? { unit: [], times: 0 })[0]).toEqual({ stitches: 5, loops: 5 });
  });
});

describe('rounds behind others', () => {
  const text = 'Round 1: 8 sc in ring\nRound 2: (3 dc in next, skip 1) x4\nRound 3 on round 1: 8 sc';
  const rules = { terms: 'us', turning: 'standing', usual: 'low' } as const;
  test('are read where a motif is', () => {
    expect(countProgram(text, { ...rules, layered: true }).problems).toEqual([]);
  });
  test('are refused where a panel is: its rows go one on another', () => {
    expect(countProgram(text, rules).problems[0]?.message).toMatch(/go one on another/);
  });
});
