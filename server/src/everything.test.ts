import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  API,
  type BagDocument,
  beginDocument,
  type EventPage,
  itemFrom,
  type Library,
  type MakerFile,
  PROBLEMS,
  type Stash,
} from '@fennot/core';
import fc from 'fast-check';
import { afterAll, describe, expect, test } from 'vitest';
import { postgresBin } from '../../command/cluster.ts';
import { documents } from '../../core/src/testing/arbitraries.ts';
import { TestDevice } from '../../core/src/testing/making.ts';
import { takeEverythingIn } from './db/everything.ts';
import { addDemoBags } from './demo/index.ts';
import { outboxIn } from './outbox.ts';
import { testLot } from './testing/lot.ts';
import { cookieName, maker, type TestMaker, withCookie } from './testing/makers.ts';
import { testServer } from './testing/server.ts';

const folder = mkdtempSync(join(tmpdir(), 'fennot-outbox-'));
const server = testServer({ outbox: outboxIn(folder) });
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const takeOut = async (own: TestMaker) => (await own.inject(`${API}/everything`)).json<MakerFile>();
const takeIn = (own: TestMaker, file: unknown, replace = false) =>
  own.inject({ method: 'POST', url: `${API}/everything`, payload: { file, replace } });
/** What a file says, whatever the ids in it: each is called by the order in which it comes. */
function withoutIds({ at, name, ...file }: MakerFile): unknown {
  const names = new Map<string, string>();
  return JSON.parse(JSON.stringify(file), (_, value: unknown) => {
    if (typeof value !== 'string' || !/^[\da-f]{8}-[\da-f]{4}-/.test(value)) return value;
    if (!names.has(value)) names.set(value, `id ${names.size}`);
    return names.get(value);
  });
}

/** A bag without what its copies know of the library: ids there are an account's own. */
const withoutOrigins = (document: BagDocument): unknown =>
  JSON.parse(JSON.stringify(document, (key, value: unknown) => (key === 'origin' ? undefined : value)));

