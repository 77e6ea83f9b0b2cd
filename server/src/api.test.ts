import { randomUUID } from 'node:crypto';
import {
  beginDocument,
  FAMILIES,
  type KeptBag,
  type ListedBag,
  planOf,
  readDocument,
  type StoredBag,
} from '@fennot/core';
import { describe, expect, test } from 'vitest';
import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import { BagStore } from './db/bags.ts';
import { connect, migrate } from './db/connect.ts';
import { localOwner } from './db/owners.ts';
import { addDemoBags, demoBags } from './demo/index.ts';
import { freshDatabase } from './testing/database.ts';
import { maker } from './testing/makers.ts';
import { testServer } from './testing/server.ts';

const server = testServer();

const bag = (name = 'A bag') => beginDocument({ name });
const post = (document: unknown, id: string = randomUUID()) =>
  server.app.inject({ method: 'POST', url: '/api/bags', payload: { id, document } });
const create = async (name?: string) => (await post(bag(name))).json<StoredBag>();
const put = (id: string, basedOn: number, name: string, save: string = randomUUID()) =>
  server.app.inject({
    method: 'PUT',
    url: `/api/bags/${id}`,
    payload: { save, basedOn, document: bag(name) },
  });
const remove = (id: string) => server.app.inject({ method: 'DELETE', url: `/api/bags/${id}` });
const restore = (id: string, basedOn: number) =>
  server.app.inject({ method: 'POST', url: `/api/bags/${id}/restore`, payload: { basedOn } });
const listed = async (): Promise<ListedBag[]> => (await server.app.inject('/api/bags')).json().bags;
const nameOf = async (id: string) => (await server.app.inject(`/api/bags/${id}`)).json().document?.name;

