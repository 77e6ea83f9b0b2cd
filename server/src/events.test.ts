import { randomUUID } from 'node:crypto';
import {
  API,
  beginDocument,
  byId,
  EVENTS_AT_ONCE,
  type EventPage,
  type MakeEvent,
  MOST_EVENTS,
  recordOf,
} from '@fennot/core';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { deviceId, histories, idAt, TestDevice } from '../../core/src/testing/making.ts';
import { buildApp } from './app.ts';
import { EventStore, NEW_EVENTS } from './db/events.ts';
import { Hearing } from './db/hearing.ts';
import { testServer } from './testing/server.ts';

const server = testServer();
const NOON = Date.UTC(2026, 2, 7, 12);

async function newBag(): Promise<string> {
  const id = randomUUID();
  const payload = { id, document: beginDocument({ name: 'Bag' }) };
  await server.app.inject({ method: 'POST', url: `${API}/bags`, payload });
  return id;
}
const send = (bag: string, events: readonly MakeEvent[]) =>
  server.app.inject({ method: 'POST', url: `${API}/bags/${bag}/events`, payload: { events } });
const page = async (bag: string, after = 0) =>
  (await server.app.inject(`${API}/bags/${bag}/events?after=${after}`)).json<EventPage>();

/** Everything a device that has read up to a place still gets. */
async function readOn(bag: string, from = 0): Promise<MakeEvent[]> {
  const { events, at, more } = await page(bag, from);
  return more ? [...events, ...(await readOn(bag, at))] : events;
}
const hidden = (device: TestDevice, many: number) =>
  Array.from({ length: many }, (_, i) => device.does({ of: 'hidden', many: 1 }, NOON + i));

describe('events of a bag', () => {
  test('are kept once each, however often they are sent, and read from a place on', async () => {
    const bag = await newBag();
    const phone = new TestDevice(1);
    const first = hidden(phone, 3);
    expect((await send(bag, first)).json()).toEqual({ fresh: 3 });
    expect((await send(bag, first)).json()).toEqual({ fresh: 0 });
    const { events, at } = await page(bag);
    expect(events).toEqual(first);
    const [next] = hidden(phone, 1);
    if (!next) throw new Error('one was made');
    expect((await send(bag, [first[2] ?? next, next, next])).json()).toEqual({ fresh: 1 });
    expect(await page(bag, at)).toMatchObject({ events: [next], more: false, unread: 0 });
  });

  test('of devices that come back in any order, with answers lost, are the union, and each device reads all', async () => {
    await fc.assert(
      fc.asyncProperty(histories, fc.infiniteStream(fc.nat(9)), async ({ devices }, chance) => {
        const bag = await newBag();
        const places = devices.map(() => 0);
        // Each sends what it has in pieces; now and then the answer is lost, and the piece is sent again.
        for (const [i, device] of devices.entries()) {
          const all = device.events;
          for (let from = 0; from < all.length; ) {
            const size = 1 + (chance.next().value ?? 0);
            await send(bag, all.slice(from, from + size));
            if ((chance.next().value ?? 0) > 2) from += size;
          }
          const read = await page(bag, places[i]);
          device.learns(read.events);
          places[i] = read.at;
        }
        const union = recordOf(devices.flatMap(({ events }) => events));
        for (const [i, device] of devices.entries()) {
          device.learns(await readOn(bag, places[i]));
          expect(recordOf(device.events)).toEqual(union);
        }
        expect(recordOf(await readOn(bag))).toEqual(union);
      }),
      { numRuns: 25 },
    );
  });

  test('sent by twenty at once are all there, and whoever reads on meanwhile misses none', async () => {
    const bag = await newBag();
    const sending = Array.from({ length: 20 }, (_, i) => send(bag, hidden(new TestDevice(i), 25)));
    const seen = new Map<string, MakeEvent>();
    let at = 0;
    let over = false;
    const all = Promise.all(sending).then(() => {
      over = true;
    });
    for (let last = false; !last; ) {
      last = over;
      const read = await page(bag, at);
      at = read.at;
      for (const event of read.events) seen.set(event.id, event);
    }
    await all;
    expect([...seen.values()].sort(byId)).toEqual([...(await readOn(bag))].sort(byId));
    expect(seen.size).toBe(500);
  });

  test('more than one page are read page by page', async () => {
    const bag = await newBag();
    const all = Array.from(
      { length: EVENTS_AT_ONCE + 5 },
      (_, i): MakeEvent => ({
        of: 'hidden',
        many: 1,
        id: idAt(NOON + i, 1),
        at: NOON + i,
        device: deviceId(1),
        plan: 1,
      }),
    );
    await send(bag, all.slice(0, EVENTS_AT_ONCE));
    await send(bag, all.slice(EVENTS_AT_ONCE));
    expect(await page(bag)).toMatchObject({ more: true });
    expect(await readOn(bag)).toEqual(all);
  });

  test('too many are refused whole, and nothing of them is there', async () => {
    const bag = await newBag();
    const { db, owner } = server;
    await db.raw(
      `insert into events (bag_id, id, owner_id, event)
       select ?, gen_random_uuid(), ?, '{}' from generate_series(1, ?)`,
      [bag, owner, MOST_EVENTS - 1],
    );
    const answer = await send(bag, hidden(new TestDevice(1), 2));
    expect([answer.statusCode, answer.json().title]).toEqual([422, 'Too many events']);
    expect((await send(bag, hidden(new TestDevice(1), 1))).statusCode).toBe(200);
    // What is no event of this Fennot stays where it is, and is counted.
    expect(await page(bag)).toMatchObject({ events: [], unread: EVENTS_AT_ONCE });
  });

  test.each([
    ['none', []],
    ['what is no event', [{ of: 'danced' }]],
    ['more than at once', hidden(new TestDevice(1), EVENTS_AT_ONCE + 1)],
  ])('%s are refused in a sentence', async (_, events) => {
    const bag = await newBag();
    const answer = await server.app.inject({
      method: 'POST',
      url: `${API}/bags/${bag}/events`,
      payload: { events },
    });
    expect(answer.statusCode).toBe(400);
    expect(answer.json().detail).toMatch(/\.$/);
  });

  test('of a bag that is nowhere, or put away, are not taken; brought back, it has them all', async () => {
    const [event] = hidden(new TestDevice(1), 1);
    if (!event) throw new Error('one was made');
    for (const id of [randomUUID(), 'no-id']) expect((await send(id, [event])).statusCode).toBe(404);
    const bag = await newBag();
    await send(bag, [event]);
    const { version } = (await server.app.inject({ method: 'DELETE', url: `${API}/bags/${bag}` })).json();
    expect((await send(bag, [event])).json().title).toBe('No such bag');
    const payload = { basedOn: version };
    await server.app.inject({ method: 'POST', url: `${API}/bags/${bag}/restore`, payload });
    expect(await readOn(bag)).toEqual([event]);
  });
});