describe('everything, as one file', () => {
  test('the ringers’ bags, stash and library come out, go into an empty account, and come out as they were', async () => {
    await addDemoBags(server.db, server.owner);
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const [bag] = (await takeOut(rowan)).bags;
    await rowan.inject({ method: 'DELETE', url: `${API}/bags/${bag?.id}` });
    await rowan.inject({
      method: 'PUT',
      url: `${API}/settings`,
      payload: { terms: 'uk', system: 'in', theme: 'dark', hand: 'left', currency: 'GBP', breaks: 'off' },
    });
    const file = await takeOut(rowan);
    expect([file.bags.length, file.bags.filter(({ deleted }) => deleted).length]).toEqual([26, 1]);
    const sedge = await maker(server.app, 'Sedge');
    const taken = await takeIn(sedge, file);
    expect(taken.json()).toEqual({
      bags: 26,
      lots: file.lots.length,
      library: file.library.length,
      left: 0,
    });
    expect(withoutIds(await takeOut(sedge))).toEqual(withoutIds(file));
    // Rowan's own are where they were.
    expect(withoutIds(await takeOut(rowan))).toEqual(withoutIds(file));
    // Copies in bags know the library of this account.
    const library = (await sedge.inject(`${API}/library`)).json<Library>();
    const known = new Set(library.items.map(({ id }) => id));
    const origins = (await takeOut(sedge)).bags.flatMap(({ document }) => {
      const { swatches, motifs } = document as BagDocument;
      return [...swatches, ...motifs].flatMap(({ origin }) => (origin ? [origin.id] : []));
    });
    expect(origins.length).toBeGreaterThan(0);
    expect(origins.every((id) => known.has(id))).toBe(true);
    const stash = (await sedge.inject(`${API}/stash`)).json<Stash>();
    expect(stash.allotments.length).toBe(file.allotments.length);
  });

  test('asked for again after a lost answer, it is the same, and nothing is there twice', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    await rowan.inject({
      method: 'POST',
      url: `${API}/bags`,
      payload: { id: randomUUID(), document: beginDocument({ name: 'Bag' }) },
    });
    const file = await takeOut(rowan);
    const sedge = await maker(server.app, 'Sedge');
    const [first, second] = await Promise.all([takeIn(sedge, file), takeIn(sedge, file)]);
    expect(second.json()).toEqual(first.json());
    expect((await takeOut(sedge)).bags).toHaveLength(1);
  });

  test('what was done on a bag goes along; a file that knows of no events is taken in, too', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const bag = randomUUID();
    const payload = { id: bag, document: beginDocument({ name: 'Bag' }) };
    await rowan.inject({ method: 'POST', url: `${API}/bags`, payload });
    const phone = new TestDevice(1);
    for (const many of [3, 4, 5]) phone.does({ of: 'hidden', many }, Date.now());
    const { events } = phone;
    await rowan.inject({ method: 'POST', url: `${API}/bags/${bag}/events`, payload: { events } });
    const file = await takeOut(rowan);
    const sedge = await maker(server.app, 'Sedge');
    await takeIn(sedge, file);
    await takeIn(sedge, file);
    const [theirs] = (await takeOut(sedge)).bags;
    const read = (await sedge.inject(`${API}/bags/${theirs?.id}/events`)).json<EventPage>();
    expect(read.events).toEqual(events);
    const { events: _, ...older } = file;
    const nettle = await maker(server.app, 'Nettle');
    expect((await takeIn(nettle, { ...older, version: 1 })).json()).toMatchObject({ bags: 1, left: 0 });
    expect((await takeIn(nettle, { ...file, version: 3 })).json().detail).toContain('newer Fennot');
  });

  test('goes into an empty account only, unless what is there is to go first', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const put = (own: TestMaker, name: string) =>
      own.inject({
        method: 'POST',
        url: `${API}/bags`,
        payload: { id: randomUUID(), document: beginDocument({ name }) },
      });
    await put(rowan, 'Mine');
    const file = await takeOut(rowan);
    const sedge = await maker(server.app, 'Sedge');
    await put(sedge, 'Theirs');
    expect((await takeIn(sedge, file)).json()).toMatchObject(PROBLEMS.notEmpty);
    expect((await takeOut(sedge)).bags.map(({ document }) => (document as BagDocument).name)).toEqual([
      'Theirs',
    ]);
    expect((await takeIn(sedge, file, true)).statusCode).toBe(200);
    expect((await takeOut(sedge)).bags.map(({ document }) => (document as BagDocument).name)).toEqual([
      'Mine',
    ]);
  });

  test.each([
    [{}, 'This is no file of everything a maker has.'],
    ['text', 'This is no file'],
    [{ format: 'fennot.bag', version: 1 }, 'This is no file of everything a maker has.'],
    [{ format: 'fennot.maker', version: 3 }, 'written by a newer Fennot'],
  ])('what is no such file is refused: %j', async (file, says) => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const answer = await takeIn(rowan, file);
    expect(answer.statusCode).toBe(422);
    expect(answer.json().errors[0].message ?? answer.json().detail).toContain(says.split(' ')[0]);
    expect(JSON.stringify(answer.json())).toContain(says);
  });

  test('what cannot be read goes along as it is; what no database could keep is counted, and stays out', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const file = await takeOut(rowan);
    const at = new Date().toISOString();
    const row = { version: 1, made: at };
    const answer = await takeIn(rowan, {
      ...file,
      bags: [
        { ...row, id: randomUUID(), changed: at, document: { odd: 'but kept', name: 'Odd' } },
        { ...row, id: randomUUID(), changed: at, document: { name: 'NUL \0' } },
        { ...row, id: randomUUID(), changed: at, document: { name: 'half \ud800' } },
        // Written out, it is text like any other.
        { ...row, id: randomUUID(), changed: at, document: { name: '\\u0000' } },
      ],
      lots: [{ ...row, id: randomUUID(), lot: { yarn: 3 } }],
    });
    expect(answer.json()).toEqual({ bags: 2, lots: 1, library: 0, left: 2 });
    const names = (await rowan.inject(`${API}/bags?limit=100`))
      .json()
      .bags.map(({ name }: { name: string }) => name);
    expect(names.sort()).toEqual(['Odd', '\\u0000'].sort());
    expect((await rowan.inject(`${API}/stash`)).json().damaged).toBe(1);
  });

  test('two of the same, or what is set aside of a bag and for a lot, is one, or is left out', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const file = await takeOut(rowan);
    const at = new Date().toISOString();
    const [bag, own] = [randomUUID(), randomUUID()];
    const set = (of: string, to: string) => ({
      id: randomUUID(),
      lot: of,
      bag: to,
      yarn: 'y1',
      grams: 5,
      made: at,
    });
    const row = { version: 1, made: at };
    const one = { ...row, id: bag, changed: at, document: beginDocument({ name: 'Bag' }) };
    const answer = await takeIn(rowan, {
      ...file,
      bags: [one, one],
      lots: [{ ...row, id: own, lot: testLot() }],
      allotments: [set(own, bag), set(own, bag), set(bag, own)],
    });
    expect(answer.statusCode).toBe(200);
    expect(answer.json()).toMatchObject({ bags: 1, lots: 1 });
    expect((await rowan.inject(`${API}/stash`)).json<Stash>().allotments).toHaveLength(1);
  });

  test('a time that no calendar has is told, and nothing is taken in', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const file = await takeOut(rowan);
    const made = '0000-01-01T00:00:00Z';
    const answer = await takeIn(rowan, {
      ...file,
      bags: [{ version: 1, id: randomUUID(), made, changed: made, document: {} }],
    });
    expect([answer.statusCode, answer.json().title]).toEqual([422, PROBLEMS.badFile.title]);
    expect((await takeOut(rowan)).bags).toEqual([]);
  });

  test('of any bags comes back as it was, in any account', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(documents, { maxLength: 4 }), fc.nat(3), async (bags, lots) => {
        const [{ id: from }] = await server.db('owners').insert({ name: null }).returning('id');
        const [{ id: to }] = await server.db('owners').insert({ name: null }).returning('id');
        const at = '2026-11-01T10:00:00.000Z';
        const [item] = bags.flatMap((document) =>
          document.motifs[0] ? [itemFrom(document, { of: 'motif', id: document.motifs[0].id })] : [],
        );
        const file: MakerFile = {
          format: 'fennot.maker',
          version: 2,
          at,
          name: '',
          settings: {
            terms: 'us',
            system: 'cm',
            theme: 'device',
            hand: 'right',
            currency: 'EUR',
            breaks: 'on',
          },
          bags: bags.map((document, i) => ({
            id: randomUUID(),
            version: i + 1,
            made: at,
            changed: at,
            document,
          })),
          events: [],
          lots: Array.from({ length: lots }, () => ({
            id: randomUUID(),
            version: 2,
            made: at,
            lot: testLot(),
          })),
          allotments: [],
          library: item ? [{ id: randomUUID(), version: 1, made: at, item }] : [],
        };
        for (const owner of [from, to]) {
          const taken = await takeEverythingIn(server.db, owner, file, false);
          expect(taken).toMatchObject({ bags: bags.length, lots, left: 0 });
          const own = await server.db('bags').where({ owner_id: owner }).orderBy('version');
          expect(own.map(({ document }) => withoutOrigins(document))).toEqual(bags.map(withoutOrigins));
        }
      }),
      { numRuns: 15 },
    );
  });
});

