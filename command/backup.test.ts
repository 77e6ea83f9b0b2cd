import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bagListSchema, beginDocument } from '@fennot/core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { House } from '../drill/house.ts';

const ID = '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10';
const folder = mkdtempSync(join(tmpdir(), 'fennot-backup-'));
const file = join(folder, 'bags.backup');
let house: House;

beforeAll(async () => {
  house = await House.build();
  await house.start();
}, 120_000);
afterAll(async () => {
  await house.raze();
  rmSync(folder, { recursive: true, force: true });
}, 60_000);

const names = async () => {
  const answer = await fetch(`${house.url}/api/bags?limit=100`);
  return bagListSchema.parse(await answer.json()).bags.map(({ name }) => name);
};

test('a backup is everything as it was, and a restore puts it back', { timeout: 180_000 }, async () => {
  await fetch(`${house.url}/api/bags`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: ID, document: beginDocument({ name: 'Backed up' }) }),
  });
  const before = await names();
  expect(before).toContain('Backed up');

  // While Fennot goes on.
  const made = await house.run('backup', file).ended;
  expect([made.code, made.said]).toEqual([0, expect.stringContaining(file)]);
  // It overwrites nothing, and leaves no halves.
  const again = await house.run('backup', file).ended;
  expect([again.code, again.said]).toEqual([1, expect.stringContaining('is there already')]);
  expect(readdirSync(folder)).toEqual(['bags.backup']);

  await fetch(`${house.url}/api/bags/${ID}`, { method: 'DELETE' });
  expect(await names()).not.toContain('Backed up');

  const open = await house.run('restore', file).ended;
  expect([open.code, open.said]).toEqual([1, expect.stringContaining('Stop it first')]);
  await house.stop();

  // What is no backup changes nothing.
  const junk = join(folder, 'junk.backup');
  writeFileSync(junk, 'This is a shopping list.');
  for (const wrong of [junk, join(folder, 'nowhere')]) {
    const { code, said } = await house.run('restore', wrong).ended;
    expect(code).toBe(1);
    expect(said).not.toContain(' at ');
  }

  const restored = await house.run('restore', file).ended;
  expect([restored.code, restored.said]).toEqual([
    0,
    expect.stringContaining(`Restored ${before.length} bags`),
  ]);
  await house.start();
  expect((await names()).sort()).toEqual(before.sort());
  expect(existsSync(file)).toBe(true);
});
