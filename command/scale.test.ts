import { mkdtempSync } from 'node:fs';
import { createConnection } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterEach, expect, test } from 'vitest';
import { homeAt } from './home.ts';
import { type ScaleProcess, startScale } from './scale.ts';

const home = homeAt(resolve(import.meta.dirname, '..'), mkdtempSync(join(tmpdir(), 'fennot-scale-')));
let scale: ScaleProcess | undefined;
afterEach(async () => {
  await scale?.leave();
  scale = undefined;
  delete process.env.FENNOT_SCALE;
});

/** The first words of whoever listens there; nothing where nobody does. */
const greeting = (address: string): Promise<string | undefined> =>
  new Promise((done) => {
    const [host = '', port = '0'] = address.split(':');
    const socket = createConnection({ host, port: Number(port) });
    socket.setEncoding('utf8');
    socket.once('data', (text) => {
      socket.destroy();
      done(String(text).split('\n')[0]);
    });
    socket.once('error', () => done(undefined));
  });
async function until(look: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + 20_000; !(await look()); ) {
    if (Date.now() > end) throw new Error('It did not come to that.');
    await new Promise((done) => setTimeout(done, 50));
  }
}

test('the scale comes up with the server, is started again when it is killed, and ends with it', async () => {
  scale = await startScale(home);
  const { address = '', pid } = scale ?? {};
  expect(await greeting(address)).toBe('scale 1 Kitchen scale');
  const first = pid?.();
  process.kill(first ?? 0, 'SIGKILL');
  await until(async () => pid?.() !== first && (await greeting(address)) === 'scale 1 Kitchen scale');
  await scale?.leave();
  expect(await greeting(address)).toBeUndefined();
});

test('is left away where that is asked', async () => {
  process.env.FENNOT_SCALE = 'off';
  expect(await startScale(home)).toBeUndefined();
});
