import fc from 'fast-check';
import { expect, test } from 'vitest';
import { histories, TestDevice } from '../testing/making.ts';
import { logLines, recordOf } from './index.ts';

const NOON = Date.UTC(2026, 2, 7, 12);
const MINUTE = 60_000;

test('an hour in three lines, by hand', () => {
  const phone = new TestDevice(1);
  const { id: work } = phone.does({ of: 'begun', task: 'panel/strip', rows: 156 }, NOON);
  for (let row = 1; row <= 4; row++) phone.does({ of: 'row', work, row }, NOON + row * MINUTE);
  const wrong = phone.does({ of: 'row', work, row: 5 }, NOON + 5 * MINUTE);
  phone.does({ of: 'undone', event: wrong.id }, NOON + 5 * MINUTE);
  phone.does({ of: 'noted', text: 'Hook 4 was too tight' }, NOON + 6 * MINUTE);
  for (const many of [2, 8]) phone.does({ of: 'hidden', many }, NOON + (6 + many) * MINUTE);
  const lines = logLines(phone.events);
  expect(lines.map(({ of, from, to }) => [of, (from - NOON) / MINUTE, (to - NOON) / MINUTE])).toEqual([
    ['rows', 1, 4],
    ['other', 6, 6],
    ['hidden', 8, 14],
  ]);
  expect(lines[0]).toMatchObject({ task: 'panel/strip', first: 1, last: 4 });
  expect(lines[2]).toMatchObject({ many: 10 });
});

test('after tea, and after a row that was ripped, a line begins anew', () => {
  const phone = new TestDevice(1);
  const { id: work } = phone.does({ of: 'begun', task: 'edge', rows: 9 }, NOON);
  for (const [row, minute] of [
    [1, 1],
    [2, 2],
    [3, 60],
    [2, 61],
  ])
    phone.does({ of: 'row', work, row: row ?? 0 }, NOON + (minute ?? 0) * MINUTE);
  expect(logLines(phone.events).map((line) => (line.of === 'rows' ? [line.first, line.last] : []))).toEqual([
    [1, 2],
    [3, 3],
    [2, 2],
  ]);
});

test('all ends, steps and pieces that stand are in the lines, none twice', () => {
  fc.assert(
    fc.property(histories, ({ done }) => {
      const events = done.map(({ event }) => event);
      const lines = logLines(events);
      const record = recordOf(events);
      const sum = (of: 'hidden') => lines.reduce((all, line) => all + (line.of === of ? line.many : 0), 0);
      expect(sum('hidden')).toBe(record.hidden);
      for (const { from, to } of lines) expect(to).toBeGreaterThanOrEqual(from);
      const begun = lines.map(({ id }) => id);
      expect(new Set(begun).size).toBe(begun.length);
    }),
  );
});
