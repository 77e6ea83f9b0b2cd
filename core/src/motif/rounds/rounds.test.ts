import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { countProgram } from '../../fabric/index.ts';
import { BUNCHES } from '../../fabric/shorthand/instruction.ts';
import { STITCHES } from '../../stitches/index.ts';
import { CORNERS, MOTIF_KINDS, type MotifDefinition, sideLoops, sideStitches } from '../counts.ts';
import {
  type MotifRound,
  motifWords,
  presetRounds,
  READY_MOTIFS,
  readsAs,
  sidesOf,
  workRounds,
} from './index.ts';
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
/** Rounds in words: most can be worked on hardly any round, the others say that they go to its end. */
const written = fc.oneof(
  fc.constantFrom(
    'sc across',
    '2 dc in each st',
    '(sc, ch 2, skip 1) to end',
    '(hdc, 2 dc in next) to end',
    '(skip 1, (2 dc, ch 1, 2 dc) in next sp) to end',
    '(dc2tog) to end',
    '(bobble, ch 1) to end',
    'ch 3 (counts as a st), dc to end',
  ),
  fc
    .array(
      fc.constantFrom('sc', '2 dc in next', 'ch 2', 'skip 1', 'sc in next sp', '(dc, ch 2, dc) in next st'),
      {
        minLength: 1,
        maxLength: 4,
      },
    )
    .map((parts) => `(${parts.join(', ')}) to end`),
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
  fc.record({ of: fc.constant('written' as const), words: written, terms: fc.constant('us' as const) }),
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

test('a corner made in one chain of several is worked into that chain, not under all of them', () => {
  // Two chains over each of two places: four chains, each a corner.
  const { worked, read } = readBack(
    [
      both('low', { of: 'ring', groups: 1, each: 2, chains: 0 }),
      both('low', { of: 'written', words: '(skip 1, ch 2) to end', terms: 'us' }),
      both('low', { of: 'each', many: 1, spread: 0, corner: { each: 3, chains: 0 }, turnedInto: 4 }),
    ],
    4,
    'us',
  );
  expect(worked[2]?.corners).toBe(4);
  expect(read.problems).toEqual([]);
  expect(read.rows[2]?.makes).toBe(12);
});

describe('a round in words of one’s own', () => {
  const words = (text: string, terms: 'us' | 'uk' = 'us') =>
    both('tall', { of: 'written', words: text, terms });
  const square = both('tall', { of: 'ring', groups: 4, each: 3, chains: 2 });

  test('makes what its words make, in the terms they are written in', () => {
    const { rounds } = workRounds([words('12 dc in ring'), words('(dc, ch 2, skip 1) x6', 'uk')], 0);
    expect(rounds.map(({ tops }) => tops)).toEqual([
      { unit: [{ of: 'stitch', stitch: 'tall', corner: false }], times: 12 },
      // What is dc in the UK is sc in the US: a low stitch.
      {
        unit: [
          { of: 'stitch', stitch: 'low', corner: false },
          { of: 'space', chains: 2, corner: false },
        ],
        times: 6,
      },
    ]);
  });

  test('has its corners where those below are worked into', () => {
    // 3 a side, 2 chains in a corner. One in each stitch and (dc, ch 1, dc) in each corner: 1 + 3 + 1 a side.
    const { rounds } = workRounds([square, words('(3 dc, (dc, ch 1, dc) in next sp) x4')], 4);
    expect(rounds[1]?.corners).toBe(4);
    expect(sidesOf(rounds[1]?.tops ?? { unit: [], times: 0 })).toEqual(
      Array.from({ length: 4 }, () => ({ stitches: 5, loops: 5 })),
    );
    // Three in a corner: its middle one. Chains over a corner: those.
    for (const [text, stitches] of [
      ['(3 dc, 3 dc in next sp) x4', 5],
      ['(3 dc, ch 5, skip 2) x4', 3],
    ] as const) {
      const made = workRounds([square, words(text)], 4).rounds[1];
      expect(made?.corners).toBe(4);
      expect(sidesOf(made?.tops ?? { unit: [], times: 0 })[0]?.stitches).toBe(stitches);
    }
  });

  test.each([
    ['', 'Say what is worked'],
    ['   ', 'Say what is worked'],
    ['dc in each st, turn', 'A round is not turned'],
    ['change to B, dc across', 'colour of a round is set beside it'],
    ['as round 1', 'no round is worked again by its number'],
    ['21 dc', 'needs'],
    ['5 dc', 'left'],
    ['zigzag', ''],
    ['20 dc (21)', 'It makes 20, not 21'],
    ['3 dc in ring', 'Only the first round'],
  ])('“%s” is told, not worked', (text, why) => {
    const { problem } = workRounds([square, words(text)], 4);
    expect(problem?.round).toBe(2);
    expect(problem?.problem).toContain(why);
  });

  test('the first is worked into a ring; rows of half a motif are not written so', () => {
    expect(workRounds([words('12 dc')], 0).problem?.problem).toMatch(/into a ring/);
    const half = both('tall', { of: 'ring', groups: 1, each: 8, chains: 0, open: true });
    expect(workRounds([half, words('dc across')], 0).problem?.problem).toMatch(/to and fro/);
  });
});

describe('how a motif reads', () => {
  const reads = (rounds: readonly MotifRound[], shape: number) =>
    readsAs(workRounds(rounds, shape).rounds, 'tall');
  const ready = (id: string) => {
    const found = READY_MOTIFS.find((one) => one.id === id);
    return reads(found?.rounds ?? [], CORNERS[found?.kind ?? 'solid']);
  };

  test('a heart has a top and reads the same mirrored; arms that turn have none and do not', () => {
    expect(ready('tall-heart')).toEqual({ turns: 1, mirrors: true });
    expect(ready('mill-race')).toEqual({ turns: 6, mirrors: false });
    expect(ready('pond-rose')).toEqual({ turns: 4, mirrors: true });
  });

  test('of the kinds as often as they have sides, a disc however it lies', () => {
    const kind = (own: MotifDefinition['kind']) =>
      reads(presetRounds({ kind: own, cornerChains: 2, gapChains: 1 }, 4, 'tall'), CORNERS[own]);
    expect(kind('cluster')).toEqual({ turns: 4, mirrors: true });
    expect(kind('hexagon')).toEqual({ turns: 6, mirrors: true });
    expect(kind('rectangle')).toEqual({ turns: 2, mirrors: true });
    expect(kind('triangle')).toEqual({ turns: 1, mirrors: true });
    expect(kind('disc')).toEqual({ turns: undefined, mirrors: true });
  });

  test('mirrored twice it reads as it did: a round and its mirror image read alike', () => {
    const parts = fc.array(fc.constantFrom('sc in ring', '2 dc in ring', 'ch 2', 'tr in ring'), {
      minLength: 1,
      maxLength: 7,
    });
    fc.assert(
      fc.property(parts, (own) => {
        const round = (list: readonly string[]): MotifRound[] => [
          both('tall', { of: 'written', words: ['sc in ring', ...list].join(', '), terms: 'us' }),
        ];
        expect(reads(round(own), 0)).toEqual(reads(round([...own].reverse()), 0));
      }),
    );
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
