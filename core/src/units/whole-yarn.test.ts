import { expect, test } from 'vitest';
import { wholeYarn } from './index.ts';

test('yarn is told in whole metres or yards, rounded up so that it suffices', () => {
  expect(wholeYarn(12_001, 'cm')).toBe('13 m');
  expect(wholeYarn(12_000, 'cm')).toBe('12 m');
  // 12 m are 13.12 yards.
  expect(wholeYarn(12_000, 'in')).toBe('14 yd');
});

test('what is left over is rounded down, so that nobody counts on it', () => {
  expect(wholeYarn(12_999, 'cm', { spare: true })).toBe('12 m');
  expect(wholeYarn(12_000, 'in', { spare: true })).toBe('13 yd');
  expect(wholeYarn(400, 'cm', { spare: true })).toBe('0 m');
});
