import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fitsMultiple } from '../../panel/index.ts';
import { type Fabric, fabricFrom, fabricPanel, rowOfFabric } from './fabric.ts';
import { meanHeight, meanRowEnds, outstanding, topsOfRows } from './facts.ts';
import { seenRows } from './tile.ts';

const read = (rows: string, terms: 'us' | 'uk' = 'us') =>
  fabricFrom({ rows, terms }, { turning: 'does-not-count', usual: 'low' });

const fabric = (rows: string, terms: 'us' | 'uk' = 'us'): Fabric => {
  const reading = read(rows, terms);
  if (reading.is === 'nothing') throw new Error(reading.why.message);
  return reading.fabric;
};

const why = (rows: string) => {
  const reading = read(rows);
  return reading.is === 'nothing' ? reading.why.message : 'it is a fabric';
};

const BOBBLES = 'Row 1: sc across\nRow 2: 2 sc, (bobble, 3 sc) to last 3, bobble, 2 sc';
const BLOCKS =
  'Row 1: dc across\nRow 2: (3 fpdc, 3 bpdc) to end\nRow 3: (3 fpdc, 3 bpdc) to end\nRow 4: (3 bpdc, 3 fpdc) to end\nRow 5: (3 bpdc, 3 fpdc) to end\nRepeat rows 2-5';
const LATTICE = 'Row 1: (puff, ch 1, skip 1) to end';

describe('what a fabric asks of its count', () => {
  test.each([
    // One stitch again and again comes out over any count.
    ['Row 1: sc blo across', { multiple: 1, extra: 0 }],
    // 2 before, then bobble + 3 some times, then bobble and 2: 5, 9, 13 ...
    [BOBBLES, { multiple: 4, extra: 1 }],
    // Blocks of three and three.
    [BLOCKS, { multiple: 6, extra: 0 }],
    // A puff and the stitch it passes over.
    [LATTICE, { multiple: 2, extra: 0 }],
    ['Row 1: sc, (ch 1, skip 1, sc) to end', { multiple: 2, extra: 1 }],
    // Rows of different steps come out together where all of them do: multiples of 2 and of 3.
    ['Row 1: (sc, bobble) to end\nRow 2: (2 sc, bobble) to end', { multiple: 6, extra: 0 }],
  ])('%s', (rows, multiple) => {
    expect(fabric(rows).multiple).toEqual(multiple);
  });

  test('property: any repeat of so many between ends of so many asks for just that', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.integer({ min: 0, max: 6 }), (repeat, ends) => {
        const end = ends > 0 ? `, ${ends} sc` : '';
        const { multiple } = fabric(
          `Row 1: (bobble, ${repeat - 1} sc) to last ${ends}${end}\nRow 2: sc across`,
        );
        // The ends alone are no repeat: the first count is one repeat and the ends.
        expect(multiple.multiple).toBe(repeat);
        expect(fitsMultiple(repeat + ends, multiple)).toBe(true);
        expect(fitsMultiple(repeat + ends + 1, multiple)).toBe(repeat === 1);
      }),
      { numRuns: 40 },
    );
  });

  test('a chain the maker wrote is an example and binds nothing', () => {
    expect(fabric(`ch 21\n${BOBBLES}`).multiple).toEqual({ multiple: 4, extra: 1 });
    // With chains to turn, the chain is longer than the row.
    const turning = fabric('ch 14\nRow 1: dc in 4th ch from hook, dc across\nRow 2: dc across');
    expect(turning.multiple.multiple).toBe(1);
    expect(fabricPanel(turning, 20, 6).problems).toEqual([]);
    expect(fabricPanel(turning, 20, 6).rows.map(({ makes }) => makes)).toEqual([20, 20, 20, 20, 20, 20]);
  });

  test('UK words are read as UK', () => {
    expect(fabric('Row 1: dc across', 'uk').rules.terms).toBe('uk');
    expect(meanHeight(fabric('Row 1: dc across', 'uk'))).toBe(meanHeight(fabric('Row 1: sc across')));
  });

  test.each([
    ['', 'There are no rows yet. They begin with “Row 1:”.'],
    ['Row 1: sc across\nRepeat rows 2-3', 'It has no rows 2 to 3 to repeat: its last is 1.'],
    [
      'Row 1: sc across\nRow 2: inc, sc across',
      'Its rows do not keep their count: worked again and again they would make a fan. As a panel by its rows they can be used.',
    ],
    ['Row 1: (bobbel, sc) to end', 'Fennot does not know “bobbel”.'],
    [
      'Row 2000: sc across',
      'A fabric has at most 60 rows, and this has a row 2000. So long a piece is a panel by its rows.',
    ],
  ])('“%s” is none: %s', (rows, message) => {
    expect(why(rows)).toBe(message);
  });

  test('any text at all is a fabric or has a reason why not', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const reading = read(text);
        if (reading.is === 'nothing') expect(reading.why.message).not.toBe('');
        else expect(reading.fabric.multiple.multiple).toBeGreaterThan(0);
      }),
      { numRuns: 60 },
    );
  });
});

