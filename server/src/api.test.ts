import { beginDocument, FAMILIES, planOf, readDocument } from '@fennot/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import { migrate } from './db/connect.ts';
import { localOwner } from './db/owners.ts';
import { addDemoBags, demoBags } from './demo/index.ts';
import { freshDatabase } from './testing/database.ts';

let db: Knex;
let drop: () => Promise<void>;
let app: FastifyInstance;
let owner: string;

beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
beforeEach(async () => {
  await app?.close();
  await db('owners').delete();
  owner = (await localOwner(db)).id;
  app = await buildApp({ db, owner });
});
afterAll(async () => {
  await app?.close();
  await drop();
});

const bag = (name = 'A bag') => beginDocument({ name });
const create = async (name?: string) =>
  (await app.inject({ method: 'POST', url: '/api/bags', payload: { document: bag(name) } })).json();

describe('bags', () => {
  test('are created, listed, read and deleted', async () => {
    const made = await create('Bell bag');
    expect(made).toMatchObject({ version: 1, document: { name: 'Bell bag' } });
    const list = (await app.inject('/api/bags')).json();
    expect(list.map((one: { id: string }) => one.id)).toEqual([made.id]);
    expect((await app.inject(`/api/bags/${made.id}`)).json()).toEqual(made);
    expect((await app.inject({ method: 'DELETE', url: `/api/bags/${made.id}` })).statusCode).toBe(204);
    expect((await app.inject(`/api/bags/${made.id}`)).statusCode).toBe(404);
  });

  test('are saved on top of the version they were read at', async () => {
    const { id } = await create();
    const put = (basedOn: number, name: string) =>
      app.inject({ method: 'PUT', url: `/api/bags/${id}`, payload: { basedOn, document: bag(name) } });
    expect((await put(1, 'Mine')).json()).toMatchObject({ version: 2, document: { name: 'Mine' } });
    const clash = await put(1, 'Theirs');
    expect(clash.statusCode).toBe(409);
    expect(clash.headers['content-type']).toContain('application/problem+json');
    expect(clash.json()).toMatchObject({
      title: 'Changed elsewhere',
      current: { version: 2, document: { name: 'Mine' } },
    });
    expect((await app.inject(`/api/bags/${id}`)).json().document.name).toBe('Mine');
  });

  test('of ten saves at once on one version, one wins and nine are told', async () => {
    const { id } = await create();
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, i) =>
        app.inject({
          method: 'PUT',
          url: `/api/bags/${id}`,
          payload: { basedOn: 1, document: bag(`Window ${i}`) },
        }),
      ),
    );
    const codes = answers.map(({ statusCode }) => statusCode).sort();
    expect(codes).toEqual([200, ...Array(9).fill(409)]);
  });

  test('that are wrong are refused with the path of each bad field', async () => {
    const document = { ...bag(), motifs: [{ ...bag().motifs[0], cornerChains: 7 }] };
    const answer = await app.inject({ method: 'POST', url: '/api/bags', payload: { document } });
    expect(answer.statusCode).toBe(422);
    expect(answer.json().errors).toEqual([
      { path: 'motifs.0.cornerChains', message: 'A corner has 1, 2 or 3 chains.' },
    ]);
    expect((await app.inject('/api/bags')).json()).toEqual([]);
  });

  test.each(['00000000-0000-4000-8000-000000000000', 'not-an-id', "'; drop table bags; --"])(
    'there is no bag %s',
    async (id) => {
      const url = `/api/bags/${encodeURIComponent(id)}`;
      for (const request of [
        { method: 'GET' as const, url },
        { method: 'DELETE' as const, url },
        { method: 'PUT' as const, url, payload: { basedOn: 1, document: bag() } },
      ]) {
        const answer = await app.inject(request);
        expect(answer.statusCode).toBe(404);
        expect(answer.json().detail).toContain('There is no bag at this address.');
      }
    },
  );

  test('of another owner cannot be read, changed or deleted', async () => {
    const { id } = await create();
    const [other] = await db('owners').insert({ name: 'someone else' }).returning('id');
    const stranger = await buildApp({ db, owner: other.id });
    expect((await stranger.inject('/api/bags')).json()).toEqual([]);
    expect((await stranger.inject(`/api/bags/${id}`)).statusCode).toBe(404);
    expect((await stranger.inject({ method: 'DELETE', url: `/api/bags/${id}` })).statusCode).toBe(404);
    await stranger.close();
    expect((await app.inject(`/api/bags/${id}`)).statusCode).toBe(200);
  });
});

