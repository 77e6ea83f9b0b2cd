import { API, addressOf, beginDocument, PROBLEMS, ROUTES } from '@fennot/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { z } from 'zod';
import { buildApp } from './app.ts';
import { localOwner } from './db/owners.ts';
import { freshDatabase } from './testing/database.ts';
import { maker, type TestMaker, withCookie } from './testing/makers.ts';

let db: Knex;
let drop: () => Promise<void>;
let app: FastifyInstance;

beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
  app = await buildApp({ db });
});
afterAll(async () => {
  await app.close();
  await drop();
});

let signed: TestMaker | undefined;
/** A maker who may do anything. */
const signedMaker = async () => {
  signed ??= await maker(app, 'Rowan', { owner: (await localOwner(db)).id });
  return signed;
};

const ID = '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10';

describe('what the contract says is what the server does', () => {
  test.each(Object.entries(ROUTES))('%s is served and described', async (_, { method, path, status }) => {
    const { paths } = (await app.inject(`${API}/docs/json`)).json();
    const described = paths[`${API}${path.replace(':id', '{id}')}`]?.[method.toLowerCase()];
    expect(Object.keys(described?.responses ?? {})).toContain(String(status));
  });

  test.each(Object.entries(ROUTES).filter(([, { body }]) => body instanceof z.ZodObject))(
    '%s refuses a body that is none, with the fields named',
    async (_, route) => {
      const own = await signedMaker();
      const answer = await own.inject({
        method: route.method,
        url: addressOf(route, ID),
        payload: { nothing: 'of this' },
      });
      expect(answer.statusCode).toBe(400);
      expect(answer.json()).toMatchObject({ title: PROBLEMS.badInput.title, status: 400 });
      expect(answer.json().errors.length).toBeGreaterThan(0);
    },
  );

  test('what a good answer holds is read by the schema that promises it', async () => {
    const document = beginDocument({ name: 'Bag' });
    const own = await signedMaker();
    const made = await own.inject({
      method: 'POST',
      url: addressOf(ROUTES.createBag),
      payload: { id: ID, document },
    });
    expect(ROUTES.createBag.answer.parse(made.json()).id).toBe(ID);
    const list = await own.inject(addressOf(ROUTES.bags));
    expect(ROUTES.bags.answer.parse(list.json()).bags).toHaveLength(1);
    const settings = await own.inject(addressOf(ROUTES.settings));
    expect(ROUTES.settings.answer.parse(settings.json()).terms).toBe('us');
  });
});

describe('a failure of the database is told as what it is', () => {
  /** A server whose database fails every query in this way. */
  const failing = async (error: Error) =>
    buildApp({
      db: new Proxy(db, {
        apply: () => {
          throw error;
        },
      }),
    });

  test.each([
    ['53100', PROBLEMS.diskFull],
    ['ECONNREFUSED', PROBLEMS.databaseAway],
    ['57P01', PROBLEMS.databaseAway],
    ['42P01', PROBLEMS.serverError],
  ])('%s', async (code, problem) => {
    const lost = await failing(Object.assign(new Error('secret: /var/lib/pg'), { code }));
    const { cookie } = await signedMaker();
    const answer = await withCookie(lost, cookie)(addressOf(ROUTES.bags));
    expect(answer.json()).toMatchObject(problem);
    expect(answer.statusCode).toBe(problem.status);
    // What is inside is for the log, not for the page.
    expect(answer.body).not.toContain('secret');
    await lost.close();
  });
});
