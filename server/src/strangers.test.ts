import { randomUUID } from 'node:crypto';
import { API, beginDocument, DEFAULT_SETTINGS, itemFrom, type LetIn } from '@fennot/core';
import type { FastifyInstance, InjectOptions } from 'fastify';
import type { Knex } from 'knex';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { TestDevice } from '../../core/src/testing/making.ts';
import { buildApp } from './app.ts';
import { LOOPBACK_ONLY } from './doors/doors.ts';
import type { AskedRoute } from './plugins/who.ts';
import { freshDatabase } from './testing/database.ts';
import { testLot } from './testing/lot.ts';
import { cookieName, maker, signedIn, type TestMaker, withCookie } from './testing/makers.ts';

/*
 * Every route of the server against everybody who has no business there. The routes are the server's own, as it tells them: one
 * that is new, and has no request here, fails.
 */

/** Stands in everything that is Rowan's. */
const MARK = 'Bramblewick';
const STRONG = 'seven herons on the weir';

let server: { readonly app: FastifyInstance; readonly db: Knex };
let drop: () => Promise<void>;
let rowan: TestMaker;
let sedge: TestMaker;
/** What is Rowan's, by which others might ask. */
let ids: {
  readonly bag: string;
  readonly lot: string;
  readonly item: string;
  readonly code: string;
  readonly passkey: string;
};

const document = beginDocument({ name: `${MARK} tote` });
const lot = testLot({ yarn: MARK, place: MARK });

beforeAll(async () => {
  const fresh = await freshDatabase();
  drop = fresh.drop;
  const app = await buildApp({ db: fresh.db, doors: { ...LOOPBACK_ONLY, exposed: true } });
  server = { app, db: fresh.db };
  rowan = await maker(app, MARK, { first: true });
  const bag = randomUUID();
  await rowan.inject({ method: 'POST', url: `${API}/bags`, payload: { id: bag, document } });
  const [own, item] = [randomUUID(), randomUUID()];
  const changes = [
    { of: 'add', id: own, lot },
    { of: 'keep', id: item, item: itemFrom(document, { of: 'motif', id: document.motifs[0]?.id ?? '' }) },
    { of: 'allot', allotment: { id: randomUUID(), lot: own, bag, yarn: 'y1', grams: 5 } },
  ];
  const kept = await rowan.inject({
    method: 'POST',
    url: `${API}/holdings/changes`,
    payload: { id: randomUUID(), changes },
  });
  expect(kept.statusCode).toBe(200);
  await rowan.inject({
    method: 'POST',
    url: `${API}/bags/${bag}/events`,
    payload: { events: [new TestDevice(1).does({ of: 'noted', text: MARK }, Date.now())] },
  });
  const code = await rowan.inject({ method: 'POST', url: `${API}/account/devices` });
  await server.db('passkeys').insert({
    id: 'pass-key-of-rowan',
    owner_id: rowan.owner,
    name: MARK,
    public_key: Buffer.from([1]),
    counter: 0,
    transports: '[]',
    host: 'localhost',
  });
  await rowan.inject({
    method: 'PUT',
    url: `${API}/account/devices/${rowan.device}`,
    payload: { name: MARK },
  });
  await server.app.inject(`${API}/bags/${bag}/picture.svg`);
  ids = { bag, lot: own, item, code: code.json<LetIn>().id, passkey: 'pass-key-of-rowan' };
});

afterAll(async () => {
  await server.app.close();
  await drop();
});
/** Whoever a test sends may be gone after it. */
let makers = 0;
beforeEach(async () => {
  sedge = await maker(server.app, `Sedge ${makers++}`);
  await server.db('tries').delete();
});

