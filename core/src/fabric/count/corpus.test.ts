import { describe, expect, test } from 'vitest';
import type { Terms, Turning } from '../../stitches/index.ts';
import { countProgram } from './count-program.ts';

/**
 * Rows as people write them, each with what it is worked onto, and what it uses and makes by hand. The turning chain
 * does not count unless it is said.
 */

interface Row {
  readonly onto: number;
  readonly row: string;
  readonly uses: number;
  readonly makes: number;
  readonly terms?: Terms;
  readonly turning?: Turning;
}

/** The last row of a program of a plain row of so many and this one. */
function counted({ onto, row, terms = 'us', turning = 'does-not-count' }: Omit<Row, 'uses' | 'makes'>) {
  // A plain row of slip stitches is called the same in both terms.
  const text = `ch ${onto}\nRow 1: ${onto} sl st\n${/^(?:r(?:ow)?\s*\d|\d+nd row)/i.test(row) ? row : `Row 2: ${row}`}`;
  const { rows, problems } = countProgram(text, { terms, turning, usual: 'low' });
  return { last: rows.at(-1), problems };
}

const rows: readonly Row[] = [
  // One in each.
  { onto: 27, row: 'sc across', uses: 27, makes: 27 },
  { onto: 27, row: 'sc in each st across', uses: 27, makes: 27 },
  { onto: 27, row: 'Sc in each st to end.', uses: 27, makes: 27 },
  { onto: 27, row: 'Row 2: single crochet in each stitch across (27)', uses: 27, makes: 27 },
  { onto: 12, row: 'dc in next 12 sts', uses: 12, makes: 12 },
  { onto: 12, row: '12 DC', uses: 12, makes: 12 },
  { onto: 12, row: 'dc 12', uses: 12, makes: 12 },
  { onto: 12, row: '12dc', uses: 12, makes: 12 },
  { onto: 7, row: 'hdc in next st, 2 hdc, hdc in each of the next 4 stitches', uses: 7, makes: 7 },
  { onto: 5, row: 'five sc', uses: 5, makes: 5 },
  { onto: 9, row: 'sc to last 2 sts, dc in last 2 sts', uses: 9, makes: 9 },
  { onto: 9, row: 'sc across, dc in last st', uses: 9, makes: 9 },
  { onto: 6, row: '2nd row: 6 sc', uses: 6, makes: 6 },
  { onto: 6, row: 'Row 2 (RS): 6 sc', uses: 6, makes: 6 },
  { onto: 6, row: 'Row 2 (B): 6 sc', uses: 6, makes: 6 },
  { onto: 6, row: 'Row 2 - 6 sc', uses: 6, makes: 6 },
  { onto: 6, row: 'R2. 6 sc = 6', uses: 6, makes: 6 },
  { onto: 6, row: 'row 2: 6 SC, turn', uses: 6, makes: 6 },
  { onto: 6, row: 'ch 1, 6 sc, turn', uses: 6, makes: 6 },
  { onto: 6, row: '6 sc, ch 1, turn', uses: 6, makes: 6 },
  // More and fewer.
  { onto: 10, row: 'inc, 8 sc, inc', uses: 10, makes: 12 },
  { onto: 10, row: '2 sc in next, 8 sc, 2 sc in last st', uses: 10, makes: 12 },
  { onto: 10, row: '2 sc in each st across', uses: 10, makes: 20 },
  { onto: 10, row: '2 sc in each of next 5 sts, 5 sc', uses: 10, makes: 15 },
  { onto: 10, row: '5 sc in next 5 sts, 5 sc', uses: 10, makes: 10 },
  { onto: 10, row: 'sc, 2 sc in same st, 9 sc', uses: 10, makes: 12 },
  { onto: 10, row: 'dec, 6 sc, dec', uses: 10, makes: 8 },
  { onto: 10, row: 'sc2tog, 6 sc, sc2tog', uses: 10, makes: 8 },
  { onto: 10, row: 'dc3tog, 4 dc, dc 3 tog', uses: 10, makes: 6 },
  { onto: 10, row: '3 tog, 7 sc', uses: 10, makes: 8 },
  { onto: 10, row: '5 dc in one, 9 sc', uses: 10, makes: 14 },
  { onto: 12, row: 'inc 3, 9 sc', uses: 12, makes: 15 },
  // Again and again.
  { onto: 27, row: 'sc, (bobble, sc) to end', uses: 27, makes: 27 },
  { onto: 24, row: '(2 dc, inc) x8', uses: 24, makes: 32 },
  { onto: 24, row: '(2 dc, inc) 8 times (32)', uses: 24, makes: 32 },
  { onto: 24, row: '[dc in next 2 sts, 2 dc in next st] eight times', uses: 24, makes: 32 },
  { onto: 24, row: '*2 dc, inc; repeat from * to end', uses: 24, makes: 32 },
  { onto: 24, row: '* dc in next 2, 2 dc in next; rep from * 7 more times', uses: 24, makes: 32 },
  { onto: 24, row: '(2 dc, inc) around', uses: 24, makes: 32 },
  { onto: 25, row: '*sc, ch 1, skip 1; rep from * to last st, sc in last st', uses: 25, makes: 25 },
  { onto: 12, row: '((sc, inc) x2, 2 sc) twice', uses: 12, makes: 16 },
  { onto: 12, row: '(sc, dc) x 3 and then 6 sc', uses: 12, makes: 12 },
  {
    onto: 50,
    row: 'start in 2nd st: 2 hdc in next, 4 hdc, inc, (5 hdc, inc) x5, 13 hdc',
    uses: 49,
    makes: 56,
  },
  // Chains and gaps.
  { onto: 40, row: '10 sc, ch 20, skip 20, 10 sc', uses: 40, makes: 40 },
  { onto: 9, row: 'sc, (ch 1, sk 1, sc) x4', uses: 9, makes: 9 },
  { onto: 9, row: 'sc, *chain 1, miss next st, sc in next; repeat from * across', uses: 9, makes: 9 },
  { onto: 6, row: '(dc, ch 1, dc) in next st, 5 dc', uses: 6, makes: 8 },
  { onto: 6, row: 'v-st in next st, 5 dc', uses: 6, makes: 8 },
  { onto: 7, row: 'sc, skip 2, shell in next st, skip 2, sc', uses: 7, makes: 7 },
  // What they are held by.
  { onto: 12, row: '(fpdc in next 3, bpdc in next 3) x2', uses: 12, makes: 12 },
  { onto: 12, row: '(3 FPdc, 3 BPdc) to end', uses: 12, makes: 12 },
  { onto: 8, row: 'sc blo across', uses: 8, makes: 8 },
  { onto: 8, row: 'blo sc in each st', uses: 8, makes: 8 },
  { onto: 8, row: 'sl st in back loop of each st across', uses: 8, makes: 8 },
  { onto: 8, row: '4 puff, 2 popcorns, cluster, bo', uses: 8, makes: 8 },
  // Beginning and ending elsewhere.
  { onto: 20, row: 'start in 4th st, 10 sc, leave the rest', uses: 10, makes: 10 },
  { onto: 20, row: '15 sc, leave 5', uses: 15, makes: 15 },
  { onto: 20, row: '15 sc, leave last 5 sts unworked', uses: 15, makes: 15 },
  { onto: 20, row: 'join with sl st in 3rd st, ch 1, 10 sc, leave remaining', uses: 10, makes: 10 },
  { onto: 20, row: 'from the 2nd st after the ch: 4 sc, 14 hdc, sl st', uses: 19, makes: 19 },
  // As people put it.
  { onto: 12, row: 'Ch 1, turn. Sc in first st and in each st across.', uses: 12, makes: 12 },
  {
    onto: 12,
    row: 'Turn, ch 1, sc in same st as turning ch, sc in each of the next 11 sts',
    uses: 12,
    makes: 12,
  },
  { onto: 12, row: 'join with sl st in 4th st, sc in same st, sc in next 8 sts', uses: 9, makes: 9 },
  { onto: 12, row: 'ch 1, 2 sc in same st, sc in next 11', uses: 12, makes: 13 },
  { onto: 12, row: 'sc inc, 10 sc, sc inc', uses: 12, makes: 14 },
  { onto: 12, row: 'sc dec, sc 8, sc dec', uses: 12, makes: 10 },
  { onto: 12, row: 'inv dec, 10 sc', uses: 12, makes: 11 },
  { onto: 12, row: '2 sc in first st, sc across to last st, 2 sc in last st', uses: 12, makes: 14 },
  {
    onto: 12,
    row: 'sc in each of first 5 sts, 2 sc in each of next 2 sts, sc in each of last 5 sts',
    uses: 12,
    makes: 14,
  },
  { onto: 12, row: 'sc in next 4 sts, 2 sc in next st, sc in each remaining st', uses: 12, makes: 13 },
  { onto: 12, row: 'sc in next 4 sts, 2 sc in next st, sc in rem 7 sts', uses: 12, makes: 13 },
  { onto: 12, row: 'sc in next 4 sts, 2 sc in next st, sc to end of row', uses: 12, makes: 13 },
  { onto: 12, row: 'sc evenly across', uses: 12, makes: 12 },
  { onto: 12, row: 'sl st loosely in each st across', uses: 12, makes: 12 },
  { onto: 12, row: 'skip first st, sc in next 11 sts', uses: 12, makes: 11 },
  { onto: 12, row: 'BLO: sc across', uses: 12, makes: 12 },
  { onto: 12, row: 'working in back loops only, sc in each st across', uses: 12, makes: 12 },
  { onto: 12, row: 'sc in BLO across', uses: 12, makes: 12 },
  { onto: 12, row: 'hdc in third loop of each st across', uses: 12, makes: 12 },
  { onto: 12, row: 'FPdc around next st, BPdc around post of next st, repeat across', uses: 12, makes: 12 },
  {
    onto: 12,
    row: '*fpdc around next 3 sts, bpdc around next 3 sts; repeat from * to end',
    uses: 12,
    makes: 12,
  },
  { onto: 12, row: '5-dc shell in next st, 11 sc', uses: 12, makes: 16 },
  { onto: 12, row: '5 dc bobble in next st, 11 sc', uses: 12, makes: 12 },
  { onto: 12, row: 'sc next 2 sts together, 10 sc', uses: 12, makes: 11 },
  { onto: 12, row: 'work 2 sts together, 10 sc', uses: 12, makes: 11 },
  { onto: 12, row: 'dc2tog x6', uses: 12, makes: 6 },
  { onto: 12, row: 'inc 6 times, 6 sc', uses: 12, makes: 18 },
  { onto: 12, row: '6x inc, 6 sc', uses: 12, makes: 18 },
  { onto: 12, row: 'sc in next 6 sts, dec over next 2 sts three times', uses: 12, makes: 9 },
  { onto: 12, row: 'crab st across', uses: 12, makes: 12 },
  // Again, in every way it is said.
  { onto: 12, row: '2 sc, inc, repeat around', uses: 12, makes: 16 },
  { onto: 12, row: 'ch 1, turn, 4 sc, inc; rep to last 2 sts, 2 sc', uses: 12, makes: 14 },
  { onto: 12, row: '*1 sc, inc* repeat around', uses: 12, makes: 18 },
  { onto: 12, row: '*1 sc, inc* 6 times', uses: 12, makes: 18 },
  { onto: 12, row: '*1 sc, inc* around', uses: 12, makes: 18 },
  { onto: 12, row: '*sc 4, inc; repeat from * one more time, sc 2', uses: 12, makes: 14 },
  { onto: 12, row: '(2sc, inc)*4', uses: 12, makes: 16 },
  { onto: 12, row: '6 (sc, inc)', uses: 12, makes: 18 },
  // What makes no stitch.
  { onto: 12, row: 'sc around, sl st in first sc to join', uses: 12, makes: 12 },
  { onto: 12, row: 'sc around, sl st to join. Do not turn. Move marker up.', uses: 12, makes: 12 },
  { onto: 12, row: 'sc in next 6 sts, pm, sc in next 6 sts', uses: 12, makes: 12 },
  { onto: 12, row: 'sc across, cut yarn and weave in ends', uses: 12, makes: 12 },
  { onto: 12, row: 'sc in each st across, changing to B in last st', uses: 12, makes: 12 },
  { onto: 12, row: 'Sc across to last 3 sts, turn, leaving rem 3 sts unworked', uses: 9, makes: 9 },
  // A turning chain that counts stands in the first stitch.
  { onto: 12, row: 'ch 3, 11 dc', uses: 12, makes: 12, turning: 'counts' },
  { onto: 12, row: 'ch 3, dc in each st across', uses: 12, makes: 12, turning: 'counts' },
  { onto: 12, row: 'ch 3 (counts as dc), 11 dc', uses: 12, makes: 12 },
  { onto: 12, row: 'ch 3 (counts as a st), 11 dc', uses: 12, makes: 12 },
  { onto: 12, row: 'ch 3 (counts as the first dc here), dc in each st across', uses: 12, makes: 12 },
  { onto: 12, row: 'ch 3 counts as 1st double crochet, 11 dc', uses: 12, makes: 12 },
  { onto: 12, row: 'ch 2 (does not count as a stitch), 12 hdc', uses: 12, makes: 12, turning: 'counts' },
  { onto: 12, row: 'ch 3 (does not count), 12 dc', uses: 12, makes: 12, turning: 'counts' },
  { onto: 12, row: 'ch 1, 12 sc', uses: 12, makes: 12, turning: 'counts' },
  { onto: 12, row: 'ch 3, 10 dc, dc in top of ch 3', uses: 12, makes: 12, turning: 'counts' },
  { onto: 12, row: 'ch 3, 10 dc, dc in top of turning ch', uses: 12, makes: 12, turning: 'counts' },
  // UK.
  { onto: 12, row: '12 dc', uses: 12, makes: 12, terms: 'uk' },
  { onto: 12, row: '4 htr, 4 tr, 4 dtr', uses: 12, makes: 12, terms: 'uk' },
  {
    onto: 12,
    row: 'dc2tog, double crochet in next 8, half treble, treble',
    uses: 12,
    makes: 11,
    terms: 'uk',
  },
  { onto: 12, row: 'miss 1, 5 tr in next st, miss 1, 9 dc', uses: 12, makes: 14, terms: 'uk' },
];