describe('who listens', () => {
  test('hears of new events through another server of the same database, and of nothing that was there', async () => {
    const bag = await newBag();
    const other = await newBag();
    const second = await buildApp({ db: server.db });
    const address = await second.listen({ port: 0, host: '127.0.0.1' });
    const leave = new AbortController();
    const answer = await fetch(`${address}${API}/bags/${bag}/events/heard`, { signal: leave.signal });
    const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    const until = async (done: (text: string) => boolean) => {
      while (!done(text)) text += (await reader?.read())?.value ?? '';
    };
    await until((all) => all.includes('event: new'));
    text = '';
    const events = hidden(new TestDevice(1), 1);
    await send(other, events);
    await send(bag, events);
    await until((all) => all.includes('event: new'));
    await send(bag, events);
    await send(bag, hidden(new TestDevice(2), 1));
    await until((all) => (all.match(/event: new/g) ?? []).length === 2);
    leave.abort();
    await second.close();
  });

  test('to a bag that is nowhere gets a sentence', async () => {
    const answer = await server.app.inject(`${API}/bags/${randomUUID()}/events/heard`);
    expect([answer.statusCode, answer.json().title]).toEqual([404, 'No such bag']);
  });

  test('whose line to the database is cut hears again, and is told to look', async () => {
    const hearing = new Hearing(server.db, NEW_EVENTS);
    const bag = await newBag();
    let told = 0;
    const waiting: Array<() => void> = [];
    const stop = hearing.listen(bag, () => {
      told++;
      for (const one of waiting.splice(0)) one();
    });
    const next = () => new Promise<void>((done) => waiting.push(done));
    await next();
    const again = next();
    await server.db.raw(
      `select pg_terminate_backend(pid) from pg_stat_activity where query = 'listen ${NEW_EVENTS}'`,
    );
    await again;
    const heard = next();
    await new EventStore(server.db, server.owner).add(bag, hidden(new TestDevice(1), 1));
    await heard;
    expect(told).toBe(3);
    stop();
    await hearing.close();
  });
});
