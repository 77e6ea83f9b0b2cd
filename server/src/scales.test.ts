import type { Scale } from '@fennot/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { buildApp } from './app.ts';
import { ScaleLinks } from './scale/link.ts';
import { type StandIn, standIn } from './scale/stand-in.ts';
import { freshDatabase } from './testing/database.ts';

let db: Knex;
let drop: () => Promise<void>;
let app: FastifyInstance;
let scale: StandIn;
let url: string;

beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
  scale = await standIn({ name: 'Kitchen' });
  app = await buildApp({
    db,
    scales: new ScaleLinks([{ host: '127.0.0.1', port: scale.linePort }]),
  });
  url = await app.listen({ port: 0, host: '127.0.0.1' });
});
afterAll(async () => {
  await app.close();
  await scale.close();
  await drop();
});

/** Reads a stream of events until one is as wanted; tells all it read. */
async function readUntil(wanted: (text: string) => boolean): Promise<string> {
  const leave = new AbortController();
  const answer = await fetch(`${url}/api/scales`, { signal: leave.signal });
  expect(answer.headers.get('content-type')).toContain('text/event-stream');
  let text = '';
  for await (const part of answer.body ?? []) {
    text += new TextDecoder().decode(part);
    if (wanted(text)) break;
  }
  leave.abort();
  return text;
}
const scalesIn = (text: string): Scale[] =>
  [...text.matchAll(/event: scale\ndata: (.*)\n/g)].map((match) => JSON.parse(match[1] ?? ''));

test('a stream begins with all scales, and tells every change', async () => {
  await readUntil((text) => /"is":"stable","grams":0/.test(text));
  await fetch(`http://127.0.0.1:${scale.pagePort}/lay`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '25',
  });
  const text = await readUntil((all) => all.includes('"is":"stable","grams":25'));
  expect(text).toMatch(/^retry: 1000\n\nevent: all\ndata: \[\{"id":/);
  expect(scalesIn(text).every(({ name }) => name === 'Kitchen')).toBe(true);
});

test('a server that is stopped ends its streams, and does not wait for who listens', async () => {
  const other = await buildApp({ db });
  const address = await other.listen({ port: 0, host: '127.0.0.1' });
  const answer = await fetch(`${address}/api/scales`);
  const reader = answer.body?.getReader();
  await reader?.read();
  await other.close();
  for (;;) {
    const { done } = (await reader?.read().catch(() => ({ done: true }))) ?? { done: true };
    if (done) break;
  }
});
