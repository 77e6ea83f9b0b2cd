import { type BagDocument, readDocument } from '@fennot/core';
import type { DBSchema } from 'idb';
import { browserDatabase } from '../api/browser-database.ts';
import { makerNow } from '../api/maker.ts';

interface KeptBag {
  readonly maker: string;
  readonly bag: string;
  /** The version at the server that the document is. */
  readonly version: number;
  /** As it was read; it is checked again when it is taken up. */
  readonly document: unknown;
  readonly at: number;
}

interface Bags extends DBSchema {
  bags: { key: [maker: string, bag: string]; value: KeptBag };
}

const database = browserDatabase<Bags>({
  name: 'fennot-bags',
  version: 1,
  upgrade: (db) => void db.createObjectStore('bags', { keyPath: ['maker', 'bag'] }),
});

const maker = () => makerNow()?.id ?? '';

/** Keeps a bag as the server has it, so that it opens without a connection. Without room it does not. */
export async function keepBag(bag: string, version: number, document: BagDocument): Promise<void> {
  const db = await database();
  await db.put('bags', { maker: maker(), bag, version, document, at: Date.now() });
}

/** A bag as this browser last had it of the server; nothing where it never had, or what it has cannot be read. */
export async function keptBag(bag: string): Promise<
  | {
      readonly id: string;
      readonly version: number;
      readonly updatedAt: string;
      readonly document: BagDocument;
    }
  | undefined
> {
  const kept = await (await database()).get('bags', [maker(), bag]);
  const read = kept && readDocument(kept.document);
  return kept && read?.ok
    ? { id: bag, version: kept.version, updatedAt: new Date(kept.at).toISOString(), document: read.document }
    : undefined;
}

/** A bag that is kept, by name. */
export interface KeptName {
  readonly id: string;
  readonly name: string;
}

/** All bags that are kept for this maker and can be read, the one opened last first. */
export async function allKeptBags(): Promise<KeptName[]> {
  const own = maker();
  const all = await (await database()).getAll('bags', IDBKeyRange.bound([own], [own, []]));
  return all
    .sort((a, b) => b.at - a.at)
    .flatMap(({ bag, document }) => {
      const read = readDocument(document);
      return read.ok ? [{ id: bag, name: read.document.name }] : [];
    });
}

/** Forgets a bag, which is gone. */
export async function dropBag(bag: string): Promise<void> {
  await (await database()).delete('bags', [maker(), bag]);
}

/** Forgets all bags of a maker, who has signed out. */
export async function dropBagsOf(own: string): Promise<void> {
  await (await database()).delete('bags', IDBKeyRange.bound([own], [own, []]));
}
