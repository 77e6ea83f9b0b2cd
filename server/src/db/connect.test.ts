import { createServer, connect as dial, type Socket } from 'node:net';
import { PROBLEMS } from '@fennot/core';
import { afterEach, describe, expect, test } from 'vitest';
import { buildApp } from '../app.ts';
import { freshDatabase } from '../testing/database.ts';
import { connect, migrate } from './connect.ts';
import { settleIn } from './owners.ts';

/** As the server's own times, but for a test that waits for them. */
const HASTY = { statement: 500, answer: 700, connection: 600 };

const afterwards: Array<() => Promise<unknown>> = [];
afterEach(async () => {
  for (const tidy of afterwards.splice(0).reverse()) await tidy();
});

async function database(options?: Parameters<typeof freshDatabase>[0]) {
  const fresh = await freshDatabase(options);
  afterwards.push(fresh.drop);
  return fresh;
}

/** A way to the database that can be frozen: bytes go in, and nothing comes out, as of a process that is stopped. */
async function freezable(address: string) {
  const { hostname, port } = new URL(address);
  let frozen = false;
  const sockets = new Set<Socket>();
  const way = createServer((near) => {
    const far = dial(Number(port), hostname);
    for (const [from, to] of [
      [near, far],
      [far, near],
    ] as const) {
      sockets.add(from);
      from.on('data', (bytes) => void (frozen || to.write(bytes)));
      from.on('close', () => to.destroy());
      from.on('error', () => to.destroy());
    }
  });
  await new Promise<void>((done) => way.listen(0, '127.0.0.1', done));
  const place = way.address();
  if (typeof place !== 'object' || !place) throw new Error('no port');
  const through = new URL(address);
  through.port = String(place.port);
  afterwards.push(async () => {
    for (const socket of sockets) socket.destroy();
    await new Promise((done) => way.close(done));
  });
  return {
    address: through.href,
    freeze: (on: boolean) => {
      frozen = on;
    },
  };
}

describe('a database that hangs', () => {
  test('is told in a sentence, and when it goes on again the server does too', {
    timeout: 60_000,
  }, async () => {
    const { address } = await database();
    const way = await freezable(address);
    const own = connect(way.address, HASTY);
    const app = await buildApp({ db: own });
    afterwards.push(async () => {
      await app.close();
      await own.destroy();
    });
    const ask = () => app.inject('/api/settings');
    expect((await ask()).statusCode).toBe(200);
    way.freeze(true);
    for (let i = 0; i < 2; i++) {
      const answer = await ask();
      expect(answer.statusCode).toBe(PROBLEMS.databaseAway.status);
      expect(answer.json().detail).toBe(PROBLEMS.databaseAway.detail);
    }
    way.freeze(false);
    // The connections that hung are not used again.
    await expect.poll(async () => (await ask()).statusCode, { timeout: 20_000 }).toBe(200);
    for (let i = 0; i < 12; i++) expect((await ask()).statusCode).toBe(200);
  });

  test('a statement that takes too long is given up by the database itself', {
    timeout: 30_000,
  }, async () => {
    const { address } = await database();
    const db = connect(address, HASTY);
    afterwards.push(() => db.destroy());
    await expect(db.raw('select pg_sleep(20)')).rejects.toMatchObject({ code: '57014' });
    expect((await db.raw('select 1 as one')).rows).toEqual([{ one: 1 }]);
  });
});

describe('the lock under which tables are worked on', () => {
  const hold = async (address: string) => {
    const other = connect(address);
    const held = await other.transaction();
    await held.raw('select pg_advisory_xact_lock(468002)');
    afterwards.push(async () => {
      await held.rollback().catch(() => {});
      await other.destroy();
    });
    return held;
  };

  test('held by one that does nothing any more: it is cut off, and the tables come up to date', async () => {
    const { db, address } = await database({ migrated: false });
    const held = await hold(address);
    await new Promise((done) => setTimeout(done, 400));
    await migrate(db, { patience: 300 });
    expect(await db('knex_migrations').pluck('name')).not.toEqual([]);
    await expect(held.raw('select 1')).rejects.toThrow();
  });

  test('held by one at work: it is waited for, and told when it takes too long', async () => {
    const { db, address } = await database({ migrated: false });
    const held = await hold(address);
    const working = held.raw('select pg_sleep(2)').then(() => {});
    await expect(migrate(db, { patience: 300 })).rejects.toThrow('still working on the tables');
    await working;
    const waiting = migrate(db, { patience: 10_000 });
    await held.commit();
    await waiting;
    expect(await db.schema.hasTable('bags')).toBe(true);
  });
});

test('a database that a newer Fennot has worked on is left as it is', async () => {
  const { db } = await database();
  await db('knex_migrations').insert({ name: '999-from-the-future', batch: 9 });
  await expect(migrate(db)).rejects.toThrow('last used by a newer Fennot');
  expect(await db('knex_migrations').where({ name: '999-from-the-future' })).toHaveLength(1);
});

describe('a first start', () => {
  test('gives the maker the demo bags once, however many servers start', async () => {
    const { db } = await database();
    const owners = await Promise.all([1, 2, 3].map(() => settleIn(db, { empty: false })));
    expect(new Set(owners).size).toBe(1);
    const many = Number((await db('bags').count('* as many').first())?.many);
    expect(many).toBeGreaterThan(10);
    await settleIn(db, { empty: false });
    expect(Number((await db('bags').count('* as many').first())?.many)).toBe(many);
  });

  test('that breaks off in the middle has done nothing: the next one does all of it', async () => {
    const { db } = await database();
    await db.raw(`create function full_disk() returns trigger language plpgsql as
      $$ begin if (select count(*) from bags) >= 5 then raise exception 'no room' using errcode = '53100'; end if;
         return new; end $$`);
    await db.raw('create trigger full_disk before insert on bags for each row execute function full_disk()');
    await expect(settleIn(db, { empty: false })).rejects.toMatchObject({ code: '53100' });
    expect(await db('owners')).toEqual([]);
    await db.raw('drop trigger full_disk on bags');
    await settleIn(db, { empty: false });
    expect((await db('bags')).length).toBeGreaterThan(10);
  });
});
