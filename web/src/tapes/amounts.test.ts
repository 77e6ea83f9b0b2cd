import { expect, test } from 'vitest';
import { hours, wholeYarn } from './amounts.ts';

test('yarn is told in whole metres or yards, rounded up so that it suffices', () => {
  expect(wholeYarn(12_001, 'cm')).toBe('13 m');
  // 12 m are 13.12 yards.
  expect(wholeYarn(12_000, 'in')).toBe('14 yd');
});

test('hours go by halves below ten and whole above, never nothing', () => {
  expect(hours(5)).toBe('0.5 h');
  expect(hours(130)).toBe('2 h');
  expect(hours(140)).toBe('2.5 h');
  expect(hours(60 * 14.4)).toBe('14 h');
});
