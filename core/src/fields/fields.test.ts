import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { boundsOf, count, freeId, freeName, idFrom, idSchema, sentenceOf } from './index.ts';

describe('ids', () => {
  test.each(['m1', 'a_b-C9', '-', 'x'.repeat(60)])('%s is one', (id) => {
    expect(idSchema.safeParse(id).success).toBe(true);
  });

  test.each([
    ['', 'An id cannot be empty.'],
    ['m:1', 'An id has letters, digits, - and _ only.'],
    ['a b', 'An id has letters, digits, - and _ only.'],
    ['é', 'An id has letters, digits, - and _ only.'],
    ['x'.repeat(61), 'An id cannot be longer than 60 characters.'],
  ])('“%s” is none', (id, sentence) => {
    expect(idSchema.safeParse(id).error?.issues[0]?.message).toBe(sentence);
  });

  test('a name is itself as long as nobody has it, then takes the first free number', () => {
    expect(freeName('Disc', new Set())).toBe('Disc');
    expect(freeName('Disc', new Set(['Disc', 'Disc 3']))).toBe('Disc 2');
    expect(freeName('Disc', new Set(['Disc', 'Disc 2', 'Disc 3']))).toBe('Disc 4');
  });

  test('a free one is none of those taken, however many there are', () => {
    expect(freeId('thing', [])).toBe('thing-1');
    expect(freeId('thing', ['thing-1', 'thing-3'])).toBe('thing-2');
    const all = Array.from({ length: 200 }, (_, i) => `thing-${i + 1}`);
    expect(freeId('thing', all)).toBe('thing-201');
  });

  test('any text becomes one that is not taken, and that an id may be', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 90 }), { maxLength: 8 }), (texts) => {
        const taken: string[] = [];
        for (const text of texts) {
          const id = idFrom(text, taken);
          expect(idSchema.safeParse(id).success).toBe(true);
          expect(taken).not.toContain(id);
          taken.push(id);
        }
      }),
    );
    expect(idFrom('m:1', [])).toBe('m-1');
    expect(idFrom('m1', [])).toBe('m1');
  });
});

describe('bounds are read from the schema that sets them', () => {
  test('of whole numbers, of any numbers, and of none set', () => {
    expect(boundsOf(count('Columns', 40))).toEqual({ min: 1, max: 40, whole: true });
    expect(boundsOf(z.number().min(0.5).max(9))).toEqual({ min: 0.5, max: 9, whole: false });
    expect(boundsOf(z.number())).toEqual({ min: -Infinity, max: Infinity, whole: false });
  });

  test('what lies within them is taken by the schema, and what lies beyond is not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 50 }), fc.integer({ min: 51, max: 400 }), (least, most) => {
        const schema = count('It', most, least);
        const { min, max } = boundsOf(schema);
        for (const good of [min, max]) expect(schema.safeParse(good).success).toBe(true);
        for (const bad of [min - 1, max + 1, min + 0.5]) expect(schema.safeParse(bad).success).toBe(false);
      }),
    );
  });
});

test('what a library says is put in a maker’s words', () => {
  const said = (schema: z.ZodType, value: unknown) => {
    const issue = schema.safeParse(value).error?.issues[0];
    return issue && sentenceOf(issue);
  };
  expect(said(z.boolean(), 'yes')).toBe('This must be true or false.');
  expect(said(z.enum(['a', 'b']), 'c')).toBe('This must be one of “a”, “b”.');
  expect(said(z.number().min(3), 1)).toBe('This must be at least 3.');
  expect(said(z.array(z.string()), 'x')).toBe('This must be a list.');
  expect(said(z.strictObject({ a: z.number() }), { a: 1, b: 2, c: 3 })).toBe(
    '“b”, “c” are no fields that this version knows here.',
  );
  expect(said(z.string('Own words.'), 1)).toBe('Own words.');
});
