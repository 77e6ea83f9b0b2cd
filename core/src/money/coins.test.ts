import fc from 'fast-check';
import { expect, test } from 'vitest';
import { inCoins, inWords, money } from './index.ts';

test.each([
  ['12', 'EUR', 1200],
  ['12.5', 'EUR', 1250],
  ['12,50 €', 'EUR', 1250],
  ['£3.05', 'GBP', 305],
  ['120', 'JPY', 120],
  ['1000000000', 'JPY', 1e9],
  ['1.234', 'KWD', 1234],
  ['1,200', 'EUR', undefined],
  ['12.5', 'JPY', undefined],
  ['-3', 'EUR', undefined],
  ['three', 'EUR', undefined],
  ['', 'EUR', undefined],
])('“%s” %s is %s of the smallest coins', (text, currency, coins) => {
  expect(inCoins(text, currency)).toBe(coins);
});

test('any amount is read back to the coin', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1e9 }), fc.constantFrom('EUR', 'JPY', 'KWD'), (coins, currency) => {
      expect(inCoins(inWords(coins, currency), currency)).toBe(coins);
    }),
  );
});

test('is read with its sign', () => {
  expect(money(1250, 'EUR')).toBe('€12.50');
  expect(money(120, 'JPY')).toBe('¥120');
});
