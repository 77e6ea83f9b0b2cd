import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { STITCHES, type Terms } from '../../stitches/index.ts';
import { countProgram } from '../count/count-program.ts';
import { countRow } from '../count/count-row.ts';
import { countedRow } from '../count/counted-rows.ts';
import { chained, type Tops } from '../count/tops.ts';
import { inTerms } from './in-terms.ts';
import { BUNCHES, type Instruction, type Work } from './instruction.ts';
import { readRow } from './row-parser.ts';
import { wordsOf } from './tokens.ts';
import { writeRow } from './write-row.ts';

const span = { from: 0, to: 0 };
const count = fc.integer({ min: 1, max: 30 });

const work: fc.Arbitrary<Work> = fc
  .record({
    stitch: fc.option(fc.constantFrom(...STITCHES, 'slip' as const, ...BUNCHES), { nil: undefined, freq: 6 }),
    hold: fc.constantFrom(
      'both' as const,
      'back' as const,
      'front' as const,
      'front-post' as const,
      'back-post' as const,
    ),
    shape: fc.constantFrom([1, 1], [1, 2], [1, 5], [2, 1], [3, 1]),
    into: fc.constantFrom(
      'stitch' as const,
      'stitch' as const,
      'space' as const,
      'same' as const,
      'gap' as const,
    ),
    many: count,
  })
  .map(({ stitch, hold, shape: [takes = 1, makes = 1], into, many }): Work => {
    const named = stitch !== undefined;
    const plain = into !== 'stitch';
    return {
      do: 'work',
      // Without a name there is only more in one, or several together.
      stitch: named || plain ? (stitch ?? 'low') : undefined,
      hold: named || plain ? hold : 'both',
      takes: plain ? (into === 'space' ? 1 : 0) : named ? takes : 2,
      makes: plain && into !== 'space' ? 1 : named || plain ? (takes > 1 && !plain ? 1 : makes) : 1,
      into,
      many,
      span,
    };
  });

const simple: fc.Arbitrary<Instruction> = fc.oneof(
  count.map((many): Instruction => ({ do: 'chain', many, span })),
  count.map((many): Instruction => ({ do: 'skip', many, span })),
);

const parts = (depth: number): fc.Arbitrary<Instruction[]> =>
  fc.array(
    depth > 0
      ? fc.oneof({ weight: 3, arbitrary: work }, simple, repeat(depth - 1), group)
      : fc.oneof(work, simple),
    {
      minLength: 1,
      maxLength: 5,
    },
  );
const repeat = (depth: number): fc.Arbitrary<Instruction> =>
  fc.record({
    do: fc.constant('repeat' as const),
    parts: parts(depth),
    times: fc.oneof(
      fc.integer({ min: 2, max: 9 }).map((many) => ({ of: 'times' as const, many })),
      fc.nat(9).map((before) => ({ of: 'end' as const, before })),
    ),
    span: fc.constant(span),
  });
const group: fc.Arbitrary<Instruction> = fc.record({
  do: fc.constant('group' as const),
  parts: fc.array(
    fc.oneof(
      fc.constantFrom(...STITCHES).map(
        (stitch): Work => ({
          do: 'work',
          stitch,
          hold: 'both',
          takes: 1,
          makes: 1,
          into: 'stitch',
          many: 1,
          span,
        }),
      ),
      count.map((many) => ({ do: 'chain' as const, many, span })),
    ),
    { minLength: 1, maxLength: 4 },
  ),
  into: fc.constantFrom('stitch' as const, 'space' as const, 'same' as const, 'gap' as const),
  many: fc.constant(1),
  span: fc.constant(span),
});
const rows = parts(2);
const bothTerms = fc.constantFrom<Terms>('us', 'uk');

/** A row of stitches with chains of three between them. */
function below(many: number): Tops {
  const kind = Array.from({ length: many }, (_, i) => (i % 5 < 2 ? ('low' as const) : ('chain' as const)));
  const run = kind.map((one, i) => (one === 'chain' ? Math.min(many, i - (i % 5) + 5) : i + 1));
  return { ...chained(many), kind, run };
}

