import { randomUUID } from 'node:crypto';
import { type BagDocument, beginDocument, type ListQuery, listQuerySchema } from '@fennot/core';
import fc from 'fast-check';
import type { Knex } from 'knex';
import { afterAll, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { freshDatabase } from '../testing/database.ts';
import { inline } from '../work/work.ts';
import { BagStore } from './bags.ts';
import { BagLists } from './list.ts';
import { localOwner } from './owners.ts';

let db: Knex;
let drop: () => Promise<void>;
let owner: string;
let lists: BagLists;
/** Bags that were summed up, by name. */
const summed: string[] = [];

beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());
beforeEach(async () => {
  await db('owners').delete();
  owner = (await localOwner(db)).id;
  summed.length = 0;
  const work = inline();
  lists = new BagLists(db, {
    patience: work.patience,
    summary: (document: BagDocument) => {
      summed.push(document.name);
      return work.summary(document);
    },
  });
});

const document = beginDocument({ name: 'Bag' });
const create = async (name: string, at?: Date) => {
  const id = randomUUID();
  await new BagStore(db, owner).create(id, { ...document, name });
  if (at) await db('bags').where({ id }).update({ updated_at: at });
  return id;
};
const page = (query: ListQuery = {}) => lists.page(owner, listQuerySchema.parse(query));

/** Every page after the other. */
async function whole(query: ListQuery) {
  const bags = [];
  for (let after: string | undefined, i = 0; i < 100; i++) {
    const part = await page({ ...query, after });
    bags.push(...part.bags);
    after = part.next;
    if (after === undefined) return bags;
  }
  throw new Error('the list does not end');
}

