import { chmodSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { outboxIn } from './outbox.ts';

const folder = mkdtempSync(join(tmpdir(), 'fennot-outbox-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const [ROWAN, SEDGE] = ['7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10', '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f11'];

test('messages are read by their maker, the latest first, and by nobody else', async () => {
  const outbox = outboxIn(folder);
  for (const title of ['First', 'Second', 'Third']) {
    await outbox.send(ROWAN, { title, text: 'Text' });
    await new Promise((done) => setTimeout(done, 3));
  }
  expect((await outbox.read(ROWAN)).map(({ title }) => title)).toEqual(['Third', 'Second', 'First']);
  expect(await outbox.read(SEDGE)).toEqual([]);
  expect(statSync(join(folder, ROWAN)).mode & 0o777).toBe(0o700);
  for (const name of readdirSync(join(folder, ROWAN)))
    expect(statSync(join(folder, ROWAN, name)).mode & 0o777).toBe(0o600);
});

test('what is damaged is passed over; the oldest go; all go with their maker', async () => {
  const outbox = outboxIn(folder);
  writeFileSync(join(folder, ROWAN, '0.json'), 'no message');
  await Promise.all(Array.from({ length: 210 }, (_, i) => outbox.send(ROWAN, { title: `${i}`, text: '' })));
  await outbox.send(ROWAN, { title: 'Last', text: '' });
  const read = await outbox.read(ROWAN);
  expect(read).toHaveLength(200);
  expect(read[0]?.title).toBe('Last');
  await outbox.forget(ROWAN);
  expect(await outbox.read(ROWAN)).toEqual([]);
  expect(readdirSync(folder)).not.toContain(ROWAN);
});

test('where nothing can be written, what it was to tell of has happened all the same', async () => {
  const file = join(folder, 'no-folder');
  writeFileSync(file, '');
  chmodSync(file, 0o400);
  await expect(outboxIn(file).send(ROWAN, { title: 'Lost', text: '' })).resolves.toBeUndefined();
});
