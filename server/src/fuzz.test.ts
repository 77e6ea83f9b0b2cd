import { randomUUID } from 'node:crypto';
import { API, beginDocument, ROUTES, type Route } from '@fennot/core';
import fc from 'fast-check';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { z } from 'zod';
import { documents } from '../../core/src/testing/arbitraries.ts';
import { buildApp } from './app.ts';
import { freshDatabase } from './testing/database.ts';
import { mutated } from './testing/mutations.ts';

/** Requests that are tried: thousands in the suite, as many as one likes by `npm run fuzz`. */
const RUNS = Number(process.env.FENNOT_FUZZ ?? 2000);

let db: Knex;
let drop: () => Promise<void>;
let app: FastifyInstance;
/** A bag that is there, so that not every request is about nothing. */
const there = randomUUID();

beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
  app = await buildApp({ db });
  const document = beginDocument({ name: 'There' });
  await app.inject({ method: 'POST', url: `${API}/bags`, payload: { id: there, document } });
});
afterAll(async () => {
  await app.close();
  await drop();
});

const id = fc.oneof(
  fc.constant(there),
  fc.uuid(),
  fc.constantFrom('', '..', '%00', '%', 'null', "'; drop table bags; --", 'a'.repeat(3000)),
  fc.string({ unit: 'binary', maxLength: 40 }).map(encodeURIComponentSafely),
);

function encodeURIComponentSafely(text: string): string {
  try {
    return encodeURIComponent(text);
  } catch {
    return '%EF%BF%BD';
  }
}

/** A body as the schema of the route wants it, or nearly. */
function bodyOf({ body }: Route): fc.Arbitrary<unknown> {
  if (!(body instanceof z.ZodObject)) return fc.constant(undefined);
  const field = (name: string): fc.Arbitrary<unknown> => {
    switch (name) {
      case 'document':
        return mutated(documents);
      case 'id':
      case 'save':
        return fc.uuid();
      case 'basedOn':
        return fc.oneof(fc.integer({ min: 1, max: 4 }), fc.maxSafeInteger());
      default:
        return fc.constantFrom<unknown>('us', 'cm', 'dark', true, 7);
    }
  };
  const names = Object.keys(body.shape);
  return mutated(fc.record(Object.fromEntries(names.map((name) => [name, field(name)]))), 1);
}

const query = fc.oneof(
  fc.constant(''),
  fc
    .dictionary(
      fc.constantFrom('order', 'search', 'after', 'limit', 'version', 'else'),
      fc.oneof(fc.constantFrom('name', '0', '48', '-1', '1e9', '%', '\\', "'"), fc.string({ maxLength: 30 })),
    )
    .map((fields) => `?${new URLSearchParams(fields)}`),
);

const requests = fc.constantFrom(...Object.values(ROUTES)).chain((route: Route) =>
  fc.record({
    method: fc.oneof(
      { weight: 9, arbitrary: fc.constant(route.method) },
      fc.constantFrom('GET', 'PUT', 'DELETE'),
    ),
    url: fc.tuple(id, query).map(([own, more]) => API + route.path.replace(':id', own) + more),
    payload: bodyOf(route),
  }),
);

test(`of ${RUNS} requests, well-formed and not, none makes the server fail`, { timeout: 0 }, async () => {
  const slowest = { ms: 0, what: '' };
  await fc.assert(
    fc.asyncProperty(requests, async ({ method, url, payload }) => {
      const begun = performance.now();
      const answer = await app.inject({
        method: method === 'GET' ? 'GET' : method === 'PUT' ? 'PUT' : method === 'DELETE' ? 'DELETE' : 'POST',
        url,
        ...(payload === undefined
          ? {}
          : {
              headers: { 'content-type': 'application/json' },
              payload: JSON.stringify(payload) ?? 'undefined',
            }),
      });
      const ms = performance.now() - begun;
      if (ms > slowest.ms) Object.assign(slowest, { ms, what: `${method} ${url.slice(0, 80)}` });
      expect(answer.statusCode, `${method} ${url}: ${answer.body.slice(0, 300)}`).toBeLessThan(500);
      // What is refused is refused in a sentence, and not in a book.
      if (answer.statusCode >= 400) {
        const { detail, current, ...rest } = answer.json();
        expect(detail).toMatch(/\S/);
        // Where two windows clash the bag that is there comes along, as long as it is.
        if (answer.statusCode !== 409) expect(current).toBeUndefined();
        expect(JSON.stringify({ detail, ...rest }).length).toBeLessThan(10_000);
      }
    }),
    { numRuns: RUNS },
  );
  if (process.env.FENNOT_FUZZ) console.log(`slowest: ${slowest.ms.toFixed(0)} ms, ${slowest.what}`);
  // Whatever was sent, what is there can still be listed and read.
  const list = await app.inject(`${API}/bags?limit=100`);
  expect(list.statusCode).toBe(200);
  for (const bag of list.json().bags)
    expect((await app.inject(`${API}/bags/${bag.id}`)).statusCode).toBe(200);
});
