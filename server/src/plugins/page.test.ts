import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { API } from '@fennot/core';
import Fastify, { type FastifyInstance } from 'fastify';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { headers } from './headers.ts';
import { page } from './page.ts';
import { problems } from './problems.ts';

let web: string;
let app: FastifyInstance;

beforeAll(async () => {
  web = mkdtempSync(join(tmpdir(), 'fennot-web-'));
  mkdirSync(join(web, 'assets'));
  writeFileSync(join(web, 'assets/main-abc.js'), 'let bags;');
  writeFileSync(join(web, 'index.html'), '<html><head><meta name="style-nonce" content="" /></head></html>');
  app = Fastify();
  await app.register(problems);
  await app.register(headers, { tls: 'none' });
  app.get(`${API}/thing`, async () => ({ of: 'the API' }));
  app.get(`${API}/picture`, (_, reply) => reply.header('cache-control', 'private, max-age=1').send('svg'));
  await app.register(page, { web });
});
afterAll(async () => {
  await app.close();
  rmSync(web, { recursive: true });
});

describe('the page', () => {
  const nonceIn = (text: string) => /content="([^"]+)"/.exec(text)?.[1];

  test('is the same at every address within the application, and never kept', async () => {
    for (const url of ['/', '/index.html', '/bags/some-id/build', '/nowhere?x=1']) {
      const answer = await app.inject(url);
      expect([answer.statusCode, answer.headers['content-type']]).toEqual([200, 'text/html; charset=utf-8']);
      expect(answer.headers['cache-control']).toBe('no-store');
      expect(nonceIn(answer.body)).toBeDefined();
    }
  });

  test('knows the word by which its policy takes styles, a new one each time', async () => {
    const [one, other] = [await app.inject('/'), await app.inject('/')];
    const words = [one, other].map(({ body }) => nonceIn(body));
    expect(words[0]).not.toBe(words[1]);
    expect(words[0]?.length).toBeGreaterThanOrEqual(20);
    [one, other].forEach(({ headers: own }, i) => {
      const policy = String(own['content-security-policy']);
      expect(policy).toContain(`style-src 'self' 'nonce-${words[i]}'`);
      // WebAssembly may be compiled; no text may be run, and no style may be anyone's.
      expect(policy.replace("'wasm-unsafe-eval'", '')).not.toContain('unsafe');
    });
  });

  test('is a page, and an answer of the API is a file', async () => {
    expect((await app.inject('/')).headers['content-disposition']).toBeUndefined();
    expect((await app.inject(`${API}/thing`)).headers['content-disposition']).toBe(
      'attachment; filename="api.json"',
    );
    expect((await app.inject(`${API}/picture`)).headers['content-disposition']).toBeUndefined();
  });

  test('asks for nothing from elsewhere, and gives itself to no frame', async () => {
    const { headers: own } = await app.inject('/');
    const policy = String(own['content-security-policy']);
    for (const rule of [
      "default-src 'none'",
      "script-src 'self' 'wasm-unsafe-eval';",
      "font-src 'self'",
      "frame-ancestors 'none'",
      "base-uri 'none'",
    ])
      expect(policy).toContain(rule);
    expect(policy).not.toMatch(/https?:|\*/);
    expect(own['permissions-policy']).toContain('camera=()');
    expect(own['x-content-type-options']).toBe('nosniff');
  });
});

describe('files and answers', () => {
  test('a built file is kept for ever: its name changes with it', async () => {
    const answer = await app.inject('/assets/main-abc.js');
    expect(answer.body).toBe('let bags;');
    expect(answer.headers['cache-control']).toContain('immutable');
  });

  test('one that is not there is not the page: a page would be taken for a script', async () => {
    for (const url of ['/assets/main-old.js', `${API}/nothing`]) {
      const answer = await app.inject(url);
      expect(answer.statusCode).toBe(404);
      expect(answer.json().detail).toBe(`There is nothing at ${url}.`);
    }
    expect((await app.inject({ method: 'POST', url: '/bags/x' })).statusCode).toBe(404);
  });

  test('an answer of the API is not kept, unless it says so itself', async () => {
    expect((await app.inject(`${API}/thing`)).headers['cache-control']).toBe('no-store');
    expect((await app.inject(`${API}/picture`)).headers['cache-control']).toBe('private, max-age=1');
  });

  test('nothing outside the folder is given away', async () => {
    for (const url of ['/../secret', '/assets/..%2f..%2fetc/passwd', '/%2e%2e/%2e%2e/etc/passwd']) {
      const answer = await app.inject(url);
      expect(answer.body).not.toContain('root:');
    }
  });
});
