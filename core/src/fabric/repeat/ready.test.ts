import { describe, expect, test } from 'vitest';
import { countProgram } from '../count/count-program.ts';
import { inTerms } from '../shorthand/in-terms.ts';
import { fabricFrom } from './fabric.ts';
import { firstFabric, READY_FABRICS, readyRows } from './ready.ts';

const rules = { turning: 'does-not-count', usual: 'low' } as const;

/** What each asks of its count, and how many rows come again; worked out on paper. */
const ASKED: Record<string, readonly [multiple: number, extra: number, rows: number]> = {
  ribs: [1, 0, 1],
  // 3 round the front, 3 round the back.
  blocks: [6, 0, 4],
  // 2 and (1 + 3) some times and 1 and 2; and 4 and (1 + 3) and 1: both 4 n + 1.
  bobbles: [4, 1, 4],
  // One, then pairs of a place and a gap.
  lattice: [2, 1, 2],
  linen: [2, 1, 2],
  braid: [1, 0, 1],
};

describe('fabrics to begin with', () => {
  test.each(READY_FABRICS.map((ready) => [ready.name, ready] as const))('%s', (_, ready) => {
    for (const terms of ['us', 'uk'] as const) {
      const reading = fabricFrom({ rows: readyRows(ready, terms), terms }, rules);
      if (reading.is === 'nothing') throw new Error(reading.why.message);
      const { multiple, repeated } = reading.fabric;
      const rows = repeated.last - repeated.first + 1;
      expect([multiple.multiple, multiple.extra, rows]).toEqual(ASKED[ready.id]);
      expect(reading.counted.problems).toEqual([]);
    }
  });

  test('what stands there to be written over comes out in both terms', () => {
    for (const terms of ['us', 'uk'] as const)
      expect(fabricFrom(firstFabric(terms), rules).is).toBe('fabric');
  });
});

describe('rows in the words of the other country', () => {
  const rows =
    'ch 12\nRow 1 (RS): sc in 2nd ch from hook, sc across (11) # begun low\nRow 2: (dc, inc) x5, hdc (16)\nRow 3: 2 fpdc, puff, skip 1, sl st\nRow 4: as row 2\nBand: hdc evenly along the edge of rows 1-2\nRow 5: 3 dcx, sc';

  test('count the same, and stay what cannot be read', () => {
    const uk = inTerms({ rows, terms: 'us' }, 'uk');
    const counts = (text: string, terms: 'us' | 'uk') =>
      countProgram(text, { ...rules, terms }).rows.map(({ uses, makes, tops }) => [uses, makes, tops.kind]);
    // All but the last, whose words nobody knows.
    expect(counts(uk.rows, 'uk').slice(0, 4)).toEqual(counts(rows, 'us').slice(0, 4));
    expect(uk.rows.split('\n')[1]).toBe(
      'Row 1 (RS): begin in 2nd ch from hook, dc, dc across (11) # begun low',
    );
    expect(uk.rows.split('\n').at(-1)).toBe('Row 5: 3 dcx, sc');
    expect(uk.rows).toContain('Row 4: as row 2');
  });

  test('there and back again says the same', () => {
    const uk = inTerms({ rows, terms: 'us' }, 'uk');
    const back = inTerms(uk, 'us');
    expect(inTerms(back, 'uk').rows).toBe(uk.rows);
  });

  test('a file that says its own terms says the others', () => {
    const uk = inTerms({ rows: 'US terms\nRow 1: 5 sc in ring', terms: 'us' }, 'uk');
    expect(uk.rows).toBe('UK terms\nRow 1: 5 dc in ring');
  });
});