describe('bags', () => {
  test('are created, listed, read and deleted', async () => {
    const made = await create('Bell bag');
    expect(made).toMatchObject({ version: 1, document: { name: 'Bell bag' } });
    expect((await listed()).map(({ id }) => id)).toEqual([made.id]);
    expect((await server.app.inject(`/api/bags/${made.id}`)).json()).toEqual(made);
    expect((await remove(made.id)).json()).toMatchObject({ version: 2 });
    expect((await server.app.inject(`/api/bags/${made.id}`)).statusCode).toBe(404);
  });

  test('are made once, however often the same one is asked for', async () => {
    const id = randomUUID();
    const [first, again] = [await post(bag('Once'), id), await post(bag('Once'), id)];
    expect(again.json()).toEqual(first.json());
    expect(await listed()).toHaveLength(1);
  });

  test('are saved on top of the version they were read at', async () => {
    const { id } = await create();
    expect((await put(id, 1, 'Mine')).json()).toMatchObject({ version: 2 });
    const clash = await put(id, 1, 'Theirs');
    expect(clash.statusCode).toBe(409);
    expect(clash.headers['content-type']).toContain('application/problem+json');
    expect(clash.json()).toMatchObject({
      title: 'Changed elsewhere',
      current: { version: 2, document: { name: 'Mine' } },
    });
    expect(await nameOf(id)).toBe('Mine');
  });

  test('of ten saves at once on one version, one wins and nine are told', async () => {
    const { id } = await create();
    const answers = await Promise.all(Array.from({ length: 10 }, (_, i) => put(id, 1, `Window ${i}`)));
    const codes = answers.map(({ statusCode }) => statusCode).sort();
    expect(codes).toEqual([200, ...Array(9).fill(409)]);
  });

  test('a save whose answer was lost is answered again as it was, and is made once', async () => {
    const { id } = await create();
    const save = randomUUID();
    const first = (await put(id, 1, 'Mine', save)).json();
    expect((await put(id, 1, 'Mine', save)).json()).toEqual(first);
    // Also when someone else has saved in between: it is not their work that answers, nor is it overwritten.
    await put(id, 2, 'Theirs');
    expect((await put(id, 1, 'Mine', save)).json()).toEqual(first);
    expect(await nameOf(id)).toBe('Theirs');
    const { version } = (await server.app.inject(`/api/bags/${id}`)).json();
    expect(version).toBe(3);
  });

  test('ten repeats of one save at once are one save', async () => {
    const { id } = await create();
    const save = randomUUID();
    const answers = await Promise.all(Array.from({ length: 10 }, () => put(id, 1, 'Mine', save)));
    expect(answers.map(({ statusCode }) => statusCode)).toEqual(Array(10).fill(200));
    expect(new Set(answers.map((answer) => answer.json().version))).toEqual(new Set([2]));
  });

  test('only the last saves are remembered, so that a row does not grow for ever', async () => {
    const { id } = await create();
    const saves = Array.from({ length: 40 }, () => randomUUID());
    for (const [i, save] of saves.entries()) await put(id, i + 1, `Save ${i}`, save);
    const row = await server.db('bags').where({ id }).first('saves');
    expect(row.saves).toHaveLength(32);
    expect(row.saves[0]).toMatchObject({ id: saves.at(-1), version: 41 });
  });

  test('a delete is undone with everything that was saved up to it', async () => {
    const { id } = await create('First');
    await put(id, 1, 'Latest');
    const { version } = (await remove(id)).json();
    expect((await put(id, 2, 'Too late')).statusCode).toBe(404);
    expect((await restore(id, version - 1)).statusCode).toBe(409);
    const back = await restore(id, version);
    expect(back.json()).toMatchObject({ id, version: version + 1, document: { name: 'Latest' } });
    // Asked twice, it is brought back once; later it is no longer there to be brought back.
    expect((await restore(id, version)).json()).toEqual(back.json());
    await put(id, version + 1, 'Later');
    expect((await restore(id, version)).statusCode).toBe(409);
    expect(await nameOf(id)).toBe('Later');
  });

  test('a bag deleted long ago is forgotten, one deleted lately is not', async () => {
    const [old, late] = [await create(), await create()];
    for (const { id } of [old, late]) await remove(id);
    await server
      .db('bags')
      .where({ id: old.id })
      .update({ deleted_at: new Date(Date.now() - 31 * 86_400_000) });
    await BagStore.purge(server.db);
    expect((await restore(old.id, 2)).statusCode).toBe(404);
    expect((await restore(late.id, 2)).statusCode).toBe(200);
  });

  test('a damaged row is named in the list and handed out as it is; the others are there', async () => {
    const [good, bad, odd] = [await create('Good'), await create('Bad'), await create('Odd')];
    await server
      .db('bags')
      .where({ id: bad.id })
      .update({ document: JSON.stringify({ ...bad.document, motifs: 'gone' }) });
    await server
      .db('bags')
      .where({ id: odd.id })
      .update({ document: JSON.stringify([1, 2]) });
    await server.db('bags').update({ summed: null });
    const byId = new Map((await listed()).map((one) => [one.id, one]));
    expect(byId.get(good.id)).toMatchObject({ name: 'Good', summary: { is: 'sound' } });
    for (const { id } of [bad, odd]) expect(byId.get(id)).toMatchObject({ summary: { is: 'damaged' } });
    const kept = async (id: string): Promise<KeptBag> => (await server.app.inject(`/api/bags/${id}`)).json();
    expect(await kept(bad.id)).toMatchObject({
      damaged: {
        name: 'Bad',
        problems: [{ path: 'motifs', message: 'This must be a list.' }],
        raw: { motifs: 'gone' },
      },
    });
    expect(await kept(odd.id)).toMatchObject({ damaged: { name: 'A bag without a name', raw: [1, 2] } });
    const pdf = await server.app.inject(`/api/bags/${bad.id}/lining.pdf`);
    expect([pdf.statusCode, pdf.json().detail]).toEqual([422, 'This must be a list.']);
  });

  test('a row of an older version is read like an older file', async () => {
    const { id, document } = await create('Old');
    await server
      .db('bags')
      .where({ id })
      .update({ document: JSON.stringify({ ...document, version: 1 }) });
    expect((await server.app.inject(`/api/bags/${id}`)).json().document).toEqual(document);
  });

  test('that are wrong are refused with the path of each bad field', async () => {
    const document = { ...bag(), motifs: [{ ...bag().motifs[0], cornerChains: 7 }] };
    const answer = await post(document);
    expect(answer.statusCode).toBe(422);
    expect(answer.json().errors).toEqual([
      { path: 'motifs.0.cornerChains', message: 'A corner has 1, 2 or 3 chains.' },
    ]);
    expect(await listed()).toEqual([]);
  });

  test.each(['00000000-0000-4000-8000-000000000000', 'not-an-id', "'; drop table bags; --"])(
    'there is no bag %s',
    async (id) => {
      const url = `/api/bags/${encodeURIComponent(id)}`;
      for (const request of [
        { method: 'GET' as const, url },
        { method: 'DELETE' as const, url },
        { method: 'PUT' as const, url, payload: { save: randomUUID(), basedOn: 1, document: bag() } },
        { method: 'POST' as const, url: `${url}/restore`, payload: { basedOn: 1 } },
      ]) {
        const answer = await server.app.inject(request);
        expect(answer.statusCode).toBe(404);
        expect(answer.json().detail).toContain('There is no bag at this address.');
      }
    },
  );

  test('of another owner cannot be read, changed or deleted', async () => {
    const { id } = await create();
    const mine = await maker(server.app, 'Rowan', { owner: server.owner });
    const stranger = await maker(server.app, 'Sedge');
    expect((await stranger.inject('/api/bags')).json()).toEqual({ bags: [], total: 0 });
    expect((await stranger.inject(`/api/bags/${id}/picture.svg`)).statusCode).toBe(404);
    expect((await stranger.inject(`/api/bags/${id}`)).statusCode).toBe(404);
    expect((await stranger.inject({ method: 'DELETE', url: `/api/bags/${id}` })).statusCode).toBe(404);
    const [save, document] = [randomUUID(), bag('Taken over')];
    for (const request of [
      { method: 'PUT' as const, url: `/api/bags/${id}`, payload: { save, basedOn: 1, document } },
      { method: 'POST' as const, url: `/api/bags/${id}/restore`, payload: { basedOn: 1 } },
    ])
      expect((await stranger.inject(request)).statusCode).toBe(404);
    // Nor by asking for a new bag with its id.
    const taken = await stranger.inject({ method: 'POST', url: '/api/bags', payload: { id, document } });
    expect([taken.statusCode, taken.json().title]).toEqual([409, 'Id taken']);
    expect((await mine.inject(`/api/bags/${id}`)).statusCode).toBe(200);
  });
});

