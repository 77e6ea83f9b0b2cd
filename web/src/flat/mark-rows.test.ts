import fc from 'fast-check';
import { expect, test } from 'vitest';
import { markRows } from './mark-rows.ts';

test('numbers far apart stand in one row; a near one goes further out, the next comes back', () => {
  expect(
    markRows(
      [
        [0, 20],
        [50, 70],
        [100, 120],
      ],
      4,
    ),
  ).toEqual([0, 0, 0]);
  expect(
    markRows(
      [
        [0, 20],
        [18, 38],
        [50, 70],
      ],
      4,
    ),
  ).toEqual([0, 1, 0]);
  // Three on one spot need three rows; 23 begins less than 4 after 20.
  expect(
    markRows(
      [
        [0, 20],
        [5, 25],
        [10, 30],
      ],
      4,
    ),
  ).toEqual([0, 1, 2]);
  expect(
    markRows(
      [
        [0, 20],
        [23, 40],
      ],
      4,
    ),
  ).toEqual([0, 1]);
});

test('no two numbers of a row touch, and no row is used while a lower one is free', () => {
  const places = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 5, max: 40 })), { maxLength: 20 })
    .map((list) => list.sort(([a], [b]) => a - b).map(([from, wide]) => [from, from + wide] as const));
  fc.assert(
    fc.property(places, (list) => {
      const rows = markRows(list, 3);
      list.forEach(([from, to], i) => {
        const row = rows[i] ?? -1;
        const before = list.flatMap((place, k) => (k < i ? [{ place, row: rows[k] }] : []));
        const free = (own: number) => before.every((one) => one.row !== own || one.place[1] + 3 <= from);
        expect(free(row)).toBe(true);
        for (let lower = 0; lower < row; lower++) expect(free(lower)).toBe(false);
        expect(to).toBeGreaterThan(from);
      });
    }),
  );
});
