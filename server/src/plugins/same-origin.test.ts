import { PROBLEMS } from '@fennot/core';
import Fastify from 'fastify';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { problems } from './problems.ts';
import { sameOrigin } from './same-origin.ts';

const app = Fastify();
const changes: string[] = [];
beforeAll(async () => {
  await app.register(problems);
  await app.register(sameOrigin, { names: () => new Set(['loft.local', '192.0.2.7']) });
  app.get('/read', async () => ({ secret: 'bags' }));
  for (const method of ['POST', 'PUT', 'DELETE'] as const)
    app.route({ method, url: '/change', handler: async () => changes.push(method) });
  await app.ready();
});
afterAll(() => app.close());

const read = (host: string) => app.inject({ url: '/read', headers: { host } });
const change = (headers: Record<string, string>, method: 'POST' | 'PUT' | 'DELETE' = 'POST') =>
  app.inject({ method, url: '/change', headers: { host: 'localhost:4680', ...headers } });

describe('by which name the server is asked', () => {
  test.each([
    'localhost',
    'localhost:4680',
    '127.0.0.1:4680',
    '[::1]:4680',
    'LOCALHOST:1',
    'loft.local:4680',
    'LOFT.local',
    '192.0.2.7:4680',
  ])('%s is known', async (host) => {
    expect((await read(host)).statusCode).toBe(200);
  });

  test.each([
    'evil.example',
    'evil.example:4680',
    'loft.local.evil.example',
    '192.0.2.8:4680',
    'localhost.evil.example',
    '127.0.0.1.evil.example',
    'notlocalhost',
  ])('“%s” is a name that somebody bound to this address: nothing is told', async (host) => {
    const answer = await read(host);
    expect(answer.statusCode).toBe(PROBLEMS.strangeHost.status);
    expect(answer.body).not.toContain('secret');
  });
});

describe('what changes something', () => {
  test('is done for Fennot’s own page, and for programs', async () => {
    changes.length = 0;
    for (const headers of [
      {},
      { origin: 'http://localhost:4680', 'sec-fetch-site': 'same-origin' },
      { 'sec-fetch-site': 'none' },
    ])
      expect((await change(headers)).statusCode).toBe(200);
    expect(changes).toHaveLength(3);
  });

  test.each([
    { origin: 'https://evil.example' },
    { origin: 'null' },
    // Another port of this machine is another program's page.
    { origin: 'http://localhost:3000' },
    { 'sec-fetch-site': 'cross-site' },
    { 'sec-fetch-site': 'same-site' },
    { origin: 'http://localhost:4680', 'sec-fetch-site': 'cross-site' },
  ])('is refused for a page elsewhere: %o', async (headers) => {
    changes.length = 0;
    for (const method of ['POST', 'PUT', 'DELETE'] as const) {
      const answer = await change(headers, method);
      expect(answer.statusCode).toBe(PROBLEMS.strangeOrigin.status);
      expect(answer.json().detail).toBe(PROBLEMS.strangeOrigin.detail);
    }
    expect(changes).toEqual([]);
  });
});
