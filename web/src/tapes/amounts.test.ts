import { expect, test } from 'vitest';
import { hours } from './amounts.ts';

test('hours go by halves below ten and whole above, never nothing', () => {
  expect(hours(5)).toBe('0.5 h');
  expect(hours(130)).toBe('2 h');
  expect(hours(140)).toBe('2.5 h');
  expect(hours(60 * 14.4)).toBe('14 h');
});