/** A request of each route that would do something to Rowan's things, were it let. */
const REQUESTS: Readonly<Record<string, () => Omit<InjectOptions, 'method'>>> = {
  'GET /health': () => ({ url: '/health' }),
  'GET /bag-schema.json': () => ({ url: '/bag-schema.json' }),
  'GET /session': () => ({ url: '/session' }),
  'POST /session': () => ({
    url: '/session',
    payload: { name: MARK, password: 'not the password', device: 'Else' },
  }),
  'DELETE /session': () => ({ url: '/session' }),
  'POST /session/recovery': () => ({
    url: '/session/recovery',
    payload: { name: MARK, code: 'ABCDE-ABCDE-ABCDE-ABCDE-ABCDE', device: 'Else' },
  }),
  'POST /session/join': () => ({ url: '/session/join', payload: { code: 'ABCDE-ABCDE', device: 'Else' } }),
  'POST /session/passkey/options': () => ({ url: '/session/passkey/options' }),
  'POST /session/passkey': () => ({
    url: '/session/passkey',
    payload: { answer: { id: ids.passkey, response: {} } },
  }),
  'POST /session/confirm': () => ({ url: '/session/confirm', payload: { password: 'x' } }),
  'POST /account': () => ({
    url: '/account',
    payload: { name: 'Nettle', password: STRONG, device: 'Else', code: 'ABCDE-ABCDE' },
  }),
  'GET /account': () => ({ url: '/account' }),
  'DELETE /account': () => ({ url: '/account' }),
  'PUT /account/name': () => ({ url: '/account/name', payload: { name: MARK.toUpperCase() } }),
  'PUT /account/password': () => ({
    url: '/account/password',
    payload: { password: STRONG, others: true },
  }),
  'PUT /account/both': () => ({ url: '/account/both', payload: { both: false } }),
  'POST /account/recovery-codes': () => ({ url: '/account/recovery-codes' }),
  'PUT /account/devices/:id': () => ({
    url: `/account/devices/${rowan.device}`,
    payload: { name: 'Taken' },
  }),
  'DELETE /account/devices/:id': () => ({ url: `/account/devices/${rowan.device}` }),
  'DELETE /account/devices': () => ({ url: '/account/devices' }),
  'POST /account/devices': () => ({ url: '/account/devices' }),
  'POST /account/invitations': () => ({ url: '/account/invitations' }),
  'GET /account/codes/:id': () => ({ url: `/account/codes/${ids.code}` }),
  'DELETE /account/codes/:id': () => ({ url: `/account/codes/${ids.code}` }),
  'POST /account/passkeys/options': () => ({ url: '/account/passkeys/options' }),
  'POST /account/passkeys': () => ({
    url: '/account/passkeys',
    payload: { answer: { id: ids.passkey, response: {} } },
  }),
  'DELETE /account/passkeys/:id': () => ({ url: `/account/passkeys/${ids.passkey}` }),
  'GET /account/outbox': () => ({ url: '/account/outbox' }),
  'GET /network': () => ({ url: '/network' }),
  'GET /everything': () => ({ url: '/everything' }),
  'POST /everything': () => ({
    url: '/everything',
    payload: {
      replace: true,
      file: {
        format: 'fennot.maker',
        version: 1,
        at: new Date().toISOString(),
        name: 'Else',
        settings: DEFAULT_SETTINGS,
        bags: [],
        lots: [],
        allotments: [],
        library: [],
      },
    },
  }),
  'GET /bags': () => ({ url: '/bags' }),
  'GET /bags/:id/picture.svg': () => ({ url: `/bags/${ids.bag}/picture.svg?version=1` }),
  'GET /bags/:id': () => ({ url: `/bags/${ids.bag}` }),
  'GET /bags/:id/lining.pdf': () => ({ url: `/bags/${ids.bag}/lining.pdf` }),
  'POST /bags': () => ({ url: '/bags', payload: { id: ids.bag, document: beginDocument({ name: 'Else' }) } }),
  'PUT /bags/:id': () => ({
    url: `/bags/${ids.bag}`,
    payload: { save: randomUUID(), basedOn: 1, document: beginDocument({ name: 'Else' }) },
  }),
  'DELETE /bags/:id': () => ({ url: `/bags/${ids.bag}` }),
  'POST /bags/:id/restore': () => ({ url: `/bags/${ids.bag}/restore`, payload: { basedOn: 1 } }),
  'GET /bags/:id/events': () => ({ url: `/bags/${ids.bag}/events` }),
  'POST /bags/:id/events': () => ({
    url: `/bags/${ids.bag}/events`,
    payload: { events: [new TestDevice(2).does({ of: 'hidden', many: 1 }, Date.now())] },
  }),
  'GET /bags/:id/events/heard': () => ({ url: `/bags/${ids.bag}/events/heard` }),
  'GET /stash': () => ({ url: '/stash' }),
  'GET /library': () => ({ url: '/library' }),
  'POST /holdings/changes': () => ({
    url: '/holdings/changes',
    payload: {
      id: randomUUID(),
      changes: [
        { of: 'remove', id: ids.lot, basedOn: 1 },
        { of: 'drop', id: ids.item, basedOn: 1 },
      ],
    },
  }),
  'GET /settings': () => ({ url: '/settings' }),
  'PUT /settings': () => ({ url: '/settings', payload: { ...DEFAULT_SETTINGS, terms: 'uk' } }),
  'GET /scales': () => ({ url: '/scales' }),
};
/** Pages about the API itself, of a plugin: they tell of routes, and of nobody's things. */
const isDescription = ({ url }: AskedRoute) => url.startsWith(`${API}/docs`);

