import { LIMITS, nameSchema } from '@fennot/core';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { copyName } from './copy-name.ts';

test('a short name is kept whole', () => {
  expect(copyName('Bell bag')).toBe('Bell bag (copy)');
});

test('a long one is cut between letters: a family of four is one letter of eleven characters', () => {
  const family = '👨‍👩‍👧‍👦';
  expect(family).toHaveLength(11);
  // 80 less 7 for the ending leave room for six of them, and 7 characters more, in which no seventh fits.
  expect(copyName(family.repeat(7))).toBe(`${family.repeat(6)} (copy)`);
});

test('whatever a bag is called, its copy has a name that a bag may have', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 90 }), (text) => {
      const name = nameSchema.safeParse(text.slice(0, LIMITS.name));
      if (name.success) expect(nameSchema.safeParse(copyName(name.data)).success).toBe(true);
    }),
  );
});
