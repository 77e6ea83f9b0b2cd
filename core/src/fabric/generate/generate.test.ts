import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { STITCHES, type Terms } from '../../stitches/index.ts';
import { countProgram } from '../count/count-program.ts';
import { writeRow } from '../shorthand/write-row.ts';
import { disc, type Generated, halfDisc, shaped, shells, writeRows } from './rows.ts';
import { spread } from './spread.ts';

const stitches = fc.constantFrom(...STITCHES);
const terms = fc.constantFrom<Terms>('us', 'uk');

/** Reads what was written, on a chain where it needs one, and holds it against what was meant. */
function readBack(made: Generated, written: Terms, what: 'Row' | 'Round') {
  const begun = made.onto === 'ring' ? '' : `ch ${made.first}\nRow 1: ${made.first} sl st\n`;
  const text = begun + writeRows(made, begun ? 2 : 1, written, what);
  const { rows, problems } = countProgram(text, { terms: written, turning: 'does-not-count', usual: 'low' });
  expect(problems).toEqual([]);
  expect(rows.slice(begun ? 1 : 0).map(({ makes }) => makes)).toEqual(made.rows.map(({ makes }) => makes));
  return rows;
}

describe('changes spread over a row', () => {
  const counts = fc.record({ from: fc.integer({ min: 1, max: 200 }), to: fc.integer({ min: 1, max: 400 }) });
  const shifts = fc.constantFrom(0, 0.25, 0.5, 0.75, 1);

  test('24 to 32 by hand: eight groups of two and an increase, or half a group later', () => {
    const row = (shift: number) => writeRow(spread(24, 32, { stitch: 'tall', shift }) ?? [], 'us');
    // 16 plain stitches and 8 increases: gaps of 2, the first of them cut in two halves by the shift.
    expect(row(1)).toBe('(2 dc, inc) x8');
    expect(row(0.5)).toBe('dc, inc, (2 dc, inc) x7, dc');
    expect(row(0)).toBe('(inc, 2 dc) x8');
  });

  test('one decrease stands in the middle; where nothing changes, nothing is written', () => {
    expect(writeRow(spread(11, 10, { stitch: 'low', shift: 0.5 }) ?? [], 'uk')).toBe('4 dc, dec, 5 dc');
    expect(writeRow(spread(11, 11, { stitch: 'low', shift: 0.5 }) ?? [], 'uk')).toBe('11 dc');
  });

  test('make what they say of what there is, in both terms, and cannot do what one row cannot', () => {
    fc.assert(
      fc.property(counts, stitches, shifts, terms, ({ from, to }, stitch, shift, written) => {
        const row = spread(from, to, { stitch, shift });
        expect(row === undefined).toBe(to > 2 * from || 2 * to < from);
        if (row)
          readBack({ onto: 'row', first: from, rows: [{ instructions: row, makes: to }] }, written, 'Row');
      }),
    );
  });

  test('lie so that the gaps between them differ by one stitch at most', () => {
    fc.assert(
      fc.property(counts, shifts, ({ from, to }, shift) => {
        const row = spread(from, to, { stitch: 'low', shift });
        if (!row || Math.abs(to - from) < 2) return;
        const made = { onto: 'row', first: from, rows: [{ instructions: row, makes: to }] } as const;
        const counted = readBack(made, 'us', 'Row').at(-1);
        const at = [...(counted?.increases ?? []), ...(counted?.decreases ?? [])];
        const gaps = at.slice(1).map((place, i) => place - (at[i] ?? 0));
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('made-up rows read back to what was meant', () => {
  test('from one count to another over rows, spread or at the edges', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 120 }),
        fc.integer({ min: 4, max: 160 }),
        fc.integer({ min: 1, max: 40 }),
        stitches,
        fc.constantFrom('spread' as const, 'edges' as const),
        terms,
        (from, to, rows, stitch, where, written) => {
          const made = shaped(from, to, rows, { stitch, where });
          if (!made) {
            // Only what is too steep: more than twice, or less than half, somewhere.
            expect(Math.max(from, to) / Math.min(from, to)).toBeGreaterThan(rows === 1 ? 1.2 : 1.05);
            return;
          }
          expect(made.rows).toHaveLength(rows);
          expect(made.rows.at(-1)?.makes).toBe(to);
          readBack(made, written, 'Row');
        },
      ),
    );
  });

  test('discs and half discs', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 16 }),
        fc.integer({ min: 1, max: 25 }),
        fc.nat(12),
        stitches,
        terms,
        (more, rounds, first, stitch, written) => {
          const rows = readBack(disc(more, rounds, stitch), written, 'Round');
          expect(rows.map(({ makes }) => makes)).toEqual(rows.map((_, k) => more * (k + 1)));
          const half = halfDisc(more + first, more, rounds, stitch);
          if (!half) throw new Error('no half disc');
          const made = readBack(half, written, 'Row').map(({ makes }) => makes);
          expect(made).toEqual(made.map((_, k) => more + first + k * more));
        },
      ),
    );
  });

  test('an increase of a disc stands a quarter of a gap or more beside the last round’s, once there is room', () => {
    const text = writeRows(disc(8, 12, 'tall'), 1, 'us', 'Round');
    const { rows } = countProgram(text, { terms: 'us', turning: 'does-not-count', usual: 'tall' });
    rows.slice(4).forEach((row, i) => {
      const below = rows[i + 3];
      // Where an increase stands, as a share of the round.
      const on = (r: typeof row) => r.increases.map((place) => (place + 1) / r.makes);
      for (const place of on(row))
        for (const other of below ? on(below) : []) expect(Math.abs(place - other)).toBeGreaterThan(0.25 / 8);
    });
  });
});

describe('a row of shells', () => {
  test('on 37 with shells of 5 and gaps of 2, by hand: six, and none left over', () => {
    // A shell takes 2 + 1 + 2, and a low stitch after it: 6. 37 = 6 x 6 + 1.
    const row = shells(37, 5, 2);
    expect(row).toMatchObject({ shells: 6, over: 0, even: [37] });
    expect(writeRow(row?.instructions ?? [], 'us')).toBe('sc, (skip 2, 5 dc in next, skip 2, sc) x6');
    expect(shells(40, 5, 2)).toMatchObject({ shells: 6, over: 3, even: [37, 43] });
    expect(shells(5, 5, 2)).toBeUndefined();
  });

  test('uses all there is, and what comes out even is even', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 2, max: 9 }),
        fc.nat(4),
        (onto, each, gap) => {
          const row = shells(onto, each, gap);
          if (!row) {
            expect(onto).toBeLessThan(2 * gap + 3);
            return;
          }
          const made = onto - row.shells * (2 * gap + 1) + row.shells * each;
          const all = {
            onto: 'row',
            first: onto,
            rows: [{ instructions: row.instructions, makes: made }],
          } as const;
          readBack(all, 'us', 'Row');
          for (const even of row.even) if (even > 2 * gap + 2) expect(shells(even, each, gap)?.over).toBe(0);
        },
      ),
    );
  });
});
