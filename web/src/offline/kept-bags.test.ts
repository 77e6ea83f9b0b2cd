import 'fake-indexeddb/auto';
import { beginDocument } from '@fennot/core';
import { afterEach, expect, test } from 'vitest';
import { workFor } from '../api/maker.ts';
import { allKeptBags, dropBag, dropBagsOf, keepBag, keptBag } from './kept-bags.ts';

const BAG = '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10';
const document = beginDocument({ name: 'Bag' });
const as = (id: string) => workFor({ id, first: true });
afterEach(() => workFor(undefined));

test('a bag that was opened here is there without the server, as it was last', async () => {
  as('rowan');
  expect(await keptBag(BAG)).toBeUndefined();
  await keepBag(BAG, 3, document);
  await keepBag(BAG, 4, { ...document, name: 'Changed' });
  expect(await keptBag(BAG)).toMatchObject({ id: BAG, version: 4, document: { name: 'Changed' } });
});

test('another maker finds nothing of it; signed out, nothing is left', async () => {
  as('rowan');
  await keepBag(BAG, 3, document);
  as('rowans');
  expect(await keptBag(BAG)).toBeUndefined();
  await keepBag(BAG, 1, document);
  await dropBagsOf('rowan');
  expect(await keptBag(BAG)).toMatchObject({ version: 1 });
  as('rowan');
  expect(await keptBag(BAG)).toBeUndefined();
});

test('all that are kept are told by name, the last one first', async () => {
  as('sedge');
  await keepBag(BAG, 3, document);
  await new Promise((done) => setTimeout(done, 3));
  const other = BAG.replace('7e', '8e');
  await keepBag(other, 1, { ...document, name: 'Other' });
  expect(await allKeptBags()).toEqual([
    { id: other, name: 'Other' },
    { id: BAG, name: 'Bag' },
  ]);
});

test('one that is gone is forgotten; one that cannot be read is none', async () => {
  as('rowan');
  await keepBag(BAG, 3, document);
  await dropBag(BAG);
  expect(await keptBag(BAG)).toBeUndefined();
  await keepBag(BAG, 3, { ...document, version: 99 } as unknown as typeof document);
  expect(await keptBag(BAG)).toBeUndefined();
});
