import { randomUUID } from 'node:crypto';
import {
  beginDocument,
  type HoldingChange,
  itemFrom,
  type Library,
  type Lot,
  PROBLEMS,
  type Stash,
} from '@fennot/core';
import { describe, expect, test } from 'vitest';
import { testLot } from './testing/lot.ts';
import { maker } from './testing/makers.ts';
import { testServer } from './testing/server.ts';

const server = testServer();

/** One that is begun, too. */
const lot = (fields: Partial<Lot> = {}) => testLot({ parts: [20], ...fields });
const change = (changes: readonly HoldingChange[], id: string = randomUUID()) =>
  server.app.inject({ method: 'POST', url: '/api/holdings/changes', payload: { id, changes } });
const stash = async () => (await server.app.inject('/api/stash')).json<Stash>();
const add = async (fields: Partial<Lot> = {}) => {
  const id = randomUUID();
  expect((await change([{ of: 'add', id, lot: lot(fields) }])).statusCode).toBe(200);
  return id;
};
const bag = async (name: string) => {
  const id = randomUUID();
  await server.app.inject({
    method: 'POST',
    url: '/api/bags',
    payload: { id, document: beginDocument({ name }) },
  });
  return id;
};
const aside = (of: string, bagId: string, grams: number, id: string = randomUUID()): HoldingChange => ({
  of: 'allot',
  allotment: { id, lot: of, bag: bagId, yarn: 'y1', grams },
});