describe('an account that is deleted', () => {
  const MARK = 'Bramblewick';

  test('is really gone: from every table, the outbox, and the backup that is made then', async () => {
    const cookie = `${await cookieName(server.db)}=`;
    const made = await server.app.inject({
      method: 'POST',
      url: `${API}/account`,
      payload: { name: MARK, password: 'seven herons on the weir', device: `${MARK} laptop` },
    });
    const own = withCookie(server.app, `${cookie}${made.cookies[0]?.value}`);
    const bag = randomUUID();
    await own({
      method: 'POST',
      url: `${API}/bags`,
      payload: { id: bag, document: beginDocument({ name: MARK }) },
    });
    await own({
      method: 'POST',
      url: `${API}/bags/${bag}/events`,
      payload: { events: [new TestDevice(1).does({ of: 'noted', text: MARK }, Date.now())] },
    });
    await own({ method: 'DELETE', url: `${API}/bags/${bag}` });
    await own({
      method: 'POST',
      url: `${API}/holdings/changes`,
      payload: {
        id: randomUUID(),
        changes: [{ of: 'add', id: randomUUID(), lot: testLot({ place: MARK }) }],
      },
    });
    await own({ method: 'POST', url: `${API}/account/recovery-codes` });
    await own({ method: 'POST', url: `${API}/account/devices` });
    await own({ method: 'POST', url: `${API}/account/passkeys/options` });
    // Somebody who stays.
    const sedge = await maker(server.app, 'Sedge');
    const traces = async () => {
      const found: string[] = [];
      const { rows } = await server.db.raw(
        `select table_name as name from information_schema.tables where table_schema = 'public'`,
      );
      for (const { name } of rows) {
        const { rows: all } = await server.db.raw('select to_jsonb(t)::text as text from ?? as t', [name]);
        const text = JSON.stringify(all);
        if (text.includes(MARK) || text.includes(server.owner)) found.push(name);
      }
      return found.sort();
    };
    expect(await traces()).toEqual(
      expect.arrayContaining([
        'accounts',
        'audit',
        'bags',
        'codes',
        'lots',
        'owners',
        'recovery_codes',
        'sessions',
      ]),
    );
    expect(readdirSync(folder)).toContain(server.owner);
    const dump = () => {
      const bin = postgresBin();
      const { stdout, status } = spawnSync(
        bin ? `${bin}/pg_dump` : 'pg_dump',
        ['-d', server.address, '--inserts'],
        {
          encoding: 'utf8',
          maxBuffer: 1e9,
        },
      );
      expect(status).toBe(0);
      return stdout;
    };
    expect(dump()).toContain(MARK);
    const gone = await own({ method: 'DELETE', url: `${API}/account` });
    expect(gone.json()).toEqual({ is: 'out' });
    expect(await traces()).toEqual([]);
    expect(dump()).not.toContain(MARK);
    expect(dump()).not.toContain(server.owner);
    expect(readdirSync(folder)).not.toContain(server.owner);
    // Nothing is left to try, and nobody else has lost anything.
    expect(await server.db('recovery_codes')).toEqual([]);
    expect((await sedge.inject(`${API}/account`)).json()).toMatchObject({ name: 'Sedge' });
    const again = await server.app.inject({
      method: 'POST',
      url: `${API}/session`,
      payload: { name: MARK, password: 'seven herons on the weir', device: 'x' },
    });
    expect(again.json().title).toBe(PROBLEMS.wrongSignIn.title);
  });

  test('while bags of it are being saved: it goes all the same, and no save brings it back', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const ids = Array.from({ length: 6 }, () => randomUUID());
    for (const id of ids)
      await rowan.inject({
        method: 'POST',
        url: `${API}/bags`,
        payload: { id, document: beginDocument({ name: 'Bag' }) },
      });
    const save = (id: string) =>
      rowan.inject({
        method: 'PUT',
        url: `${API}/bags/${id}`,
        payload: { save: randomUUID(), basedOn: 1, document: beginDocument({ name: 'Later' }) },
      });
    const [gone, ...saves] = await Promise.all([
      rowan.inject({ method: 'DELETE', url: `${API}/account` }),
      ...ids.map(save),
    ]);
    expect(gone?.statusCode).toBe(200);
    for (const { statusCode } of saves) expect([200, 401, 404]).toContain(statusCode);
    expect(await server.db('bags')).toEqual([]);
    expect(await server.db('owners').where({ id: server.owner })).toEqual([]);
  });

  test('the last one: this machine is open again, and empty', async () => {
    const rowan = await maker(server.app, 'Rowan', { owner: server.owner });
    const gone = await rowan.inject({ method: 'DELETE', url: `${API}/account` });
    expect(gone.json()).toEqual({ is: 'unclaimed' });
    const session = (await server.app.inject(`${API}/session`)).json();
    expect(session.is).toBe('open');
    expect((await server.app.inject(`${API}/bags`)).json()).toEqual({ bags: [], total: 0 });
  });
});
