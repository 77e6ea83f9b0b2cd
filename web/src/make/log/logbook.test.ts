import { type Deed, EVENTS_AT_ONCE, type MakeEvent, recordOf } from '@fennot/core';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { LineTrouble, Logbook } from './logbook.ts';
import { FakeServer, FakeShelf, FakeWorld, fakeLine, LUCKY, type Luck, settled } from './simulation.ts';

const HIDE: Deed = { of: 'hidden', many: 1 };

async function opened(
  server = new FakeServer(),
  { luck = LUCKY, shelf = new FakeShelf(luck), world = new FakeWorld(1) } = {},
) {
  const book = new Logbook(shelf, fakeLine(server, luck), world);
  await book.open();
  return { book, server, shelf, world };
}

describe('what is done', () => {
  test('counts at once, is put on the disk, and sent', async () => {
    const { book, server, shelf } = await opened();
    const event = book.does(HIDE, 3);
    // Until it is on the disk nothing is wrong yet: nobody is told.
    expect(book.getState()).toMatchObject({
      record: { hidden: 1 },
      unsent: 1,
      unkept: 1,
      full: false,
      line: 'sending',
    });
    await settled();
    expect(book.getState()).toMatchObject({ unsent: 0, unkept: 0, refused: 0, line: 'even' });
    expect(server.events).toEqual([event]);
    expect(await shelf.load()).toEqual({ events: [event], unsent: new Set(), place: 1 });
  });

  test('without a server waits, and goes when it is there again, in one go', async () => {
    let lost = true;
    const { book, server, world } = await opened(new FakeServer(), { luck: { ...LUCKY, lost: () => lost } });
    for (let i = 0; i < 600; i++) book.does(HIDE, 1);
    await settled();
    expect(book.getState()).toMatchObject({ unsent: 600, unkept: 0, line: 'away', record: { hidden: 600 } });
    lost = false;
    world.comes();
    await settled();
    expect(book.getState()).toMatchObject({ unsent: 0, line: 'even' });
    expect(server.events).toHaveLength(600);
  });

  test('is there again in another window, on the same disk, with what was not sent', async () => {
    const luck: Luck = { ...LUCKY, lost: () => true };
    const { book, shelf } = await opened(new FakeServer(), { luck });
    book.does(HIDE, 1);
    await book.kept();
    book.close();
    const server = new FakeServer();
    const second = await opened(server, { shelf });
    expect(second.book.getState()).toMatchObject({ record: { hidden: 1 }, unsent: 1 });
    await second.book.ask();
    expect(server.events).toHaveLength(1);
  });

  test('in another window of the same device is sent by it, should this one go', async () => {
    const shelf = new FakeShelf();
    const world = new FakeWorld(1);
    const server = new FakeServer();
    const here = await opened(server, { shelf, world, luck: { ...LUCKY, lost: () => true } });
    const there = await opened(server, { shelf, world });
    const event = here.book.does(HIDE, 1);
    await here.book.kept();
    here.book.close();
    there.book.hear([event]);
    expect(there.book.getState().record.hidden).toBe(1);
    await there.book.ask();
    expect(server.events).toEqual([event]);
    expect((await shelf.load()).unsent.size).toBe(0);
  });

  test('out of a file is kept and sent, once', async () => {
    const { book, server, shelf } = await opened();
    const mine = book.does(HIDE, 1);
    const other = (await opened()).book.does(HIDE, 1);
    const file = [mine, { ...other, id: other.id.replace('8000-', '8001-') }];
    book.takeIn(file);
    book.takeIn(file);
    await settled();
    expect(book.getState()).toMatchObject({ record: { hidden: 2 }, unsent: 0, unkept: 0 });
    expect(server.events).toHaveLength(2);
    expect((await shelf.load()).events).toHaveLength(2);
  });

  test('with a full disk is told, still sent, and put down when there is room', async () => {
    let full = true;
    const { book, server, shelf } = await opened(new FakeServer(), { luck: { ...LUCKY, full: () => full } });
    book.does(HIDE, 1);
    await settled();
    expect(book.getState()).toMatchObject({ unkept: 1, full: true, unsent: 0, record: { hidden: 1 } });
    expect(server.events).toHaveLength(1);
    full = false;
    book.does(HIDE, 1);
    await settled();
    expect(book.getState()).toMatchObject({ unkept: 0, full: false, unsent: 0 });
    expect((await shelf.load()).unsent.size).toBe(0);
    expect((await shelf.load()).events).toHaveLength(2);
  });

  test('what cannot be taken is found and laid aside; all else is sent', async () => {
    const server = new FakeServer();
    let lost = true;
    const { book, world } = await opened(server, { luck: { ...LUCKY, lost: () => lost } });
    for (let i = 1; i <= 20; i++) book.does({ of: 'hidden', many: i }, 1);
    await settled();
    server.takes = (event) => event.of !== 'hidden' || event.many !== 13;
    lost = false;
    world.comes();
    await settled();
    expect(book.getState()).toMatchObject({ refused: 1, unsent: 0, line: 'even', record: { hidden: 210 } });
    expect(server.events).toHaveLength(19);
    // It is not tried again and again, and stays where it is.
    book.does(HIDE, 1);
    await settled();
    expect(server.events).toHaveLength(20);
  });

  test('on a bag that is gone is kept, and nothing is asked any more', async () => {
    let asked = 0;
    const shelf = new FakeShelf();
    const gone = async () => {
      asked++;
      throw new LineTrouble('gone');
    };
    const book = new Logbook(shelf, { add: gone, after: gone }, new FakeWorld(1));
    await book.open();
    book.does(HIDE, 1);
    await settled();
    expect(book.getState()).toMatchObject({ line: 'gone', unsent: 1 });
    book.does(HIDE, 1);
    await settled();
    expect(asked).toBe(1);
    expect((await shelf.load()).unsent.size).toBe(2);
  });

  test('while nobody is signed in waits for who is', async () => {
    let signed = false;
    const server = new FakeServer();
    const line = fakeLine(server, LUCKY);
    const book = new Logbook(
      new FakeShelf(),
      {
        add: async (events) => (signed ? line.add(events) : Promise.reject(new LineTrouble('signed out'))),
        after: line.after,
      },
      new FakeWorld(1),
    );
    await book.open();
    book.does(HIDE, 1);
    await settled();
    expect(book.getState().line).toBe('signed out');
    signed = true;
    await book.ask();
    expect(book.getState().line).toBe('even');
    expect(server.events).toHaveLength(1);
  });

  test('five thousand are sent in as few requests as they fit in', async () => {
    let asked = 0;
    let lost = true;
    const server = new FakeServer();
    const { book, world } = await opened(server, { luck: { ...LUCKY, lost: () => lost || !++asked } });
    for (let i = 0; i < 5000; i++) book.does(HIDE, 1);
    await settled();
    lost = false;
    world.comes();
    await settled();
    expect(server.events).toHaveLength(5000);
    // Each batch, and then what was sent is read back page by page.
    expect(asked).toBe(2 * Math.ceil(5000 / EVENTS_AT_ONCE));
  });
});

