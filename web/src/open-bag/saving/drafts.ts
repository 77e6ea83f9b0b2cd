import { type BagDocument, type FieldProblem, readDocument, type StoredBag } from '@fennot/core';
import type { DBSchema } from 'idb';
import { z } from 'zod';
import { browserDatabase } from '../../api/browser-database.ts';
import { makerNow } from '../../api/maker.ts';
import type { Draft } from './saver.ts';

/** A draft as the browser keeps it: whose it is, and what it says. Documents are checked when it is read. */
const recordSchema = z.object({
  key: z.string(),
  bag: z.string(),
  window: z.string(),
  /** Whose work it is; nobody's name before there were accounts. */
  maker: z.string().optional(),
  /** Counted up by its window: of two records of one key, the later one holds. */
  number: z.number(),
  at: z.number(),
  draft: z.unknown(),
});
type DraftRecord = z.infer<typeof recordSchema>;

const storedSchema = z.object({ version: z.number(), document: z.unknown() });
const draftSchema = z.object({
  base: storedSchema,
  mine: z.unknown(),
  flight: z.object({ save: z.string(), basedOn: z.number(), document: z.unknown() }).optional(),
});

/** Work of some window that the server may not have. */
export type LeftDraft = {
  readonly key: string;
  readonly bag: StoredBag['id'];
  readonly window: string;
  readonly at: number;
} & (
  | { readonly ok: true; readonly draft: Draft<BagDocument> }
  /** It cannot be read; it is handed out as it is, never deleted. */
  | { readonly ok: false; readonly problems: readonly FieldProblem[]; readonly raw: unknown }
);

interface Drafts extends DBSchema {
  drafts: { key: string; value: DraftRecord };
}

/** Where a page that is going writes: the one storage that needs no waiting. */
const LEAVING = 'fennot.leaving.';
/** Drafts of the first Fennot, which kept no state that they were made from. */
const OLD = 'fennot.draft.';

const database = browserDatabase<Drafts>({
  name: 'fennot',
  version: 1,
  upgrade: (db) => void db.createObjectStore('drafts', { keyPath: 'key' }),
});

export const draftKey = (bag: string, window: string): string => `${bag}.${window}`;

interface Keeping {
  readonly bag: string;
  readonly window: string;
  readonly number: number;
  readonly draft: Draft<BagDocument>;
}

const recordOf = ({ bag, window, number, draft }: Keeping): DraftRecord => ({
  key: draftKey(bag, window),
  bag,
  window,
  ...(makerNow() ? { maker: makerNow()?.id } : {}),
  number,
  at: Date.now(),
  draft,
});

/** Writes a draft so that it is on the disk when this is done. Throws where there is no room. */
export async function keepDraft(keeping: Keeping): Promise<void> {
  const db = await database();
  const work = db.transaction('drafts', 'readwrite', { durability: 'strict' });
  await work.store.put(recordOf(keeping));
  await work.done;
}

/** Writes a draft at once, from a page that is going. */
export function keepLeaving(keeping: Keeping): void {
  const record = recordOf(keeping);
  try {
    localStorage.setItem(LEAVING + record.key, JSON.stringify(record));
  } catch {
    // No room: the request that outlives the page, and the last draft, have to do.
  }
}

/** Forgets a draft, wherever it was written. */
export async function dropDraft(key: string): Promise<void> {
  try {
    localStorage.removeItem(LEAVING + key);
    localStorage.removeItem(OLD + key);
  } catch {
    // Without storage there is nothing to forget there.
  }
  const db = await database();
  await db.delete('drafts', key);
}

/** Reads the documents of a draft as a file is read. */
function readDraft(record: DraftRecord): LeftDraft {
  const { key, bag, window, at } = record;
  const parsed = draftSchema.safeParse(record.draft);
  if (!parsed.success) {
    const problems = [{ path: '', message: 'What the browser kept is damaged.' }];
    return { key, bag, window, at, ok: false, problems, raw: record.draft };
  }
  const { base, mine, flight } = parsed.data;
  const own = readDocument(mine);
  const before = readDocument(base.document);
  const sent = flight && readDocument(flight.document);
  const wrong = [own, before, sent].find((read) => read && !read.ok);
  if (!own.ok || !before.ok || (sent && !sent.ok)) {
    const problems = wrong && !wrong.ok ? wrong.problems : [];
    return { key, bag, window, at, ok: false, problems, raw: mine };
  }
  const draft: Draft<BagDocument> = {
    base: { version: base.version, document: before.document },
    mine: own.document,
    ...(flight && sent ? { flight: { ...flight, document: sent.document } } : {}),
  };
  return { key, bag, window, at, ok: true, draft };
}

function fromLocalStorage(): DraftRecord[] {
  const records: DraftRecord[] = [];
  try {
    for (let i = 0; i < localStorage.length; i++) {
      const name = localStorage.key(i);
      const own = name?.startsWith(LEAVING);
      if (!name || (!own && !name.startsWith(OLD))) continue;
      const text = localStorage.getItem(name) ?? '';
      const value: unknown = parsedJson(text);
      const key = name.slice(own ? LEAVING.length : OLD.length);
      const record = recordSchema.safeParse(value);
      const [bag = '', window = ''] = key.split('.');
      records.push(
        record.success ? record.data : { key, bag, window, number: 0, at: 0, draft: value ?? text },
      );
    }
  } catch {
    // No storage, no drafts in it.
  }
  return records;
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Whether a draft is of the maker this page works for: what is unsaved is taken up by the same maker only. */
function isMine({ maker: own }: DraftRecord): boolean {
  const maker = makerNow();
  return own === undefined ? maker?.first !== false : own === maker?.id;
}

/** Every draft that this maker left in this browser, the latest first. */
export async function allDrafts(): Promise<LeftDraft[]> {
  const kept = await database()
    .then((db) => db.getAll('drafts'))
    .catch(() => []);
  const latest = new Map<string, DraftRecord>();
  for (const record of [...kept, ...fromLocalStorage()].filter(isMine)) {
    const before = latest.get(record.key);
    if (!before || record.number > before.number) latest.set(record.key, record);
  }
  return [...latest.values()].sort((a, b) => b.at - a.at).map(readDraft);
}