const routes = await (async () => {
  const { db, drop } = await freshDatabase();
  const app = await buildApp({ db });
  await app.ready();
  const all = app.asked.filter(({ method }) => method !== 'HEAD');
  await app.close();
  await drop();
  return all;
})();
const keyOf = ({ method, url }: AskedRoute) => `${method} ${url.slice(API.length)}`;
let asked = 0;
const METHODS = ['GET', 'POST', 'PUT', 'DELETE'] as const;
const requestOf = (route: AskedRoute): InjectOptions => {
  const made = REQUESTS[keyOf(route)];
  if (!made)
    throw new Error(`Write a request for ${keyOf(route)}: nobody knows yet what strangers get from it.`);
  const { url, ...rest } = made();
  const method = METHODS.find((one) => one === route.method) ?? 'GET';
  // From everywhere: what one address asks too often is another matter.
  const remoteAddress = `198.51.100.${asked++ % 250}`;
  return { ...rest, method, url: `${API}${String(url)}`, remoteAddress };
};
const shut = routes.filter((route) => route.access !== 'anyone' && !isDescription(route));
const named = (all: readonly AskedRoute[]) => all.map((route) => [keyOf(route), route] as const);

/** All rows that are Rowan's; when a device was last seen is nothing of theirs. */
async function rowansRows(): Promise<string> {
  const rows: unknown[] = [];
  for (const table of [
    'owners',
    'accounts',
    'sessions',
    'codes',
    'recovery_codes',
    'passkeys',
    'bags',
    'events',
    'lots',
    'allotments',
    'library',
    'audit',
  ]) {
    const key = table === 'owners' ? 'id' : 'owner_id';
    rows.push(
      table,
      await server
        .db(table)
        .where({ [key]: rowan.owner })
        .orderBy(1),
    );
  }
  // What the list says of a bag is made when somebody first asks.
  return JSON.stringify(rows, (name, value) =>
    ['seen_at', 'summed', 'summary', 'picture', 'changes'].includes(name) ? undefined : value,
  );
}

const told = (body: string) =>
  [MARK, rowan.owner, ids.bag, ids.lot].filter((secret) => body.includes(secret));

test('every route has a request here, and every request a route', () => {
  const known = routes.filter((route) => !isDescription(route)).map(keyOf);
  expect(Object.keys(REQUESTS).sort()).toEqual([...known].sort());
});

test('what anyone may ask is what lets in, and what tells nothing of anybody', () => {
  expect(
    routes
      .filter(({ access }) => access === 'anyone')
      .map(keyOf)
      .sort(),
  ).toEqual([
    'DELETE /session',
    'GET /bag-schema.json',
    'GET /health',
    'GET /session',
    'POST /account',
    'POST /session',
    'POST /session/join',
    'POST /session/passkey',
    'POST /session/passkey/options',
    'POST /session/recovery',
  ]);
});

/** Devices that were Rowan's once, and browsers that never were anybody's. */
const STRANGERS: ReadonlyArray<readonly [string, (db: Knex) => Promise<TestMaker['inject']>]> = [
  ['nobody', async () => (request) => server.app.inject(request)],
  ['a device that was signed out', async (db) => spent((id) => db('sessions').where({ id }).delete())],
  [
    'a device that was not used for too long',
    async (db) =>
      spent((id) =>
        db('sessions')
          .where({ id })
          .update({ seen_at: db.raw(`now() - interval '31 days'`) }),
      ),
  ],
  [
    'a device whose time is over',
    async (db) =>
      spent((id) =>
        db('sessions')
          .where({ id })
          .update({ ends_at: db.raw(`now() - interval '1 second'`) }),
      ),
  ],
  [
    'a cookie that was made up',
    async (db) => withCookie(server.app, `${await cookieName(db)}=${'A'.repeat(43)}`),
  ],
  [
    'a cookie of another installation',
    async () => withCookie(server.app, `fennot-00000000=${rowan.cookie.split('=')[1]}`),
  ],
];

