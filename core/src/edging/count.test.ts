import { describe, expect, test } from 'vitest';
import type { BagGraph } from '../bag/index.ts';
import type { Construction } from '../families/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { edgeCounts, faceStitches, flapRoot } from './index.ts';

const squares = (columns: number, rows: number) =>
  ({ of: 'motifs', motif: 'm1', rounds: 4, columns, rows }) as const;
const plain = {
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: squares(6, 3),
} as const satisfies Construction;
const countOf = (graph: BagGraph) => edgeCounts(graph)[0];

describe('the first edge round', () => {
  test('round six squares of 14 loops: one in each loop and one at each of six joins, by hand', () => {
    const count = countOf(planOf(testDocument(plain)).graph);
    // Four rounds of clusters: 12 stitches and a corner chain at either end.
    expect(count).toMatchObject({ along: 6 * 14, joins: 6, peaks: 0, notches: 0, first: 84 + 6 });
  });

  test('a zigzag rim takes more at its peaks and fewer at its notches, at the sides too', () => {
    const { graph } = planOf(
      testDocument({ family: 'on-point', motif: 'm1', rounds: 4, across: 2, rows: 3, bottom: 'tapered' }),
    );
    const count = countOf(graph);
    // Two peaks on either face. Going round, the rim goes down and up again four times: a notch between the peaks of each
    // face, and one at each side, where a folded square shows its lower half.
    expect(count).toMatchObject({ along: 8 * 14, joins: 4, peaks: 4, notches: 4 });
    expect(count?.first).toBe(8 * 14 + 4 + 2 * 4 - 2 * 4);
  });

  test('later rounds go evenly from the first to what they should grow to', () => {
    const edge = { swatch: 's2', rounds: 3, growth: -20 };
    const count = countOf(planOf({ ...testDocument(plain), features: { edge } }).graph);
    expect(count?.rounds).toEqual([90, 81, 72]);
  });

  test('goes round a flap: from the rim in, along three sides of it, and in again', () => {
    const flap = {
      of: 'worked',
      swatch: 's2',
      stitches: 30,
      rows: 24,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    } as const;
    const { graph } = planOf({ ...testDocument(plain), features: { flap } });
    const [count] = edgeCounts(graph);
    // The flap is worked out of the back's rim: two row-end sides of 24 and 30 stitches below. It covers the
    // two joins between the back's three squares.
    const flapped = count?.parts.filter(({ face }) => face === 'flap') ?? [];
    expect(count).toMatchObject({ joins: 4, peaks: 2, notches: 2 });
    // Its two corners take two each.
    expect(flapped.map(({ from, to }) => to - from)).toEqual([24 + 30 + 24 + 2 * 2]);
    // The lowest edge is told without them: it begins after a side and its corner.
    const begins = (flapped[0]?.from ?? 0) + 24 + 2;
    expect(count?.tip).toEqual({ is: 'edge', from: begins, to: begins + 30 });
    // What it hangs from and what stays free beside it are all of the back: three squares of 14, and two joins.
    expect(faceStitches(edgeCounts(graph))).toEqual({ front: 44, back: 44 - flapRoot(graph) });
  });

  test('a rim over a side fold of a folded square goes over a join on either side of it', () => {
    // Seven columns: one side folds down the middle of a column.
    const { graph } = planOf(testDocument({ ...plain, body: squares(7, 3) }));
    expect(countOf(graph)).toMatchObject({ along: 7 * 14, joins: 7, first: 7 * 15 });
  });
});
