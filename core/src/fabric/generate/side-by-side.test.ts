import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Terms } from '../../stitches/index.ts';
import { countProgram } from '../count/count-program.ts';
import { bordersOf, sectionsOfRows } from '../count/sections.ts';
import { type Fabric, fabricFrom } from '../repeat/fabric.ts';
import { READY_FABRICS } from '../repeat/ready.ts';
import { type Block, sideBySide } from './side-by-side.ts';

const RULES = { turning: 'does-not-count', usual: 'low' } as const;
const fabricOf = (rows: string): Fabric => {
  const reading = fabricFrom({ rows, terms: 'us' }, RULES);
  if (reading.is === 'nothing') throw new Error(reading.why.message);
  return reading.fabric;
};
const ready = (id: string) => fabricOf(READY_FABRICS.find((one) => one.id === id)?.rows ?? '');

const lines = (blocks: readonly Block[], rows: number, terms: Terms = 'us') => {
  const written = sideBySide(blocks, rows, terms);
  if (!written.ok) throw new Error(written.problem);
  return written.text.split('\n');
};

describe('fabrics side by side', () => {
  test('by hand: bobble rows over 9, then ribs over 4, the turned row from the other end', () => {
    const blocks: Block[] = [
      { name: 'Bobbles', stitches: 9, in: ready('bobbles') },
      { name: 'Ribs', stitches: 4, in: ready('ribs') },
    ];
    expect(lines(blocks, 2)).toEqual([
      'ch 13',
      'Row 1: 9 sc, 4 sc (13)',
      // Row 2 meets the ribs first. Of 9 the bobble row takes 2 and 3 at its ends: 4 are left, one repeat.
      'Row 2: 4 blo sc, 2 sc, (bobble, 3 sc) x1, bobble, 2 sc (13)'.replace(
        '(bobble, 3 sc) x1',
        '(bobble, 3 sc)',
      ),
    ]);
  });

  test('every ready fabric that can, beside low stitches, in both terms: it comes out, with as many of each kind', () => {
    const can = READY_FABRICS.filter(({ id }) => id !== 'lattice' && id !== 'linen');
    const choice = fc.record({
      id: fc.constantFrom(...can.map(({ id }) => id)),
      repeats: fc.integer({ min: 1, max: 5 }),
      beside: fc.integer({ min: 1, max: 20 }),
      rows: fc.integer({ min: 1, max: 12 }),
      terms: fc.constantFrom<Terms>('us', 'uk'),
    });
    fc.assert(
      fc.property(choice, ({ id, repeats, beside, rows, terms }) => {
        const fabric = ready(id);
        const stitches = fabric.counts[0] + (repeats - 1) * fabric.multiple.multiple;
        const text = lines(
          [
            { name: 'Plain', stitches: beside, in: 'low' },
            { name: 'Fabric', stitches, in: fabric },
          ],
          rows,
          terms,
        ).join('\n');
        const { problems, rows: counted } = countProgram(text, { ...RULES, terms });
        expect(problems).toEqual([]);
        expect(counted.map(({ makes }) => makes)).toEqual(
          Array.from({ length: rows }, () => beside + stitches),
        );
        // The plain block lies at one side all the way up: first in odd rows, last in turned ones.
        for (const { tops, number } of counted) {
          const plain = number % 2 === 1 ? tops.kind.slice(0, beside) : tops.kind.slice(-beside);
          expect(new Set(plain)).toEqual(new Set(['low']));
        }
      }),
    );
  });

  test('what cannot stand beside another block is told', () => {
    const beside: Block = { name: 'Plain', stitches: 5, in: 'low' };
    const problem = (name: string, stitches: number, worked: Fabric) => {
      const written = sideBySide([beside, { name, stitches, in: worked }], 3, 'us');
      return written.ok ? written.text : written.problem;
    };
    expect(problem('Bobbles', 10, ready('bobbles'))).toMatch(
      /^10 stitches of Bobbles do not come out: .* multiple of 4 and 1 more/,
    );
    expect(problem('Lattice', 9, ready('lattice'))).toMatch(/work under chains/);
    const standing = fabricOf('Row 1: ch 3 (counts as a st), dc across');
    expect(problem('Standing', 9, standing)).toMatch(/begin with a chain that is a stitch/);
  });
});

describe('sections followed from row to row', () => {
  const within = (text: string, sections: readonly number[]) => {
    const { rows } = countProgram(text, { ...RULES, terms: 'us' });
    return sectionsOfRows(rows, rows[0]?.uses ?? 0, sections);
  };

  test('by hand: 3 + 2 + 3; an increase belongs to the section it stands on, a turned row meets the last first', () => {
    const rows = within('ch 8\nRow 1: 3 sc, inc, sc, 3 sc\nRow 2: sc across', [3, 2, 3]);
    expect(rows).toEqual([
      [0, 0, 0, 1, 1, 1, 2, 2, 2],
      [2, 2, 2, 1, 1, 1, 0, 0, 0],
    ]);
    expect(rows.map(bordersOf)).toEqual([
      [3, 6],
      [3, 6],
    ]);
  });

  test('rounds are not turned; what is over belongs to the last; a chain to where it stands', () => {
    expect(within('ch 4\nRound 1: 4 sc\nRound 2: 2 sc, ch 1, 2 sc', [2, 1])).toEqual([
      [0, 0, 1, 1],
      [0, 0, 1, 1, 1],
    ]);
  });

  test('a short row that starts 2 in stands on the sections that are there', () => {
    expect(within('ch 6\nRow 1: 6 sc\nRow 2: start in 3rd st, 3 sc, leave 1', [3, 3])).toEqual([
      [0, 0, 0, 1, 1, 1],
      // From the other end: places 5 4 are passed over, 3 belongs to the second section, 2 and 1 to the first.
      [1, 0, 0],
    ]);
  });
});
