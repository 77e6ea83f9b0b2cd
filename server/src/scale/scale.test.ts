import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import type { Scale } from '@fennot/core';
import { afterEach, describe, expect, test } from 'vitest';
import { z } from 'zod';
import { readAddresses, ScaleLinks } from './link.ts';
import { type StandIn, standIn } from './stand-in.ts';

const open: Array<() => unknown> = [];
afterEach(async () => {
  for (const close of open.splice(0).reverse()) await close();
});

/** Waits until something is so, as long as a test may take. */
async function until<T>(look: () => T | undefined | false, patience = 12_000): Promise<T> {
  for (const end = Date.now() + patience; ; ) {
    const seen = look();
    if (seen) return seen;
    if (Date.now() > end) throw new Error('It did not come to that.');
    await new Promise((done) => setTimeout(done, 20));
  }
}

async function scale(fields: Parameters<typeof standIn>[0] = {}): Promise<StandIn> {
  const own = await standIn(fields);
  open.push(() => own.close());
  return own;
}
function links(...ports: number[]) {
  const own = new ScaleLinks(ports.map((port) => ({ host: '127.0.0.1', port })));
  open.push(() => own.close());
  const heard: Scale[] = [];
  own.listen((one) => heard.push(one));
  return { own, heard, at: (i = 0) => own.now()[i]?.reading };
}
const post = (page: number, path: string, body = '') =>
  fetch(`http://127.0.0.1:${page}/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  });

describe('a scale that is listened to', () => {
  test('shows what is laid on it: first it swings, then it rests', async () => {
    const { linePort, pagePort } = await scale({ name: 'Kitchen' });
    const { own, heard, at } = links(linePort);
    expect(at()).toEqual({ is: 'lost' });
    await until(() => at()?.is === 'stable');
    expect(own.now()[0]).toMatchObject({ name: 'Kitchen', page: `http://127.0.0.1:${pagePort}/` });
    heard.length = 0;
    await post(pagePort, 'lay', '14.2');
    await until(() => {
      const now = at();
      return now?.is === 'stable' && now.grams === 14.2;
    });
    expect(heard.map(({ reading }) => reading.is)).toContain('moving');
  });

  test('too much, less than nothing, and set to zero', async () => {
    const { linePort, pagePort } = await scale();
    const { at } = links(linePort);
    await post(pagePort, 'lay', '6000');
    await until(() => at()?.is === 'over');
    await post(pagePort, 'clear');
    await post(pagePort, 'lay', '310');
    await post(pagePort, 'tare');
    await post(pagePort, 'clear');
    await until(() => {
      const now = at();
      return now?.is === 'stable' && now.grams === -310;
    });
  });

  test('of two scales each says its own', async () => {
    const [one, two] = [await scale({ name: 'One' }), await scale({ name: 'Two' })];
    const { own, at } = links(one.linePort, two.linePort);
    await post(two.pagePort, 'lay', '50');
    await until(() => at(1)?.is === 'stable' && own.now()[1]?.name === 'Two' && at(0)?.is === 'stable');
    await until(() => {
      const now = at(1);
      return now?.is === 'stable' && now.grams === 50;
    });
    expect(at(0)).toEqual({ is: 'stable', grams: 0 });
  });

  test('one that is switched off is lost, and there again when it is switched on', async () => {
    const first = await standIn({});
    const { at } = links(first.linePort);
    await until(() => at()?.is === 'stable');
    await first.close();
    await until(() => at()?.is === 'lost');
    await scale({ linePort: first.linePort });
    await until(() => at()?.is === 'stable');
  });

  test('one that goes silent without hanging up is lost', async () => {
    const sockets: Socket[] = [];
    const silent = createServer((socket) => {
      sockets.push(socket);
      socket.on('error', () => {});
      socket.write('5.0 g stable\n');
    });
    silent.listen(0, '127.0.0.1');
    await once(silent, 'listening');
    open.push(() => {
      for (const socket of sockets) socket.destroy();
      silent.close();
    });
    const address = silent.address();
    const { heard } = links(typeof address === 'object' && address ? address.port : 0);
    await until(() => heard.some(({ reading }) => reading.is === 'stable'));
    await until(() => heard.at(-1)?.reading.is === 'lost');
  });

  test('lines that mean nothing are passed over, and one without end is hung up on', async () => {
    let calls = 0;
    const mad = createServer((socket) => {
      calls++;
      socket.on('error', () => {});
      socket.write(calls === 1 ? 'x'.repeat(10_000) : 'hello\n\u0000\n12.5 g sta');
      if (calls > 1) setTimeout(() => socket.writable && socket.write('ble\n'), 30);
    });
    mad.listen(0, '127.0.0.1');
    await once(mad, 'listening');
    open.push(() => mad.close());
    const address = mad.address();
    const { at } = links(typeof address === 'object' && address ? address.port : 0);
    await until(() => at()?.is === 'stable');
    expect(at()).toEqual({ is: 'stable', grams: 12.5 });
    expect(calls).toBe(2);
  });

  test('addresses are read from a list, and a wrong one is named', () => {
    expect(readAddresses('127.0.0.1:4000, scale.local:5000')).toHaveLength(2);
    expect(readAddresses('')).toEqual([]);
    expect(() => readAddresses('127.0.0.1')).toThrow('“127.0.0.1” is none');
    expect(() => readAddresses('a:70000')).toThrow('is none');
  });
});

describe('the stand-in as a process', () => {
  const said = z.object({ linePort: z.number(), pagePort: z.number() });
  async function run(
    env: Record<string, string> = {},
  ): Promise<{ child: ChildProcess; linePort: number; pagePort: number }> {
    const child = spawn(
      process.execPath,
      ['--import', 'tsx', new URL('./main.ts', import.meta.url).pathname],
      {
        stdio: ['pipe', 'pipe', 'inherit'],
        env: { ...process.env, ...env },
      },
    );
    open.push(() => child.kill('SIGKILL'));
    const [line] = await once(createInterface({ input: child.stdout }), 'line');
    return { child, ...said.parse(JSON.parse(String(line))) };
  }

  test('killed in the middle, it is lost; started again at its place, it is there', async () => {
    const { child, linePort } = await run();
    const { at } = links(linePort);
    await until(() => at()?.is === 'stable');
    child.kill('SIGKILL');
    await until(() => at()?.is === 'lost');
    await run({ SCALE_PORT: String(linePort) });
    await until(() => at()?.is === 'stable');
  });

  test('ends with whoever started it', async () => {
    const { child } = await run();
    child.stdin?.end();
    await once(child, 'exit');
    expect(child.exitCode).toBe(0);
  });

  test('is touched by its own page only', async () => {
    const { pagePort, linePort } = await run();
    const strange = await fetch(`http://127.0.0.1:${pagePort}/lay`, { method: 'POST', body: '5' });
    expect(strange.status).toBe(404);
    expect((await post(pagePort, 'lay', 'NaN')).status).toBe(400);
    expect((await fetch(`http://127.0.0.1:${pagePort}/`)).headers.get('content-type')).toContain('text/html');
    const { at } = links(linePort);
    await until(() => at()?.is === 'stable');
    expect(at()).toEqual({ is: 'stable', grams: 0 });
  });
});
