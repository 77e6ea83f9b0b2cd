import fc from 'fast-check';
import { expect, test } from 'vitest';
import { fitsMultiple, multipleProblem, nearestMultiple } from './index.ts';

const patterns = fc.record({
  multiple: fc.integer({ min: 1, max: 12 }),
  extra: fc.integer({ min: 0, max: 5 }),
});

test('the nearest count fits, and none nearer does (by trying all)', () => {
  fc.assert(
    fc.property(patterns, fc.integer({ min: 1, max: 200 }), (pattern, count) => {
      const nearest = nearestMultiple(count, pattern);
      expect(fitsMultiple(nearest, pattern)).toBe(true);
      const best = Array.from({ length: 240 }, (_, i) => i + 1)
        .filter((n) => fitsMultiple(n, pattern))
        .reduce((a, b) => (Math.abs(b - count) < Math.abs(a - count) ? b : a));
      expect(Math.abs(nearest - count)).toBe(Math.abs(best - count));
    }),
  );
});

test('a count that breaks the multiple is told its neighbours', () => {
  expect(multipleProblem(40, { multiple: 4, extra: 1 })).toBe(
    'This stitch pattern needs a multiple of 4 plus 1: 37 or 41, not 40.',
  );
  expect(multipleProblem(41, { multiple: 4, extra: 1 })).toBeUndefined();
  expect(multipleProblem(2, { multiple: 6, extra: 0 })).toContain('6, not 2');
});
