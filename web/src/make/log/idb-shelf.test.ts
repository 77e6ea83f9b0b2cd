import 'fake-indexeddb/auto';
import type { MakeEvent } from '@fennot/core';
import { expect, test } from 'vitest';
import { TestDevice } from '../../../../core/src/testing/making.ts';
import { forgetSent, IdbShelf } from './idb-shelf.ts';

const NOON = Date.UTC(2026, 2, 7, 12);
const some = (many: number, device = new TestDevice(1)): MakeEvent[] =>
  Array.from({ length: many }, (_, i) => device.does({ of: 'hidden', many: i + 1 }, NOON + i));

test('what was put down is there, in its order, with what was not sent and how far was read', async () => {
  const shelf = new IdbShelf('rowan', 'bag 1');
  expect(await shelf.load()).toEqual({ events: [], unsent: new Set(), place: 0 });
  const mine = some(3);
  await shelf.put([...mine].reverse(), true);
  const theirs = some(2, new TestDevice(2, 60_000));
  await shelf.put(theirs, false, 7);
  await shelf.sent([mine[1]?.id ?? '', 'what is not there']);
  const kept = await new IdbShelf('rowan', 'bag 1').load();
  expect(kept.events).toEqual([...mine, ...theirs]);
  expect([...kept.unsent]).toEqual([mine[0]?.id, mine[2]?.id]);
  expect(kept.place).toBe(7);
});

test('another maker, and another bag, have logs of their own', async () => {
  await new IdbShelf('sedge', 'bag 2').put(some(1), true, 4);
  for (const [maker, bag] of [
    ['sedge', 'bag 20'],
    ['sedge', 'bag'],
    ['sedges', 'bag 2'],
  ])
    expect((await new IdbShelf(maker ?? '', bag ?? '').load()).events).toEqual([]);
  expect((await new IdbShelf('sedge', 'bag 2').load()).events).toHaveLength(1);
});

test('what only a newer Fennot can read stays where it is, and all else is read', async () => {
  const shelf = new IdbShelf('rowan', 'bag 3');
  const [first, second] = some(2);
  if (!first || !second) throw new Error('two were made');
  const strange = { ...first, of: 'danced' } as unknown as MakeEvent;
  await shelf.put([strange, second], true);
  expect((await shelf.load()).events).toEqual([second]);
});

test('signed out, what the server has is forgotten; what it has not waits for the same maker', async () => {
  const shelf = new IdbShelf('nettle', 'bag 5');
  const [first, second] = some(2);
  if (!first || !second) throw new Error('two were made');
  await shelf.put([first], false, 3);
  await shelf.put([second], true);
  await new IdbShelf('nettles', 'bag 5').put([first], false, 9);
  await forgetSent('nettle');
  expect(await shelf.load()).toEqual({ events: [second], unsent: new Set([second.id]), place: 0 });
  expect((await new IdbShelf('nettles', 'bag 5').load()).place).toBe(9);
});