const some = fc.constantFrom(BOBBLES, BLOCKS, LATTICE, 'Row 1: yo sl st across');
const size = fc.record({ repeats: fc.integer({ min: 2, max: 12 }), rows: fc.integer({ min: 1, max: 30 }) });

describe('a panel of a fabric', () => {
  test('comes out over every count its multiple allows, row for row', () => {
    fc.assert(
      fc.property(some, size, (rows, { repeats, rows: many }) => {
        const own = fabric(rows);
        const stitches = own.multiple.extra + repeats * own.multiple.multiple;
        const panel = fabricPanel(own, stitches, many);
        expect(panel.problems).toEqual([]);
        expect(panel.rows.map(({ makes }) => makes)).toEqual(Array.from({ length: many }, () => stitches));
        // Its rows are the fabric's, again and again.
        for (const row of panel.rows) {
          const kinds = panel.rows[rowOfFabric(own, row.number) - 1]?.tops.kind;
          expect(row.tops.kind).toEqual(kinds);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('what its rows are made of is as when each is counted', () => {
    fc.assert(
      fc.property(some, size, (rows, { repeats, rows: many }) => {
        const own = fabric(rows);
        const stitches = own.multiple.extra + repeats * own.multiple.multiple;
        const tops = topsOfRows(own, stitches);
        for (const row of fabricPanel(own, stitches, many).rows) {
          const counted = new Map<string, number>();
          for (const kind of row.tops.kind) counted.set(kind, (counted.get(kind) ?? 0) + 1);
          expect(new Map([...tops(row.number)].filter(([, n]) => n > 0))).toEqual(counted);
        }
      }),
      { numRuns: 40 },
    );
  });

  test('rows worked once at the beginning are not repeated', () => {
    const own = fabric(BLOCKS);
    expect([1, 2, 5, 6, 9, 10].map((row) => rowOfFabric(own, row))).toEqual([1, 2, 5, 2, 5, 2]);
  });
});

describe('how a fabric is seen', () => {
  test('property: the repeat laid side by side is the row as it lies, between the ends', () => {
    fc.assert(
      fc.property(
        some,
        fc.integer({ min: 3, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        (rows, repeats, row) => {
          const own = fabric(rows);
          const { multiple, extra } = own.multiple;
          const stitches = extra + repeats * multiple;
          const counted = fabricPanel(own, stitches, row).rows.at(-1)?.tops.kind ?? [];
          // Row 1 runs to the right; every other row is turned.
          const lies = row % 2 === 1 ? counted : [...counted].reverse();
          const seen = seenRows(own)(row);
          const shown = lies.map((_, column) => seen[column % multiple]?.kind);
          const ends = Math.ceil(extra / 2) + 1;
          expect(shown.slice(ends, -ends)).toEqual(lies.slice(ends, -ends));
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a post round the front is one round the back when seen from behind', () => {
    // Row 2 is worked from behind: its first three, round the front, lie at the right and are seen as round the back.
    const seen = seenRows(fabric(BLOCKS));
    expect(seen(2).map(({ hold }) => hold)).toEqual([
      ...['front-post', 'front-post', 'front-post'],
      ...['back-post', 'back-post', 'back-post'],
    ]);
    // Row 3 from in front, in the order it is worked: columns of the same three stay the same blocks.
    expect(seen(3).map(({ hold }) => hold)).toEqual([
      ...['front-post', 'front-post', 'front-post'],
      ...['back-post', 'back-post', 'back-post'],
    ]);
    expect(seen(4)).not.toEqual(seen(3));
  });
});

describe('what follows from the rows', () => {
  test('rows that stand out are counted, others are not', () => {
    const bobbles = outstanding(fabric(BOBBLES));
    expect(bobbles?.word).toBe('bobble');
    expect([0, 1, 2, 3, 33, 34].map((rows) => bobbles?.upTo(rows))).toEqual([0, 0, 1, 1, 16, 17]);
    expect(outstanding(fabric(BLOCKS))).toBeUndefined();
    // Where every row is of puffs none stands out.
    expect(outstanding(fabric(LATTICE))).toBeUndefined();
  });

  test('height and row ends come from the stitches, not from the name', () => {
    // Tall stitches, all four rows: as high, and as many insertions, as tall stitches alone.
    expect(meanHeight(fabric(BLOCKS))).toBe(2);
    expect(meanRowEnds(fabric(BLOCKS))).toBe(2);
    // A row of low stitches is 0.95 high, one that ends in low stitches takes one insertion.
    expect(meanHeight(fabric('Row 1: sc across\nRow 2: dc across'))).toBeCloseTo((0.95 + 2) / 2);
    expect(meanRowEnds(fabric(BOBBLES))).toBe(1);
  });
});