/** A device of Rowan's that something has become of. */
async function spent(ended: (id: string) => Promise<unknown>): Promise<TestMaker['inject']> {
  const device = await signedIn(server.app, rowan.owner);
  await ended(device.device);
  return device.inject;
}

test.each(named(shut))('nobody gets anything from %s', async (_, route) => {
  for (const [who, from] of STRANGERS) {
    const request = requestOf(route);
    const inject = await from(server.db);
    const before = await rowansRows();
    const answer = await inject(request);
    expect([who, answer.statusCode, answer.json().title, told(answer.body)]).toEqual([
      who,
      401,
      'Signed out',
      [],
    ]);
    expect(await rowansRows()).toBe(before);
  }
});

test.each(named(routes.filter(({ access }) => access === 'anyone')))(
  'nobody learns anything from %s',
  async (_, route) => {
    for (const [, from] of STRANGERS) {
      const inject = await from(server.db);
      const before = await rowansRows();
      const answer = await inject(requestOf(route));
      expect(told(answer.body)).toEqual([]);
      expect(answer.statusCode).toBeLessThan(500);
      expect(await rowansRows()).toBe(before);
    }
  },
);

describe('another maker', () => {
  test.each(named(shut.filter(({ url }) => !url.endsWith('/scales'))))(
    'neither reads nor changes what is Rowan’s by %s',
    async (_, route) => {
      const before = await rowansRows();
      const answer = await sedge.inject(requestOf(route));
      expect(told(answer.body)).toEqual([]);
      expect(answer.statusCode).toBeLessThan(500);
      // Never 403: what one may not know of is not there.
      expect(answer.statusCode).not.toBe(403);
      if (route.url.includes(':id')) expect(answer.statusCode).toBe(404);
      expect(await rowansRows()).toBe(before);
    },
  );

  test.each(named(shut.filter(({ url }) => url.includes(':id'))))(
    'is told the same by %s of what is Rowan’s and of what is nowhere',
    async (_, route) => {
      const [theirs, none] = [requestOf(route), requestOf(route)];
      const url = String(none.url).replaceAll(
        new RegExp(`${ids.bag}|${rowan.device}|${ids.code}|${ids.passkey}`, 'g'),
        randomUUID(),
      );
      const [a, b] = [await sedge.inject(theirs), await sedge.inject({ ...none, url })];
      expect([a.statusCode, a.json().detail]).toEqual([b.statusCode, b.json().detail]);
    },
  );
});

describe('a page that believes it works for another maker', () => {
  test.each(named(shut))('gets nothing from %s', async (_, route) => {
    const request = requestOf(route);
    const before = await rowansRows();
    const answer = await rowan.inject({ ...request, headers: { 'fennot-maker': sedge.owner } });
    expect([answer.statusCode, told(answer.body)]).toEqual([401, []]);
    expect(await rowansRows()).toBe(before);
  });
});

test.each(named(routes.filter(({ access }) => access === 'confirmed')))(
  'who signed in long ago is asked anew by %s',
  async (_, route) => {
    const device = await signedIn(server.app, rowan.owner);
    await server
      .db('sessions')
      .where({ id: device.device })
      .update({ confirmed_at: server.db.raw(`now() - interval '11 minutes'`) });
    const before = await rowansRows();
    const answer = await device.inject(requestOf(route));
    expect([answer.statusCode, answer.json().title]).toEqual([401, 'Confirm first']);
    expect(await rowansRows()).toBe(before);
  },
);

test('a route that does not say who may ask is refused when it is made', async () => {
  const { db, drop } = await freshDatabase();
  const app = await buildApp({ db });
  expect(() => app.get(`${API}/new`, async () => 'all')).toThrow();
  await app.close();
  await drop();
});
