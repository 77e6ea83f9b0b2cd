import { expect, test } from 'vitest';
import { announcement } from './announce.ts';

const lan = {
  url: 'http://localhost:4680',
  addresses: ['https://192.168.1.5:4680', 'https://loft.local:4680'],
  trust: ['http://192.168.1.5:4680/trust'],
  fingerprint: 'AA:BB',
  claim: undefined,
};

test('to this machine alone: where it is, and no more', async () => {
  const alone = {
    url: 'http://localhost:4680',
    addresses: [],
    trust: [],
    fingerprint: undefined,
    claim: undefined,
  };
  expect(await announcement(alone, false)).toBe('Fennot is open at http://localhost:4680');
});

test('to others: every address, a pattern of the first, and how a device comes to trust it', async () => {
  const text = await announcement(lan, false);
  expect(text).toContain('https://192.168.1.5:4680, https://loft.local:4680');
  // 25 modules and a margin of four on both sides, two rows in a line of text.
  const pattern = text.split('\n').filter((line) => /^[ █▀▄]{33}$/.test(line));
  expect(pattern.length).toBe(17);
  expect(text).toContain('http://192.168.1.5:4680/trust');
  expect(text).toContain('AA:BB');
  expect(text).not.toContain('code');
});

test('as long as nobody has an account, with the code that makes the first', async () => {
  expect(await announcement({ ...lan, claim: 'ABCDE12345' }, false)).toMatch(/code: ABCDE-12345$/);
});