describe('settings', () => {
  test('have defaults, and are kept', async () => {
    expect((await server.app.inject('/api/settings')).json()).toEqual({
      terms: 'us',
      system: 'cm',
      theme: 'device',
      hand: 'right',
      currency: 'EUR',
      breaks: 'on',
    });
    const uk = { terms: 'uk', system: 'in', theme: 'dark', hand: 'left', currency: 'GBP', breaks: 'off' };
    await server.app.inject({ method: 'PUT', url: '/api/settings', payload: uk });
    expect((await server.app.inject('/api/settings')).json()).toEqual(uk);
  });

  test('that are wrong change nothing, and the field is named', async () => {
    const answer = await server.app.inject({
      method: 'PUT',
      url: '/api/settings',
      payload: { terms: 'fr', system: 'cm', theme: 'dark', hand: 'right' },
    });
    expect(answer.statusCode).toBe(400);
    expect(answer.json().errors[0].path).toBe('terms');
    expect((await server.app.inject('/api/settings')).json().theme).toBe('device');
  });

  test('a setting this version does not know falls back to its default', async () => {
    await server
      .db('owners')
      .where({ id: server.owner })
      .update({ settings: { terms: 'uk', system: 'ells' } });
    expect((await server.app.inject('/api/settings')).json()).toEqual({
      terms: 'uk',
      system: 'cm',
      theme: 'device',
      hand: 'right',
      currency: 'EUR',
      breaks: 'on',
    });
  });
});