describe('what is written', () => {
  test('is read as what it says: the same counts, the same stitches on the same places', () => {
    fc.assert(
      fc.property(rows, bothTerms, fc.integer({ min: 1, max: 300 }), (row, terms, onto) => {
        const text = writeRow(row, terms);
        const read = readRow(text, terms);
        expect(read.problems).toEqual([]);
        const on = {
          below: below(onto),
          onChain: false,
          belowName: 'row 1',
          turnedWith: 0,
          turning: 'does-not-count' as const,
          usual: 'low' as const,
          written: undefined,
        };
        const [meant, got] = [countRow(row, on), countRow(read.instructions, on)];
        const figures = ({ uses, makes, left, tops, increases, decreases }: typeof meant) => ({
          uses,
          makes,
          left,
          tops,
          increases,
          decreases,
        });
        expect(figures(got)).toEqual(figures(meant));
        // And written once more, it is the same text.
        expect(writeRow(read.instructions, terms)).toBe(text);
      }),
      { numRuns: 300 },
    );
  });

  test('is the same in capitals, with other commas, and full stops', () => {
    fc.assert(
      fc.property(rows, (row) => {
        const text = writeRow(row, 'us');
        const bare = (given: string) =>
          JSON.stringify(readRow(given, 'us').instructions, (key, value) =>
            key === 'span' ? undefined : value,
          );
        for (const other of [
          text.toUpperCase(),
          text.replaceAll(', ', ' ,  '),
          `${text}.`,
          text.replaceAll(', ', '; '),
        ])
          expect(bare(other)).toBe(bare(text));
      }),
    );
  });
});

test('a row that was counted before is counted as if it never had been, on whatever it stands', () => {
  const on = (onto: number, gaps: boolean, turnedWith: number) => ({
    below: gaps ? below(onto) : chained(onto),
    onChain: false,
    belowName: 'row 1',
    turnedWith,
    turning: 'counts' as const,
    usual: 'low' as const,
    written: undefined,
  });
  const places = fc.array(fc.tuple(fc.integer({ min: 1, max: 40 }), fc.boolean(), fc.nat(3)), {
    minLength: 2,
    maxLength: 12,
  });
  fc.assert(
    fc.property(rows, places, (row, stood) => {
      for (const place of [...stood, ...stood])
        expect(countedRow(row, on(...place))).toEqual(countRow(row, on(...place)));
    }),
  );
});

describe('any text', () => {
  const soup = fc
    .array(
      fc.constantFrom(
        ...'( ) [ ] { } * , ; . : 0 1 2 3 99 999999999 1st 2nd sc dc htr sl st inc dec tog ch sp in next each of same to end last across around repeat from rep x times skip leave the rest start join with turn ring hook as row rows Row 5: Round 2: ch-1 sp # - = ('.split(
          ' ',
        ),
        '\n',
      ),
      { maxLength: 60 },
    )
    .map((words) => words.join(' '));
  const texts = fc.oneof(soup, fc.string({ unit: 'binary', maxLength: 200 }), fc.string({ maxLength: 200 }));

  test('has a count, whatever it says; problems stand within it', () => {
    fc.assert(
      fc.property(texts, bothTerms, (text, terms) => {
        const lines = text.split(/\r\n|\r|\n/);
        const { rows: all, problems } = countProgram(text, { terms, turning: 'counts', usual: 'tall' });
        for (const { makes, uses, tops } of all) {
          expect(makes).toBe(tops.kind.length);
          expect(uses).toBeGreaterThanOrEqual(0);
          expect(tops.to.every((to, i) => to >= (tops.from[i] ?? 0))).toBe(true);
        }
        for (const { line, span: at, message } of problems) {
          expect(at.to).toBeGreaterThanOrEqual(at.from);
          expect(at.to).toBeLessThanOrEqual(lines[line]?.length ?? 0);
          expect(message).toMatch(/[.?]$/);
        }
      }),
      { numRuns: 1500 },
    );
  });

  test('is not taken for a row where nothing in it is known', () => {
    const letters = fc.string({ unit: fc.constantFrom(...'qzwkjy'), minLength: 3, maxLength: 12 });
    fc.assert(
      fc.property(fc.array(letters, { minLength: 1, maxLength: 6 }), (words) => {
        const { rows: all, problems } = countProgram(`ch 9\nRow 1: 9 sc\nRow 2: ${words.join(' ')}`, {
          terms: 'us',
          turning: 'counts',
          usual: 'low',
        });
        expect(problems.length).toBeGreaterThan(0);
        expect(all.at(-1)?.makes).toBe(all.length === 1 ? 9 : 0);
      }),
    );
  });

  test('leaves no letter out: what stands between words is blank', () => {
    fc.assert(
      fc.property(texts, (text) => {
        let rest = text;
        for (const { startOffset, image } of wordsOf(text))
          rest =
            rest.slice(0, startOffset) + ' '.repeat(image.length) + rest.slice(startOffset + image.length);
        // Words that make no difference, and markers, are no words of a row.
        expect(rest.replace(/\b(?:the|an?|of|only|made|[psr]m|markers?)\b/gi, '').trim()).toBe('');
      }),
    );
  });
});

test('a band along an edge is put into the other words with its rows', () => {
  const us = 'ch 9\nRow 1: hdc across\nBand: hdc evenly along the edge of rows 1-1, 1 in each st';
  const uk = inTerms({ rows: us, terms: 'us' }, 'uk').rows;
  expect(uk.split('\n').at(-1)).toBe('Band: htr evenly along the edge of rows 1-1, 1 in each st');
  expect(inTerms({ rows: uk, terms: 'uk' }, 'us').rows).toBe(us);
});