describe('the stash', () => {
  test('lots come, change and go, each on top of the version it was read at', async () => {
    const id = await add();
    expect((await stash()).lots).toEqual([{ id, version: 1, lot: lot() }]);
    const changed = await change([{ of: 'change', id, basedOn: 1, lot: lot({ full: 1 }) }]);
    expect(changed.json()).toEqual({ versions: { [id]: 2 } });
    const late = await change([{ of: 'change', id, basedOn: 1, lot: lot({ full: 9 }) }]);
    expect([late.statusCode, late.json().title]).toEqual([409, PROBLEMS.holdingChanged.title]);
    expect((await change([{ of: 'remove', id, basedOn: 1 }])).statusCode).toBe(409);
    expect((await stash()).lots[0]?.lot.full).toBe(1);
    expect((await change([{ of: 'remove', id, basedOn: 2 }])).json()).toEqual({ versions: {} });
    expect((await stash()).lots).toEqual([]);
  });

  test('changes are made together or not at all', async () => {
    const id = await add();
    const other = randomUUID();
    const answer = await change([
      { of: 'add', id: other, lot: lot({ dyeLot: '13' }) },
      { of: 'change', id, basedOn: 7, lot: lot({ full: 0 }) },
    ]);
    expect(answer.statusCode).toBe(409);
    expect((await stash()).lots).toEqual([{ id, version: 1, lot: lot() }]);
  });

  test('asked again after a lost answer, the same changes are answered as they were, and made once', async () => {
    const [id, own] = [randomUUID(), randomUUID()];
    const twice = await Promise.all([1, 2].map(() => change([{ of: 'add', id, lot: lot() }], own)));
    expect(twice.map((one) => [one.statusCode, one.json()])).toEqual([
      [200, { versions: { [id]: 1 } }],
      [200, { versions: { [id]: 1 } }],
    ]);
    await change([{ of: 'change', id, basedOn: 1, lot: lot({ full: 1 }) }]);
    expect((await change([{ of: 'add', id, lot: lot() }], own)).json()).toEqual({ versions: { [id]: 1 } });
    expect((await stash()).lots.map(({ lot: { full } }) => full)).toEqual([1]);
  });

  test('of two windows that change one lot at once, one is told', async () => {
    const id = await add();
    const both = await Promise.all(
      [3, 4].map((full) => change([{ of: 'change', id, basedOn: 1, lot: lot({ full }) }])),
    );
    expect(both.map(({ statusCode }) => statusCode).sort()).toEqual([200, 409]);
    expect((await stash()).lots[0]?.version).toBe(2);
  });

  test('changes of many lots in any order never wait for each other for good', async () => {
    const ids = await Promise.all(Array.from({ length: 6 }, () => add()));
    const touch = (order: readonly string[]) =>
      change(order.map((id) => ({ of: 'change', id, basedOn: 1, lot: lot({ full: 5 }) }) as const));
    const answers = await Promise.all([touch(ids), touch([...ids].reverse())]);
    expect(answers.map(({ statusCode }) => statusCode).sort()).toEqual([200, 409]);
  });

  test('what was taken out comes back as a later version: who holds the old one is told', async () => {
    const id = await add();
    await change([{ of: 'change', id, basedOn: 1, lot: lot({ full: 4 }) }]);
    await change([{ of: 'remove', id, basedOn: 2 }]);
    await change([{ of: 'add', id, after: 2, lot: lot({ full: 4 }) }]);
    expect((await change([{ of: 'change', id, basedOn: 1, lot: lot() }])).statusCode).toBe(409);
    expect((await stash()).lots).toEqual([{ id, version: 3, lot: lot({ full: 4 }) }]);
  });

  test('a lot that makes no sense is refused with its sentence', async () => {
    const answer = await change([{ of: 'add', id: randomUUID(), lot: lot({ parts: [90] }) }]);
    expect(answer.statusCode).toBe(400);
    expect(answer.json().detail).toContain('heavier than a full one');
  });

  test('of many that make no sense the first are named, and the rest are counted', async () => {
    const bad = Array.from({ length: 500 }, () => ({
      of: 'add',
      id: randomUUID(),
      lot: { ...lot(), full: -1 },
    }));
    const answer = await server.app.inject({
      method: 'POST',
      url: '/api/holdings/changes',
      payload: { id: randomUUID(), changes: bad },
    });
    expect(answer.json().errors).toHaveLength(21);
    expect(answer.json().errors.at(-1).message).toBe('And 480 more.');
  });

  test('ten thousand lots come in at once, and one too many is told', async () => {
    const many = (from: number, to: number): HoldingChange[] =>
      Array.from({ length: to - from }, (_, i) => ({
        of: 'add',
        id: randomUUID(),
        lot: lot({ dyeLot: `${from + i}`, note: 'x'.repeat(100) }),
      }));
    expect((await change(many(0, 10_000))).statusCode).toBe(200);
    expect((await stash()).lots).toHaveLength(10_000);
    const over = await change(many(0, 10_001));
    expect(over.json().detail).toContain('20,000 lots at most');
    expect(await server.db('lots').count('* as many').first()).toEqual({ many: '10000' });
  });

  test('a lot that cannot be read is counted, not lost, and hides no other', async () => {
    await add();
    await server
      .db('lots')
      .insert({ id: randomUUID(), owner_id: server.owner, lot: '{"yarn": 3}', version: 1 });
    const { lots, damaged } = await stash();
    expect([lots.length, damaged]).toEqual([1, 1]);
    expect(await server.db('lots').count('* as many').first()).toEqual({ many: '2' });
  });

  test('nobody reads or changes what is another maker’s', async () => {
    const id = await add();
    const own = await bag('Mine');
    // The local maker has an account now, and so has another.
    const mine = await maker(server.app, 'Rowan', { owner: server.owner });
    const theirs = await maker(server.app, 'Sedge');
    expect((await theirs.inject('/api/stash')).json()).toMatchObject({ lots: [], allotments: [] });
    const answer = await theirs.inject({
      method: 'POST',
      url: '/api/holdings/changes',
      payload: { id: randomUUID(), changes: [{ of: 'remove', id, basedOn: 1 }] },
    });
    expect(answer.statusCode).toBe(409);
    const mix = { id: randomUUID(), changes: [aside(id, own, 5)] };
    expect(
      (await theirs.inject({ method: 'POST', url: '/api/holdings/changes', payload: mix })).statusCode,
    ).toBe(404);
    expect((await mine.inject('/api/stash')).json<Stash>().lots).toHaveLength(1);
  });
});