describe('rows as people write them', () => {
  test.each(rows)('onto $onto: $row', ({ uses, makes, ...given }) => {
    const { last, problems } = counted(given);
    expect(problems).toEqual([]);
    expect([last?.number, last?.uses, last?.makes]).toEqual([2, uses, makes]);
  });

  test('an increase is of the stitch beside it, or of the row below where none is named', () => {
    const { rows: all } = countProgram(
      'Round 1: 6 dc in ring\nRound 2: inc x6\nRound 3: hdc, inc, (hdc, inc) x5',
      {
        terms: 'us',
        turning: 'does-not-count',
        usual: 'low',
      },
    );
    expect(all.map(({ tops }) => [...new Set(tops.kind)].join())).toEqual(['tall', 'tall', 'mid']);
  });

  test('a name means another stitch in the other country', () => {
    const [us, uk] = (['us', 'uk'] as const).map((terms) =>
      counted({ onto: 3, row: 'dc, tr, ss', terms }).last?.tops.kind.join(),
    );
    expect([us, uk]).toEqual(['tall,high,slip', 'low,tall,slip']);
  });
});

const wrong: ReadonlyArray<{ onto: number; row: string; says: string; terms?: Terms }> = [
  { onto: 63, row: '64 sc', says: 'Row 2: This needs 64 stitches, row 1 made 63.' },
  {
    onto: 63,
    row: '60 sc',
    says: 'Row 2: This uses 60 of the 63 of row 1: 3 are left. Write “leave 3” where that is meant.',
  },
  {
    onto: 26,
    row: 'sc, (bobble, sc) to end',
    says: 'Row 2: What is repeated takes 2 at a time, and there are 25 for it: 1 is left over. 1 more or 1 fewer would come out.',
  },
  { onto: 5, row: '(sc, 4 sc', says: 'A bracket is opened in this row that is not closed.' },
  { onto: 5, row: '5 sc)', says: 'A bracket is closed here that was not opened.' },
  { onto: 5, row: '3 sc, 2 flumps', says: 'Fennot does not know “flumps”.' },
  { onto: 5, row: '5 htr', says: '“htr” reads like UK terms: it is counted as hdc. Are these UK terms?' },
  {
    onto: 5,
    row: '5 hdc',
    terms: 'uk',
    says: '“hdc” reads like US terms: it is counted as htr. Are these US terms?',
  },
  { onto: 5, row: '5 sc (6)', says: 'Row 2 makes 5, not 6 as written.' },
  {
    onto: 34,
    row: '(7 sc, inc) x3, 10 sc (38)',
    says: 'Row 2 makes 37, not 38 as written: 1 increase more would make 38.',
  },
  {
    onto: 20,
    row: 'inc, 16 sc, inc x3 (22)',
    says: 'Row 2 makes 24, not 22 as written: 2 increases fewer would make 22.',
  },
  {
    onto: 20,
    row: 'dec, 16 sc, dec (17)',
    says: 'Row 2 makes 18, not 17 as written: 1 decrease more would make 17.',
  },
  { onto: 5, row: 'Row 4: 5 sc', says: 'Row 4 comes after 1: 2 and 3 are missing.' },
  { onto: 5, row: 'Row 1: 5 sc', says: 'Row 1 is there already, or comes too late: the one before it is 1.' },
  { onto: 5, row: '3 sc, leave 1', says: 'Row 2: 1 is said to be left; 2 of the 5 of row 1 are.' },
  {
    onto: 5,
    row: 'sc in next sp, 4 sc',
    says: 'Row 2: There is no chain of row 1 here to work under: a stitch comes next.',
  },
  {
    onto: 5,
    row: '(ch 1) to end',
    says: 'Row 2: What is repeated to the end uses nothing of the row below: it would never end.',
  },
  { onto: 5, row: '100000 sc', says: 'Row 2: This row has more than 20000 stitches.' },
  { onto: 5, row: '(((ch 9) x9999) x9999) x9999', says: 'Row 2: This row has more than 20000 stitches.' },
  { onto: 5, row: 'start in 9th st, sc', says: 'Row 2: There is no stitch 9 in row 1: it has 5.' },
];

