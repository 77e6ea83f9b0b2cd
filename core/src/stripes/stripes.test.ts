import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BagDocument, documentSchema, type Stripes } from '../document/index.ts';
import { countProgram } from '../fabric/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { bandRows, carrying, colourOfRow, colourRuns, strangeLetters, yarnOfLetter } from './index.ts';

const two = (a: number, b: number, carried = true): Stripes => ({
  bands: [
    { yarn: 'y1', rows: a },
    { yarn: 'y2', rows: b },
  ],
  carried,
});
const runsOf = (stripes: Stripes, rows: number) => colourRuns((row) => colourOfRow(stripes, row), rows);

describe('stripes as they come', () => {
  test('34 rows in twos: 9 stripes of the one, 8 of the other, the first at both ends', () => {
    const runs = runsOf(two(2, 2), 34);
    expect(runs.filter(({ yarn }) => yarn === 'y1')).toHaveLength(9);
    expect(runs.filter(({ yarn }) => yarn === 'y2')).toHaveLength(8);
    expect([runs[0], runs.at(-1)]).toEqual([
      { yarn: 'y1', first: 1, last: 2 },
      { yarn: 'y1', first: 33, last: 34 },
    ]);
  });

  const bands = fc.array(
    fc.record({ yarn: fc.constantFrom('y1', 'y2', 'y3'), rows: fc.integer({ min: 1, max: 5 }) }),
    { minLength: 1, maxLength: 5 },
  );

  test('property: every row has one colour, again after all bands, and runs leave none out', () => {
    fc.assert(
      fc.property(bands, fc.integer({ min: 1, max: 40 }), (own, rows) => {
        const stripes = { bands: own, carried: true };
        const runs = runsOf(stripes, rows);
        expect(runs.reduce((sum, { first, last }) => sum + last - first + 1, 0)).toBe(rows);
        for (const { yarn, first, last } of runs)
          for (let row = first; row <= last; row++) {
            expect(colourOfRow(stripes, row)).toBe(yarn);
            expect(colourOfRow(stripes, row + bandRows(stripes))).toBe(yarn);
          }
      }),
    );
  });

  test('property: ends are those of a walk along the rows with every ball in hand', () => {
    fc.assert(
      fc.property(bands, fc.integer({ min: 1, max: 40 }), fc.boolean(), (own, rows, carried) => {
        const runs = runsOf({ bands: own, carried }, rows);
        // The twin: each ball lies at the left or the right of the piece, or has been cut.
        const balls = new Map<string, 'left' | 'right'>();
        let ends = 0;
        let held: string | undefined;
        for (let row = 1; row <= rows; row++) {
          const here = row % 2 === 1 ? 'left' : 'right';
          const yarn = runs.find(({ first, last }) => first <= row && row <= last)?.yarn ?? '';
          if (yarn !== held) {
            // What is laid down is cut unless it is carried.
            if (held !== undefined && !carried) {
              ends++;
              balls.delete(held);
            }
            if (balls.get(yarn) !== here) {
              // A ball at the other side is cut there, and joined on anew here.
              if (balls.has(yarn)) ends++;
              ends++;
            }
          }
          balls.set(yarn, here === 'left' ? 'right' : 'left');
          held = yarn;
        }
        // At the end all that still hang are cut.
        ends += balls.size;
        expect(carrying(runs, carried).ends).toBe(ends);
      }),
    );
  });

  test('two rows of each are carried up where row 1 begins; three of each are not where they are wanted', () => {
    const even = carrying(runsOf(two(2, 2), 12), true);
    expect(even.across).toEqual([]);
    expect(new Set(even.carried.map(({ side }) => side))).toEqual(new Set(['begin']));
    // Two colours, each begun once and ended once.
    expect(even.ends).toBe(4);
    // Row 3 ends at the far side, where row 4 begins in the other colour; row 7 begins at the far side, too.
    const odd = carrying(runsOf(two(3, 3), 12), true);
    expect(odd.carried.map(({ row, side }) => [row, side])).toEqual([]);
    expect(odd.across.map(({ row, beside }) => [row, beside])).toEqual([
      [7, 3],
      [10, 3],
    ]);
    // Two and one: the colour of two rows comes back to where it began, the single row does not.
    const single = carrying(runsOf(two(2, 1), 9), true);
    expect(single.across.length).toBeGreaterThan(0);
  });

  test('rounds are not turned: every colour is where it is wanted', () => {
    expect(carrying(runsOf(two(1, 1), 12), true, true).across).toEqual([]);
    expect(carrying(runsOf(two(1, 1), 12), true, true).ends).toBe(4);
  });
});

