import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { countProgram } from './count-program.ts';
import { compareTwins, twinText } from './twins.ts';

const count = (text: string) => countProgram(text, { terms: 'us', turning: 'does-not-count', usual: 'low' });
const said = (a: string, b: string) => {
  const difference = compareTwins(count(a), count(b));
  return difference && twinText(difference, ['Front', 'Back']);
};

const LEFT = 'ch 20\nRow 1: 20 sc\nRow 2: (4 sc, inc) x4\nRow 3: sc across\nRow 4: sc across';

describe('twins', () => {
  test('the same rows written another way are alike', () => {
    expect(
      said(LEFT, 'ch 20\nRow 1: sc across (20)\nRow 2: (inc, 4 sc) x4\nRows 3-4: 24 sc'),
    ).toBeUndefined();
  });

  test('an increase that was forgotten is told with what can be done at the edge', () => {
    expect(said(LEFT, 'ch 20\nRow 1: 20 sc\nRow 2: (4 sc, inc) x3, 5 sc\nRows 3-4: sc across')).toBe(
      'Row 2 makes 24 in Front and 23 in Back. Front has 4 increases there, Back 3. Their last rows have 24 and 23: work 1 more in the next row of Back, or take one pair of Front together along the edge, one in every 24.',
    );
  });

  test('a slip that was mended later is no matter for the edge', () => {
    expect(
      said(
        LEFT,
        'ch 20\nRow 1: 20 sc\nRow 2: (4 sc, inc) x3, 5 sc\nRow 3: sc to last 1, inc\nRow 4: sc across',
      ),
    ).toBe(
      'Row 2 makes 24 in Front and 23 in Back. Front has 4 increases there, Back 3. From row 3 on they are the same again.',
    );
  });

  test('other stitches, and rows too few', () => {
    expect(said(LEFT, LEFT.replace('Row 3: sc across', 'Row 3: dc across'))).toBe(
      'Row 3 makes 24 in both, but of other stitches: its height is not the same.',
    );
    expect(said(LEFT, 'ch 20\nRow 1: 20 sc\nRow 2: (4 sc, inc) x4')).toBe(
      'Up to row 2 they are alike; Front goes on at row 3, where Back ends.',
    );
  });

  test('property: equal to what a walk over both finds, whichever is named first', () => {
    const rows = fc.array(fc.constantFrom('sc across', 'inc, sc across', 'dc across', 'sc to last 1, inc'), {
      minLength: 1,
      maxLength: 8,
    });
    const text = (own: readonly string[]) =>
      ['ch 12', ...own.map((row, i) => `Row ${i + 1}: ${row}`)].join('\n');
    fc.assert(
      fc.property(rows, rows, (a, b) => {
        const [p, q] = [count(text(a)), count(text(b))];
        const found = compareTwins(p, q);
        const kinds = (program: typeof p, i: number) => program.rows[i]?.tops.kind.toSorted().join();
        const walked = Array.from({ length: Math.max(a.length, b.length) }, (_, i) => i).find(
          (i) => kinds(p, i) !== kinds(q, i),
        );
        expect(found?.row).toBe(walked === undefined ? undefined : walked + 1);
        const other = compareTwins(q, p);
        expect(other?.row).toBe(found?.row);
        expect(other?.makes.toReversed()).toEqual(found?.makes);
      }),
    );
  });
});