describe('the server', () => {
  test('says that it is well, describes itself and publishes the file format', async () => {
    expect((await server.app.inject('/api/health')).json()).toEqual({ ok: true });
    const paths = (await server.app.inject('/api/docs/json')).json().paths;
    expect(Object.keys(paths)).toEqual(
      expect.arrayContaining(['/api/bags', '/api/bags/{id}', '/api/settings']),
    );
    expect((await server.app.inject('/api/bag-schema.json')).json().properties.format.const).toBe(
      'fennot.bag',
    );
  });

  test('answers what is not there, and what is not JSON, with problem details', async () => {
    const nothing = await server.app.inject('/api/nothing');
    expect([nothing.statusCode, nothing.json().title]).toEqual([404, 'Not found']);
    const broken = await server.app.inject({
      method: 'POST',
      url: '/api/bags',
      headers: { 'content-type': 'application/json' },
      payload: '{"document":',
    });
    expect(broken.statusCode).toBe(400);
    expect(broken.json().status).toBe(400);
  });

  test('keeps other sites’ scripts and frames out', async () => {
    const { headers } = await server.app.inject('/api/health');
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    expect(headers['x-frame-options']).toBe('SAMEORIGIN');
  });

  test('says so when its database is away', async () => {
    const away = await freshDatabase();
    const lost = await buildApp({ db: away.db });
    await away.db.destroy();
    const answer = await lost.inject('/api/health');
    expect(answer.statusCode).toBeGreaterThanOrEqual(500);
    expect(answer.json().detail).toMatch(/\.$/);
    await lost.close();
    await away.drop();
  });

  test('migrates once when three servers start at the same moment', async () => {
    const fresh = await freshDatabase({ migrated: false });
    const others = [connect(fresh.address), connect(fresh.address)];
    await Promise.all([fresh.db, ...others].map((one) => migrate(one)));
    expect(await fresh.db('knex_migrations').pluck('name')).toEqual([
      '001-owners-and-bags',
      '002-saves-and-deletes',
      '003-audit',
      '004-summaries',
      '005-holdings',
      '006-accounts',
      '007-events',
    ]);
    // One killed in the middle of it leaves knex's own lock behind.
    await fresh.db('knex_migrations_lock').update({ is_locked: 1 });
    await migrate(fresh.db);
    for (const other of others) await other.destroy();
    await fresh.drop();
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
    await addDemoBags(server.db, server.owner);
    expect(await listed()).toHaveLength(demoBags().length);
    expect((await localOwner(server.db)).isNew).toBe(false);
  });
});

test('a bag’s lining comes as a PDF, and a bag that is not there is said not to be', async () => {
  const { id } = await create();
  const answer = await server.app.inject(`/api/bags/${id}/lining.pdf`);
  expect(answer.statusCode).toBe(200);
  expect(answer.headers['content-type']).toContain('application/pdf');
  expect(answer.rawPayload.subarray(0, 5).toString()).toBe('%PDF-');
  const none = await server.app.inject('/api/bags/00000000-0000-4000-8000-000000000000/lining.pdf');
  expect(none.statusCode).toBe(404);
  expect(none.json()).toMatchObject({ title: 'No such bag' });
});

test('a wrong setting is named', () => {
  const good = { DATABASE_URL: 'postgres://x@localhost/y' };
  expect(readConfig(good).port).toBe(4680);
  expect(() => readConfig({})).toThrow('DATABASE_URL');
  expect(() => readConfig({ ...good, FENNOT_PORT: 'many' })).toThrow('FENNOT_PORT');
});
