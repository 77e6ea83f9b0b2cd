import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  CODE_LETTERS,
  codeFrom,
  deviceNameSchema,
  makerNameSchema,
  newPasswordSchema,
  PASSWORD,
  plainCode,
  plainPassword,
  shownCode,
} from './index.ts';

const why = (schema: typeof makerNameSchema | typeof newPasswordSchema, text: string) =>
  schema.safeParse(text).error?.issues[0]?.message;

describe('names', () => {
  test.each([
    ['  Rowan   of\tLode End ', 'Rowan of Lode End'],
    // An accent written apart is the letter with it.
    ['Zoe\u0308', 'Zoë'],
    ['李', '李'],
  ])('%j is %j', (typed, kept) => {
    expect(makerNameSchema.parse(typed)).toBe(kept);
  });

  test.each([
    ['', 'A name cannot be empty.'],
    [' \u3000\t', 'A name cannot be empty.'],
    ['n'.repeat(41), 'A name has at most 40 characters.'],
    ['n'.repeat(10_000), 'A name has at most 40 characters.'],
    // Nobody sees these: two such names look the same.
    ['Row\u200ban', 'A name holds a character that cannot be seen.'],
    ['Row\u202ean', 'A name holds a character that cannot be seen.'],
    ['Row\u0000an', 'A name holds a character that cannot be seen.'],
    ['Row\ud800an', 'A name holds a character that cannot be kept.'],
  ])('%j is refused: %s', (typed, says) => {
    expect(why(makerNameSchema, typed)).toBe(says);
  });

  test('of devices are told as such', () => {
    expect(deviceNameSchema.safeParse('').error?.issues[0]?.message).toBe(
      'The name of a device cannot be empty.',
    );
  });
});

describe('passwords', () => {
  test.each([
    ['a', `at least ${PASSWORD.least}`],
    ['elevenchars', `at least ${PASSWORD.least}`],
    // Blanks beyond one between words do not make it longer.
    ['a           b', `at least ${PASSWORD.least}`],
    ['x'.repeat(129), `at most ${PASSWORD.most}`],
    ['x'.repeat(10_000), `at most ${PASSWORD.most}`],
    ['herons\ud800on the weir', 'cannot be kept'],
  ])('of this length is refused, and nothing is cut off: %#', (typed, says) => {
    expect(why(newPasswordSchema, typed)).toContain(says);
  });

  test.each(['twelve chars', 'x'.repeat(128), '🦩🦩🦩🦩🦩🦩🦩🦩🦩🦩🦩🦩', 'ναι οκτώ πάπιες'])(
    '%j can be had',
    (typed) => {
      expect(newPasswordSchema.parse(typed)).toBe(typed);
    },
  );

  test('are the same however a keyboard composes them', () => {
    expect(plainPassword('cafe\u0301  au  lait')).toBe(plainPassword('café au lait'));
    expect(plainPassword('Ｗｉｄｅ')).toBe('Wide');
    expect(plainPassword('Wide')).not.toBe(plainPassword('wide'));
  });
});

describe('codes', () => {
  test('as shown, in small letters, with other lines or misread letters: it is the same code', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 1, maxLength: 30 }), fc.nat(), (bytes, how) => {
        const code = codeFrom(bytes);
        const misread = code.replaceAll('0', 'o').replaceAll('1', how % 2 === 0 ? 'l' : 'I');
        for (const typed of [code, shownCode(code), shownCode(misread).toLowerCase(), ` ${code} `])
          expect(plainCode(typed)).toBe(code);
      }),
    );
  });

  test('every byte gives a letter, each as often as the others', () => {
    const all = codeFrom(Uint8Array.from({ length: 256 }, (_, i) => i));
    for (const letter of CODE_LETTERS) expect(all.split(letter)).toHaveLength(9);
  });

  test('stand in groups of five', () => {
    expect(shownCode('ABCDE12345F')).toBe('ABCDE-12345-F');
    expect(shownCode('abcde-12345')).toBe('ABCDE-12345');
  });
});