/** A few days: what happens on which of two devices, with chance for what goes wrong. */
const happening = fc.record({
  device: fc.nat(1),
  what: fc.constantFrom('does', 'does', 'does', 'asks', 'waits', 'rests', 'is killed'),
});

test('days on two devices, killed, lost and full, end in the union, everywhere, each event once', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(happening, { maxLength: 40 }),
      fc.array(fc.tuple(fc.boolean(), fc.boolean(), fc.boolean()), { minLength: 1, maxLength: 60 }),
      async (happenings, chances) => {
        const server = new FakeServer();
        let turn = 0;
        let bad = true;
        const chance = (which: 0 | 1 | 2) => bad && (chances[turn++ % chances.length]?.[which] ?? false);
        const luck: Luck = { lost: () => chance(0), unanswered: () => chance(1), full: () => chance(2) };
        const devices = [1, 2].map((number) => ({
          shelf: new FakeShelf(luck),
          world: new FakeWorld(number),
        }));
        const open = async (n: number) => {
          const device = devices[n];
          if (!device) throw new Error('there are two');
          return (await opened(server, { luck, ...device })).book;
        };
        const books = [await open(0), await open(1)];
        /** What no one may lose: it was on a disk, or at the server. */
        const safe = new Map<string, MakeEvent>();
        const lookAround = async () => {
          for (const { shelf } of devices)
            for (const event of (await shelf.load()).events) safe.set(event.id, event);
          for (const event of server.events) safe.set(event.id, event);
        };
        for (const { device, what } of happenings) {
          const book = books[device];
          if (!book) continue;
          const world = devices[device]?.world;
          if (what === 'does') book.does(HIDE, 1);
          else if (what === 'asks') void book.ask();
          else if (what === 'waits') world?.comes();
          else if (what === 'rests') await settled();
          else {
            await lookAround();
            book.close();
            books[device] = await open(device);
          }
        }
        await settled();
        bad = false;
        for (let round = 0; round < 2; round++)
          for (const [n, book] of books.entries()) {
            devices[n]?.world.comes();
            await book.ask();
            await book.kept();
            await settled();
          }
        await lookAround();
        expect(new Set(server.events.map(({ id }) => id)).size).toBe(server.events.length);
        const all = recordOf(server.events);
        expect(server.events.length).toBe(safe.size);
        for (const book of books) {
          expect(book.getState()).toMatchObject({ unsent: 0, unkept: 0, line: 'even' });
          expect(book.getState().record).toEqual(all);
        }
        for (const [n] of books.entries()) expect((await open(n)).getState().record).toEqual(all);
      },
    ),
    { numRuns: 150 },
  );
});