describe('set aside for bags', () => {
  test('in the order in which it was asked for; another amount keeps its turn', async () => {
    const id = await add();
    const [first, second] = [await bag('First'), await bag('Second')];
    const own = randomUUID();
    await change([aside(id, first, 80, own)]);
    await change([aside(id, second, 80)]);
    await change([aside(id, first, 90, own)]);
    const { allotments, bags } = await stash();
    expect(allotments.map((one) => [one.bag, one.grams])).toEqual([
      [first, 90],
      [second, 80],
    ]);
    expect(bags).toEqual({ [first]: 'First', [second]: 'Second' });
    expect((await change([{ of: 'free', id: own }])).statusCode).toBe(200);
    expect((await change([{ of: 'free', id: own }])).statusCode).toBe(200);
    expect((await stash()).allotments).toHaveLength(1);
  });

  test('asked for in two windows at once it is one allotment, and an id of another one is refused', async () => {
    const [id, other] = [await add(), await add({ dyeLot: '13' })];
    const own = await bag('Bag');
    const answers = await Promise.all([change([aside(id, own, 30)]), change([aside(id, own, 40)])]);
    expect(answers.map(({ statusCode }) => statusCode)).toEqual([200, 200]);
    const [one, ...more] = (await stash()).allotments;
    expect(more).toEqual([]);
    expect([30, 40]).toContain(one?.grams);
    expect((await change([aside(other, own, 5, one?.id)])).statusCode).toBe(409);
  });

  test('a deleted bag sets nothing aside; brought back, it does again, in its old turn', async () => {
    const id = await add();
    const [first, second] = [await bag('First'), await bag('Second')];
    await change([aside(id, first, 30), aside(id, second, 40)]);
    const { version } = (await server.app.inject({ method: 'DELETE', url: `/api/bags/${first}` })).json();
    expect((await stash()).allotments.map((one) => one.bag)).toEqual([second]);
    expect((await change([aside(id, first, 5)])).statusCode).toBe(404);
    await server.app.inject({
      method: 'POST',
      url: `/api/bags/${first}/restore`,
      payload: { basedOn: version },
    });
    expect((await stash()).allotments.map((one) => one.bag)).toEqual([first, second]);
  });

  test('of a lot that is gone nothing can be set aside', async () => {
    const own = await bag('Bag');
    const answer = await change([aside(randomUUID(), own, 5)]);
    expect([answer.statusCode, answer.json().title]).toEqual([404, PROBLEMS.noSuchLot.title]);
    const id = await add();
    await change([aside(id, own, 5)]);
    await change([{ of: 'remove', id, basedOn: 1 }]);
    expect((await stash()).allotments).toEqual([]);
  });
});

describe('the library', () => {
  const document = beginDocument({ name: 'Bag' });
  const item = itemFrom(document, { of: 'swatch', id: document.swatches[0]?.id ?? '' });
  const library = async () => (await server.app.inject('/api/library')).json<Library>();
  const called = (name: string) => ({ ...item, swatch: { ...item.swatch, name } });

  test('items are kept, changed on top of the version they were read at, and dropped', async () => {
    const id = randomUUID();
    expect((await change([{ of: 'keep', id, item }])).json()).toEqual({ versions: { [id]: 1 } });
    expect((await library()).items).toEqual([{ id, version: 1, item }]);
    await change([{ of: 'keep', id, basedOn: 1, item: called('Anew') }]);
    expect((await change([{ of: 'keep', id, basedOn: 1, item: called('Late') }])).statusCode).toBe(409);
    expect((await library()).items[0]?.item.swatch.name).toBe('Anew');
    expect((await change([{ of: 'keep', id, item }])).statusCode).toBe(409);
    expect((await change([{ of: 'drop', id, basedOn: 2 }])).statusCode).toBe(200);
    await change([{ of: 'keep', id, after: 2, item }]);
    expect((await library()).items[0]?.version).toBe(3);
  });

  test('an item that is not whole is refused', async () => {
    const answer = await change([{ of: 'keep', id: randomUUID(), item: { ...item, yarns: [] } }]);
    expect(answer.statusCode).toBe(400);
  });

  test('one that cannot be read is counted, not lost', async () => {
    await server.db('library').insert({ id: randomUUID(), owner_id: server.owner, item: '{}', version: 1 });
    expect(await library()).toEqual({ items: [], damaged: 1 });
  });
});