describe('settings', () => {
  test('have defaults, and are kept', async () => {
    expect((await app.inject('/api/settings')).json()).toEqual({
      terms: 'us',
      system: 'cm',
      theme: 'device',
    });
    const uk = { terms: 'uk', system: 'in', theme: 'dark' };
    await app.inject({ method: 'PUT', url: '/api/settings', payload: uk });
    expect((await app.inject('/api/settings')).json()).toEqual(uk);
  });

  test('that are wrong change nothing, and the field is named', async () => {
    const answer = await app.inject({
      method: 'PUT',
      url: '/api/settings',
      payload: { terms: 'fr', system: 'cm', theme: 'dark' },
    });
    expect(answer.statusCode).toBe(400);
    expect(answer.json().errors[0].path).toBe('terms');
    expect((await app.inject('/api/settings')).json().theme).toBe('device');
  });

  test('a setting this version does not know falls back to its default', async () => {
    await db('owners')
      .where({ id: owner })
      .update({ settings: { terms: 'uk', system: 'ells' } });
    expect((await app.inject('/api/settings')).json()).toEqual({
      terms: 'uk',
      system: 'cm',
      theme: 'device',
    });
  });
});

describe('the server', () => {
  test('says that it is well, describes itself and publishes the file format', async () => {
    expect((await app.inject('/api/health')).json()).toEqual({ ok: true });
    const paths = (await app.inject('/api/docs/json')).json().paths;
    expect(Object.keys(paths)).toEqual(
      expect.arrayContaining(['/api/bags', '/api/bags/{id}', '/api/settings']),
    );
    expect((await app.inject('/api/bag-schema.json')).json().properties.format.const).toBe('fennot.bag');
  });

  test('answers what is not there, and what is not JSON, with problem details', async () => {
    const nothing = await app.inject('/api/nothing');
    expect([nothing.statusCode, nothing.json().title]).toEqual([404, 'Not found']);
    const broken = await app.inject({
      method: 'POST',
      url: '/api/bags',
      headers: { 'content-type': 'application/json' },
      payload: '{"document":',
    });
    expect(broken.statusCode).toBe(400);
    expect(broken.json().status).toBe(400);
  });

  test('keeps other sites’ scripts and frames out', async () => {
    const { headers } = await app.inject('/api/health');
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['x-frame-options']).toBe('SAMEORIGIN');
  });

  test('says so when its database is away', async () => {
    const away = await freshDatabase();
    const lost = await buildApp({ db: away.db, owner });
    await away.db.destroy();
    const answer = await lost.inject('/api/health');
    expect(answer.statusCode).toBeGreaterThanOrEqual(500);
    expect(answer.json().detail).toMatch(/\.$/);
    await lost.close();
    await away.drop();
  });

  test('migrates twice without harm', async () => {
    await migrate(db);
    expect((await app.inject('/api/health')).statusCode).toBe(200);
  });
});

describe('demo bags', () => {
  test('are good documents of every family, with problems for the tool to show', async () => {
    const bags = demoBags();
    expect(bags.every((one) => readDocument(one).ok)).toBe(true);
    expect(new Set(bags.map(({ construction }) => construction.family)).size).toBe(FAMILIES.length);
    const pack = bags.find(({ name }) => name.includes('pack'));
    const strip = pack && planOf(pack).marked[0];
    expect(Math.round((strip?.wayLength ?? 0) / (strip?.unit ?? 1)) - (strip?.total ?? 0)).toBe(4);
  });

  test('come to a new owner only', async () => {
    await addDemoBags(db, owner);
    expect((await app.inject('/api/bags')).json()).toHaveLength(demoBags().length);
    expect((await localOwner(db)).isNew).toBe(false);
  });
});

test('a bag’s lining comes as a PDF, and a bag that is not there is said not to be', async () => {
  const made = await app.inject({ method: 'POST', url: '/api/bags', payload: { document: bag() } });
  const { id } = made.json<{ id: string }>();
  const answer = await app.inject(`/api/bags/${id}/lining.pdf`);
  expect(answer.statusCode).toBe(200);
  expect(answer.headers['content-type']).toContain('application/pdf');
  expect(answer.rawPayload.subarray(0, 5).toString()).toBe('%PDF-');
  const none = await app.inject('/api/bags/00000000-0000-4000-8000-000000000000/lining.pdf');
  expect(none.statusCode).toBe(404);
  expect(none.json()).toMatchObject({ title: 'No such bag' });
});

test('a wrong setting is named', () => {
  const good = { DATABASE_URL: 'postgres://x@localhost/y' };
  expect(readConfig(good).port).toBe(4680);
  expect(() => readConfig({})).toThrow('DATABASE_URL');
  expect(() => readConfig({ ...good, FENNOT_PORT: 'many' })).toThrow('FENNOT_PORT');
});
