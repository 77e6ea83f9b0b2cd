import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { nameKey } from './name-key.ts';
import { hashedPassword, isPassword, isWeak } from './passwords.ts';
import { freshCode, freshSecret, keptOf } from './secrets.ts';

describe('the key of a name', () => {
  test.each([
    ['Rowan', 'ROWAN'],
    ['Rowan', 'Ｒｏｗａｎ'],
    ['Zoë', 'Zoe\u0308'],
    // Greek omicron, Cyrillic a: they look the same.
    ['Rowan', 'Rοwan'],
    ['Rowan', 'Rowаn'],
    ['Lode End', ' Lode   End '],
    ['straße', 'STRASSE'],
    ['vvind', 'VVIND'],
  ])('%j and %j are one maker', (a, b) => {
    expect(nameKey(a)).toBe(nameKey(b));
  });

  test.each([
    ['Rowan', 'Rowena'],
    ['Rowan', 'Rowan 2'],
    ['Zoe', 'Zoë'],
    ['Lode End', 'Lodeend'],
  ])('%j and %j are two', (a, b) => {
    expect(nameKey(a)).not.toBe(nameKey(b));
  });

  test('is a key: made again it is itself, and capitals never matter', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), (name) => {
        const key = nameKey(name);
        expect(nameKey(key)).toBe(key);
        expect(nameKey(name.toLowerCase())).toBe(key);
      }),
      { numRuns: 1000 },
    );
  });
});

describe('passwords', () => {
  test('are kept as argon2id with its cost, each with a salt of its own, and known again', async () => {
    const [a, b] = [
      await hashedPassword('seven herons on the weir'),
      await hashedPassword('seven herons on the weir'),
    ];
    expect(a).toMatch(/^\$argon2id\$v=19\$m=65536,t=3,p=1\$/);
    expect(a).not.toBe(b);
    expect(await isPassword('seven  herons on the weir', a)).toBe(true);
    expect(await isPassword('Seven herons on the weir', a)).toBe(false);
    expect(await isPassword('', a)).toBe(false);
  });

  test('who has none cannot be let in by any', async () => {
    expect(await isPassword('', null)).toBe(false);
    expect(await isPassword('seven herons on the weir', undefined)).toBe(false);
  });

  test('many at once are worked out one after the other, and all of them', async () => {
    const kept = await hashedPassword('seven herons on the weir');
    const typed = Array.from({ length: 8 }, (_, i) => (i % 2 === 0 ? 'seven herons on the weir' : 'eight'));
    expect(await Promise.all(typed.map((one) => isPassword(one, kept)))).toEqual(
      typed.map((one) => one !== 'eight'),
    );
  });

  test.each(['password1234', 'qwertyuiop[]', 'aaaaaaaaaaaa', '123456789012', 'Rowan Rowan Rowan'])(
    '%j is among the first that anyone would try',
    (password) => {
      expect(isWeak(password, 'Rowan')).toBe(true);
    },
  );

  test.each(['seven herons on the weir', 'Tx9!kv2#Lqwz', 'drei graue enten am wehr'])(
    '%j is not',
    (password) => {
      expect(isWeak(password, 'Rowan')).toBe(false);
    },
  );
});

describe('secrets', () => {
  test('of sessions have 256 bits, and none is like another', () => {
    const all = Array.from({ length: 1000 }, freshSecret);
    expect(new Set(all.map(({ told }) => told)).size).toBe(1000);
    for (const { told, kept } of all) {
      expect(Buffer.from(told, 'base64url')).toHaveLength(32);
      expect(kept.equals(keptOf(told))).toBe(true);
      expect(kept.includes(told)).toBe(false);
    }
  });

  test('of codes have as many characters as they should', () => {
    expect(freshCode(25).told).toMatch(/^[0-9A-HJKMNP-TV-Z]{25}$/);
  });
});