describe('rows that do not come out', () => {
  test.each(wrong)('onto $onto: $row', ({ says, ...given }) => {
    const { problems } = counted(given);
    expect(problems.map(({ message }) => message)).toContain(says);
    expect(problems.every(({ line }) => line === 2)).toBe(true);
  });
});

describe('stitches along the ends of rows', () => {
  test('one in each that lies open, one beside each end, by hand', () => {
    const text = [
      'ch 30',
      'Row 1: 30 sc',
      'Row 2: start in 6th st, 20 sc, leave 5',
      'Row 3: 20 sc',
      'Band: sc evenly along the edge of rows 2-3, 1 in each st, 2 beside each row',
      'Band: sc evenly along the edge of rows 7-9',
    ].join('\n');
    const { edges, problems } = countProgram(text, { terms: 'us', turning: 'counts', usual: 'low' });
    // Row 2 leaves 5 and 5 open, the last row has 20 tops, and two rows have two ends with 2 beside each: 5 + 5 + 20 + 8.
    expect(edges).toMatchObject([
      { line: 4, name: 'Band', along: { of: 'rows', rows: { first: 2, last: 3 } }, makes: 38 },
    ]);
    expect(problems.map(({ message }) => message)).toEqual(['There are no rows 7 to 9 to work along.']);
  });
});

