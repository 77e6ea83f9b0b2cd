import { expect, test } from 'vitest';
import { readNumber } from './fields.tsx';

const read = (text: string, whole = true) => {
  const result = readNumber(text, 'rows', { min: 1, max: 40, whole });
  return result.ok ? result.value : result.error;
};

test('numbers are read as typed, with a sentence for each way they can be wrong', () => {
  expect(read('12')).toBe(12);
  expect(read(' 7 ')).toBe(7);
  expect(read('2,5', false)).toBe(2.5);
  expect(read('')).toBe('Type a number for rows.');
  expect(read('twelve')).toBe('“twelve” is not a number.');
  expect(read('Infinity')).toBe('“Infinity” is not a number.');
  expect(read('2.5')).toBe('Rows must be a whole number.');
  expect(read('0')).toBe('Rows must be at least 1.');
  expect(read('−3')).toBe('Rows must be at least 1.');
  expect(read('41')).toBe('Rows cannot be more than 40.');
});
