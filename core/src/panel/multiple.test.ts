import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fitsMultiple, multipleProblem, nearestMultiple, repeatsText } from './index.ts';

const patterns = fc.record({
  multiple: fc.integer({ min: 1, max: 12 }),
  extra: fc.integer({ min: 0, max: 5 }),
});

/** Every count up to 240 that a pattern allows, by trying all. */
const allowed = (pattern: { multiple: number; extra: number }) =>
  Array.from({ length: 240 }, (_, i) => i + 1).filter((n) => fitsMultiple(n, pattern));

test('the nearest count fits, and none nearer does (by trying all)', () => {
  fc.assert(
    fc.property(patterns, fc.integer({ min: 1, max: 200 }), (pattern, count) => {
      const nearest = nearestMultiple(count, pattern);
      expect(fitsMultiple(nearest, pattern)).toBe(true);
      const best = allowed(pattern).reduce((a, b) => (Math.abs(b - count) < Math.abs(a - count) ? b : a));
      expect(Math.abs(nearest - count)).toBe(Math.abs(best - count));
    }),
  );
});

test('with a most, it is the nearest of those that are no more (by trying all)', () => {
  fc.assert(
    fc.property(patterns, fc.nat(200), fc.integer({ min: 20, max: 200 }), (pattern, below, most) => {
      const count = Math.max(1, most - below);
      const nearest = nearestMultiple(count, pattern, most);
      const best = allowed(pattern)
        .filter((n) => n <= most)
        .reduce((a, b) => (Math.abs(b - count) < Math.abs(a - count) ? b : a));
      expect(Math.abs(nearest - count)).toBe(Math.abs(best - count));
      expect(nearest).toBeLessThanOrEqual(most);
    }),
  );
});

test('2000 stitches of a multiple of 4 plus 1 are 1997 where 2000 is the most: 2001 would be refused', () => {
  expect(nearestMultiple(2000, { multiple: 4, extra: 1 })).toBe(2001);
  expect(nearestMultiple(2000, { multiple: 4, extra: 1 }, 2000)).toBe(1997);
});

test('a count that breaks the multiple is told its neighbours', () => {
  expect(multipleProblem(40, { multiple: 4, extra: 1 })).toBe(
    'This stitch pattern needs a multiple of 4 plus 1: 37 or 41, not 40.',
  );
  expect(multipleProblem(41, { multiple: 4, extra: 1 })).toBeUndefined();
  expect(multipleProblem(2, { multiple: 6, extra: 0 })).toContain('6, not 2');
  // Below the five at the ends there is nothing that would do: four repeats over is 1, which is no pattern.
  expect(multipleProblem(3, { multiple: 4, extra: 5 })).toContain('plus 5: 5, not 3');
});

test('the counts that are named would do, and none between them', () => {
  fc.assert(
    fc.property(patterns, fc.integer({ min: 1, max: 200 }), (pattern, count) => {
      const problem = multipleProblem(count, pattern);
      expect(problem === undefined).toBe(fitsMultiple(count, pattern));
      if (problem === undefined) return;
      const [, named = ''] = /: (.*), not/.exec(problem) ?? [];
      const counts = named.split(' or ').map(Number);
      const around = allowed(pattern);
      const [below, above] = [around.findLast((n) => n < count), around.find((n) => n > count)];
      expect(counts).toEqual([below, above].filter((n) => n !== undefined));
    }),
  );
});

describe('what whole repeats cost', () => {
  test('43 over 4 and 1 at 6 mm: 41 are 12 mm less, 45 as much more', () => {
    expect(multipleProblem(43, { multiple: 4, extra: 1 }, 6)).toBe(
      'This stitch pattern needs a multiple of 4 plus 1: 41 or 45, not 43. That is 12 mm less or 12 mm more.',
    );
  });

  test('rows: 15 are 3 repeats of 4 after 1 and 2 rows; 13 or 17 would be whole', () => {
    const repeat = { multiple: 4, extra: 1 };
    expect(repeatsText(15, repeat, 7.5)).toBe(
      '3 repeats of 4 rows and 2 rows; whole they are at 13 (15 mm less) or 17 (15 mm more)',
    );
    expect(repeatsText(17, repeat, 7.5)).toBe('4 repeats of 4 rows');
    expect(repeatsText(2, { multiple: 4, extra: 3 }, 7.5)).toBe('the fabric repeats over 4 rows, after 3');
    // No repeat yet: there is nothing to go back to.
    expect(repeatsText(3, { multiple: 4, extra: 0 }, 10)).toBe(
      '0 repeats of 4 rows and 3 rows; whole they are at 4 (10 mm more)',
    );
  });
});