describe('a first round, or row, along an edge', () => {
  const edgesOf = (...lines: string[]) => {
    const { edges, problems } = countProgram(lines.join('\n'), {
      terms: 'us',
      turning: 'does-not-count',
      usual: 'low',
    });
    expect(problems).toEqual([]);
    return edges.map(({ makes }) => makes);
  };

  test('all round a rectangle of 20 by 10: chain, last row, three beside two rows up both sides, three in each corner', () => {
    const round = 'Edging: sc evenly all round, 1 in each st, 3 beside each 2 rows, 3 in each corner';
    // 20 + 20 + 2 x 15, and two more in each of four corners.
    expect(edgesOf('ch 20', 'Row 1: 20 sc', 'Rows 2-10: sc across', round)).toEqual([78]);
  });

  test('all round a half disc there is no chain, and two corners; round a disc its last round', () => {
    const round = 'Edging: sc evenly around the edge, 1 in each st, 2 beside each row, 2 in each corner';
    expect(edgesOf('Row 1: 4 dc in ring', 'Row 2: 2 dc in each st across', round)).toEqual([8 + 2 * 4 + 2]);
    expect(edgesOf('Round 1: 6 sc in ring', 'Round 2: inc around', round)).toEqual([12]);
  });

  test('rounds have no ends to work along', () => {
    const { edges, problems } = countProgram(
      'Round 1: 6 sc in ring\nEdge: sc evenly along the left edge of rows 1-1',
      { terms: 'us', turning: 'does-not-count', usual: 'low' },
    );
    expect(edges).toEqual([]);
    expect(problems.map(({ message }) => message)).toEqual(['Rounds have no ends: work “evenly all round”.']);
  });

  test('up one side: steps lie open where the row that makes them begins, or ends', () => {
    const rows = [
      'ch 20',
      'Row 1: 20 sc',
      'Row 2: start in 4th st, sc to last 2, leave 2',
      'Row 3: sc across',
    ];
    // Row 2 runs from right to left: it leaves 3 at the right and 2 at the left.
    expect(
      edgesOf(
        ...rows,
        'Edge: sc evenly along the left edge of rows 1-3, 1 beside each row',
        'Edge: sc evenly along the right side of rows 1 to 3, 2 in each row end',
      ),
    ).toEqual([3 + 2, 6 + 3]);
  });
});

test('rows that are worked again are worked in their colours again', () => {
  const text =
    'ch 9\nRow 1 (A): 9 sc\nRow 2 (B): 9 sc\nRow 3: 9 sc\nRow 4 (A): 9 sc\nRows 5-8: repeat rows 1-4\nRow 9: as row 3';
  const { rows, problems } = countProgram(text, { terms: 'us', turning: 'does-not-count', usual: 'low' });
  expect(problems).toEqual([]);
  expect(rows.map(({ colour }) => colour).join('')).toBe('ABBAABBAB');
});