/** Front and back panels of so many rows, sewn at both sides and the bottom. */
const panels = (stripes: BagDocument['stripes']): BagDocument => {
  const base = testDocument({
    family: 'wrap-round',
    laid: 'panels',
    bottom: 'seam',
    sides: 'joins',
    body: {
      of: 'worked',
      swatch: 's2',
      stitches: 40,
      rows: 36,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
  });
  return documentSchema.parse({
    ...base,
    stripes,
  });
};

describe('stripes of a bag', () => {
  test('the same on both panels meet in every row', () => {
    const { meetings, panels: own } = planOf(panels({ all: two(2, 2) })).stripes();
    expect(own.map(({ runs }) => runs.length)).toEqual([18, 18]);
    expect(meetings.length).toBeGreaterThan(0);
    for (const { off, rows } of meetings) expect([off, rows]).toEqual([0, 36]);
  });

  test('begun with the other colour they meet nowhere, and would when moved by two rows', () => {
    const plan = planOf(panels({}));
    const [front = '', back = ''] = plan.graph.pieces.map(({ id }) => id);
    const turned: Stripes = { ...two(2, 2), bands: [...two(2, 2).bands].reverse() };
    const { meetings } = planOf(panels({ own: { [front]: two(2, 2), [back]: turned } })).stripes();
    for (const { off, rows, shift, offThen } of meetings) {
      expect(off).toBe(rows);
      expect(Math.abs(shift)).toBe(2);
      expect(offThen).toBe(0);
    }
  });

  test('yarn goes by colour: 18 of 36 rows each, and all of it is what one colour took', () => {
    const [plain, striped] = [panels(undefined), panels({ all: two(2, 2) })].map((doc) => planOf(doc).tally);
    const colours = striped?.effort.panelColours ?? [];
    expect(colours.map(({ stitches }) => stitches)).toEqual([40 * 36, 40 * 36]);
    const sum = colours.reduce((all, { length }) => all + length, 0);
    expect(sum).toBeCloseTo(plain?.effort.panelColours[0]?.length ?? 0, 6);
    // Two panels, two colours in each, begun once and ended once.
    expect([plain?.pieceEnds, striped?.pieceEnds]).toEqual([4, 8]);
  });

  test('one panel can be plain among striped ones', () => {
    const [front = ''] = planOf(panels({})).graph.pieces.map(({ id }) => id);
    const plan = planOf(panels({ all: two(2, 2), own: { [front]: 'plain' } }));
    expect(plan.stripes().panels.map(({ runs }) => runs.length)).toEqual([1, 18]);
    // Half of the rows meet the other colour.
    expect(plan.stripes().meetings.map(({ off }) => off)).toEqual(plan.stripes().meetings.map(() => 18));
  });

  test('a yarn that is not there is refused', () => {
    const base = panels(undefined);
    const stripes = { all: { ...two(2, 2), bands: [{ yarn: 'y9', rows: 2 }] } };
    expect(() => documentSchema.parse({ ...base, stripes })).toThrow('There is no yarn “y9” in this bag.');
  });
});

test('a colour that rows name and the bag has not is told, and taken for the swatch’s', () => {
  const { yarns } = panels(undefined);
  const rows = ['A', 'B', 'K', 'C'].map((letter, i) => `Row ${i + 1} (${letter}): 9 sc`).join('\n');
  const program = countProgram(`ch 9\n${rows}`, { terms: 'us', turning: 'does-not-count', usual: 'low' });
  const three = { yarns: yarns.slice(0, 3) };
  expect(strangeLetters(three, yarns[1]?.id ?? '', program)).toEqual(['K']);
  expect(yarnOfLetter(three, yarns[1]?.id ?? '', 'K')).toBe(yarns[1]?.id);
  // B and C are the others as they come: the swatch's own is left out.
  expect(['A', 'B', 'C'].map((letter) => yarnOfLetter(three, yarns[1]?.id ?? '', letter))).toEqual([
    yarns[1]?.id,
    yarns[0]?.id,
    yarns[2]?.id,
  ]);
});