describe('pages of the list', () => {
  test('hold every bag once, in order, though many were changed at one moment or have one name', async () => {
    const moments = [
      new Date('2026-03-01T10:00:00Z'),
      new Date('2026-03-01T10:00:00.001Z'),
      new Date('2026-03-02'),
    ];
    const names = ['Bell', 'bell', 'Arch', 'Zither', 'Bell'];
    for (let i = 0; i < 23; i++) await create(names[i % names.length] ?? '', moments[i % moments.length]);
    for (const order of ['changed', 'name'] as const) {
      const expected: { id: string; name: string; updated_at: Date }[] = await db('bags');
      const compared = (a: (typeof expected)[number], b: (typeof expected)[number]) =>
        order === 'changed'
          ? b.updated_at.getTime() - a.updated_at.getTime() || (a.id < b.id ? 1 : -1)
          : a.name.toLowerCase().localeCompare(b.name.toLowerCase(), 'en') || (a.id < b.id ? -1 : 1);
      const ids = expected.sort(compared).map(({ id }) => id);
      for (const limit of [1, 5, 23, 50])
        expect((await whole({ order, limit })).map(({ id }) => id)).toEqual(ids);
    }
  });

  test('a bag that is saved while one reads on is neither shown twice nor left out by name', async () => {
    for (const name of ['a', 'b', 'c', 'd']) await create(name);
    const first = await page({ order: 'name', limit: 2 });
    await db('bags').where({ name: 'c' }).update({ updated_at: new Date() });
    const second = await page({ order: 'name', limit: 2, after: first.next });
    expect([...first.bags, ...second.bags].map(({ name }) => name)).toEqual(['a', 'b', 'c', 'd']);
    expect(second.next).toBeUndefined();
  });

  test('an end that is none gives the first page', async () => {
    await create('Bell');
    for (const after of ['', 'nonsense', Buffer.from('["x"]').toString('base64url')])
      expect((await page({ after })).bags).toHaveLength(1);
  });

  test('the words of a search are letters, not patterns, and big and small are alike', async () => {
    for (const name of ['Bell bag', '100 % wool', '100 wool', 'a_b', 'axb', 'back\\slash'])
      await create(name);
    const found = async (search: string) =>
      (await page({ search, order: 'name' })).bags.map(({ name }) => name);
    expect(await found('BELL')).toEqual(['Bell bag']);
    expect(await found('0 %')).toEqual(['100 % wool']);
    expect(await found('a_b')).toEqual(['a_b']);
    expect(await found('\\')).toEqual(['back\\slash']);
    await create('Été à Øre');
    for (const search of ['été', 'ÉTÉ', 'øRE']) expect(await found(search)).toEqual(['Été à Øre']);
    expect((await page({ search: 'wool' })).total).toBe(2);
  });

  test('any search finds just the names that hold it', { timeout: 60_000 }, async () => {
    const names = ['Bell bag', 'Bellows', 'Été', "O'Brien; drop table", 'ünder %_\\'];
    for (const name of names) await create(name);
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...names),
        fc.nat(10),
        fc.integer({ min: 1, max: 4 }),
        async (name, from, many) => {
          const search = name.slice(from, from + many);
          const found = (await page({ search })).bags.map((bag) => bag.name);
          expect(found.sort()).toEqual(
            names.filter((one) => one.toLowerCase().includes(search.toLowerCase())).sort(),
          );
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('what a list says of a bag', () => {
  test('is worked out once, and anew when the bag was saved', async () => {
    const id = await create('Bell');
    const [first] = (await page()).bags;
    expect(first?.summary).toMatchObject({ is: 'sound', depth: 0 });
    await page();
    expect(summed).toEqual(['Bell']);
    await new BagStore(db, owner).save(id, randomUUID(), 1, { ...document, name: 'Bell, larger' });
    expect((await page()).bags[0]).toMatchObject({ name: 'Bell, larger', version: 2 });
    await page();
    expect(summed).toEqual(['Bell', 'Bell, larger']);
  });

  test('that an older Fennot worked out is worked out anew', async () => {
    await create('Bell');
    await page();
    await db('bags').update({ summed: 1 });
    await page();
    expect(summed).toHaveLength(2);
  });

  test('a bag that cannot be planned says why, and has no picture; the others are there', async () => {
    await create('Good');
    const id = await create('Huge');
    const huge = {
      ...document,
      construction: {
        family: 'two-faces',
        face: { of: 'motifs', motif: 'm1', rounds: 4, columns: 40, rows: 40 },
        tuck: 0,
      },
    };
    await db('bags')
      .where({ id })
      .update({ document: JSON.stringify(huge), summed: null });
    const byName = new Map((await page()).bags.map((bag) => [bag.name, bag.summary]));
    expect(byName.get('Good')).toMatchObject({ is: 'sound' });
    expect(byName.get('Huge')).toMatchObject({ is: 'damaged', why: expect.stringContaining('3,200 pieces') });
    expect(await lists.picture(owner, id)).toBeUndefined();
  });

  test('is made when a bag has not been saved for a while, once for many saves', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const [one, other] = [await create('One'), await create('Other')];
    for (let i = 0; i < 5; i++) {
      lists.sumLater(one, () => {});
      vi.advanceTimersByTime(3000);
    }
    lists.sumLater(other, () => {});
    expect(summed).toEqual([]);
    vi.advanceTimersByTime(1500);
    vi.useRealTimers();
    await expect.poll(() => summed).toEqual(['One']);
    lists.close();
    await new Promise((done) => setTimeout(done, 50));
    expect(summed).toEqual(['One']);
  });

  test('a summary of a state that has been saved over meanwhile is not kept', async () => {
    const id = await create('Bell');
    const slow = new BagLists(db, {
      patience: Number.POSITIVE_INFINITY,
      summary: async (own: BagDocument) => {
        await new BagStore(db, owner).save(id, randomUUID(), 1, { ...document, name: 'Saved meanwhile' });
        return inline().summary(own);
      },
    });
    await slow.sum(id);
    expect(await db('bags').where({ id }).first('summed')).toEqual({ summed: null });
  });

  test('a list does not wait for the last of many: what is coming is said to be, and is there the next time', async () => {
    const ids = [await create('Quick'), await create('Slow')];
    let finish = () => {};
    const asked: string[] = [];
    const slow = new BagLists(db, {
      patience: 150,
      summary: async (own: BagDocument) => {
        asked.push(own.name);
        if (own.name === 'Slow') await new Promise<void>((done) => (finish = done));
        return inline().summary(own);
      },
    });
    const look = async () => {
      const read = JSON.parse(await slow.json(owner, listQuerySchema.parse({ order: 'name' })));
      return read.bags.map(({ name, summary }: { name: string; summary: { is: string } }) => [
        name,
        summary.is,
      ]);
    };
    const some = [
      ['Quick', 'sound'],
      ['Slow', 'coming'],
    ];
    expect(await look()).toEqual(some);
    // Asked again meanwhile, it is not begun again.
    expect(await look()).toEqual(some);
    expect(asked.filter((name) => name === 'Slow')).toHaveLength(1);
    finish();
    await expect
      .poll(async () => (await db('bags').where({ id: ids[1] }).first('summed')).summed)
      .not.toBeNull();
    expect(await look()).toEqual([
      ['Quick', 'sound'],
      ['Slow', 'sound'],
    ]);
    expect(asked.filter((name) => name === 'Slow')).toHaveLength(1);
  });

  test('its picture is an image of the bag: as many motifs and panels as are seen, and no script', async () => {
    const id = await create('Bell');
    const picture = (await lists.picture(owner, id)) ?? '';
    expect(picture.startsWith('<svg xmlns="http://www.w3.org/2000/svg" viewBox="')).toBe(true);
    expect(picture.match(/<use href="#d\d+"\/>/g)?.length).toBeGreaterThan(3);
    expect(picture).not.toMatch(/script|on\w+=|NaN|Infinity|undefined/);
    const [stranger] = await db('owners').insert({ name: 'someone else' }).returning('id');
    expect(await lists.picture(String(stranger.id), id)).toBeUndefined();
  });
});

describe('a list that was made before', () => {
  const json = () => lists.json(owner, listQuerySchema.parse({}));
  const names = async () => JSON.parse(await json()).bags.map(({ name }: { name: string }) => name);

  test('is the list as long as nothing changed, and says what changed at once, whoever changed it', async () => {
    const id = await create('Bell');
    expect(await names()).toEqual(['Bell']);
    const first = await json();
    expect(await json()).toBe(first);
    // Another server, with a memory of its own.
    const other = new BagStore(db, owner);
    await other.save(id, randomUUID(), 1, { ...document, name: 'Bell, larger' });
    expect(await names()).toEqual(['Bell, larger']);
    await create('Arch');
    expect((await names()).sort()).toEqual(['Arch', 'Bell, larger']);
    await other.remove(id);
    expect(await names()).toEqual(['Arch']);
    await other.restore(id, 3);
    expect((await names()).sort()).toEqual(['Arch', 'Bell, larger']);
    await db('bags').where({ id }).delete();
    expect(await names()).toEqual(['Arch']);
  });

  test('is each owner’s own', async () => {
    await create('Mine');
    await json();
    const [stranger] = await db('owners').insert({ name: 'someone else' }).returning('id');
    const theirs = await lists.json(String(stranger.id), listQuerySchema.parse({}));
    expect(JSON.parse(theirs)).toEqual({ bags: [], total: 0 });
  });

  test('whatever is done between two looks, the second says what is there', { timeout: 60_000 }, async () => {
    const step = fc.constantFrom('create', 'save', 'remove', 'look');
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 8 }), async (steps) => {
        for (const [i, one] of steps.entries()) {
          const row = await db('bags').whereNull('deleted_at').first('id', 'version');
          if (one === 'create') await create(`New ${i}`);
          if (one === 'save' && row)
            await new BagStore(db, owner).save(row.id, randomUUID(), row.version, {
              ...document,
              name: `Saved ${i}`,
            });
          if (one === 'remove' && row) await new BagStore(db, owner).remove(row.id);
          if (one === 'look') await json();
        }
        const there: string[] = await db('bags').whereNull('deleted_at').pluck('name');
        expect((await names()).sort()).toEqual(there.sort().slice(0, 48));
      }),
      { numRuns: 25 },
    );
  });
});
