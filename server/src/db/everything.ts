import { createHash } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import { type MakerFile, readDocument, settingsFrom } from '@fennot/core';
import type { Knex } from 'knex';
import { note } from './audit.ts';
import { inPieces } from './in-pieces.ts';
import { readSettings } from './owners.ts';

/** So many things are read before others have their turn: all of them take seconds, and a server has but one thread. */
const TURN = 20;

/** A time as the database knows it, to its last figure: what was made first stays first. */
const exact = (db: Knex, column: string) =>
  db.raw(`to_char(?? at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"') as ??`, [column, column]);

/** Everything a maker has. */
export async function everythingOf(db: Knex, owner: string, name: string): Promise<MakerFile> {
  await note(db, owner, 'taken out', 'Everything was written into a file.');
  // One look at all tables: nothing is set aside for a bag that is not in the file.
  return db.transaction(
    async (held) => {
      const mine = { owner_id: owner };
      const made = exact(held, 'made_at');
      const bags = await held('bags')
        .where(mine)
        .orderBy(['created_at', 'id'])
        .select(
          'id',
          'version',
          'document',
          ...['created_at', 'updated_at', 'deleted_at'].map((one) => exact(held, one)),
        );
      const events = await held('events')
        .where(mine)
        .orderBy('seq')
        .select<MakerFile['events']>({ bag: 'bag_id', id: 'id', event: 'event' });
      const lots = await held('lots')
        .where(mine)
        .orderBy(['made_at', 'id'])
        .select('id', 'version', 'lot', made);
      const allotments = await held('allotments')
        .where(mine)
        .orderBy(['made_at', 'id'])
        .select('id', 'lot_id', 'bag_id', 'yarn', 'grams', made);
      const library = await held('library')
        .where(mine)
        .orderBy(['made_at', 'id'])
        .select('id', 'version', 'item', made);
      return {
        format: 'fennot.maker',
        version: 2,
        at: new Date().toISOString(),
        name,
        settings: await readSettings(held, owner),
        bags: bags.map(({ id, version, created_at, updated_at, deleted_at, document }) => ({
          id,
          version,
          made: created_at,
          changed: updated_at,
          ...(deleted_at ? { deleted: deleted_at } : {}),
          document,
        })),
        events,
        lots: lots.map(({ id, version, made_at, lot }) => ({ id, version, made: made_at, lot })),
        allotments: allotments.map(({ id, lot_id, bag_id, yarn, grams, made_at }) => ({
          id,
          lot: lot_id,
          bag: bag_id,
          yarn,
          grams,
          made: made_at,
        })),
        library: library.map(({ id, version, made_at, item }) => ({ id, version, made: made_at, item })),
      };
    },
    { isolationLevel: 'repeatable read' },
  );
}

/** What came of taking a file in; `notEmpty`: the account holds things already. */
type TakenIn =
  | { readonly bags: number; readonly lots: number; readonly library: number; readonly left: number }
  | 'notEmpty';

/**
 * The id of a thing in this account: made of the one it had and of whose it is now, so that two makers can take in one file, and
 * one who asks again gets nothing twice.
 */
function idFor(owner: string, id: string): string {
  const hash = createHash('sha256').update(`${owner} ${id}`).digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-8${hash.slice(13, 16)}-a${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}

/** Whether the database can keep a text: no half characters, no NUL. */
const canBeKept = (json: string | undefined): json is string =>
  json !== undefined && !/\\u0000|\\ud[89a-f]/i.test(json.replaceAll('\\\\', ''));

/** Takes in a file of everything: all or nothing, except what no database could keep. */
export async function takeEverythingIn(
  db: Knex,
  owner: string,
  file: MakerFile,
  replace: boolean,
): Promise<TakenIn> {
  const own = (id: string) => idFor(owner, id);
  const mine = { owner_id: owner };
  return db.transaction(async (held) => {
    await held.raw('select pg_advisory_xact_lock(hashtext(?))', [`holdings ${owner}`]);
    if (replace) for (const table of TABLES) await held(table).where(mine).delete();
    else if (await holdsOther(held, owner, file, own)) return 'notEmpty';
    let left = 0;
    const kept = async <T extends { readonly id: string }>(
      all: readonly T[],
      row: (one: T) => Record<string, unknown>,
      json: (one: T) => unknown,
    ) => {
      // What stands twice in a file is one thing: the first.
      const rows = new Map<string, Record<string, unknown> & { text: string }>();
      for (const [i, one] of all.entries()) {
        if (i % TURN === TURN - 1) await setImmediate();
        const id = own(one.id);
        if (rows.has(id)) continue;
        const text = JSON.stringify(json(one));
        if (canBeKept(text)) rows.set(id, { ...mine, ...row(one), id, text });
        else left++;
      }
      return [...rows.values()];
    };
    const bags = await kept(
      file.bags,
      ({ version, made, changed, deleted }) => ({
        version,
        created_at: made,
        updated_at: changed,
        deleted_at: deleted ?? null,
      }),
      ({ document }) => withOwnOrigins(document, own),
    );
    await insert(
      held,
      'bags',
      bags.map(({ text, ...row }) => ({ ...row, document: text, name: bagName(text) })),
    );
    const there = async (table: string) => new Set<string>(await held(table).where(mine).pluck('id'));
    const knownBags = await there('bags');
    const events = file.events.filter(
      ({ bag, event }) => knownBags.has(own(bag)) && canBeKept(JSON.stringify(event)),
    );
    left += file.events.length - events.length;
    await insert(
      held,
      'events',
      events.map(({ bag, id, event }) => ({
        ...mine,
        bag_id: own(bag),
        id,
        event: JSON.stringify(event),
      })),
    );
    const lots = await kept(
      file.lots,
      ({ version, made }) => ({ version, made_at: made }),
      ({ lot }) => lot,
    );
    await insert(
      held,
      'lots',
      lots.map(({ text, ...row }) => ({ ...row, lot: text })),
    );
    const library = await kept(
      file.library,
      ({ version, made }) => ({ version, made_at: made }),
      ({ item }) => item,
    );
    await insert(
      held,
      'library',
      library.map(({ text, ...row }) => ({ ...row, item: text })),
    );
    const knownLots = await there('lots');
    const asked = file.allotments.filter(
      ({ lot, bag }) => knownLots.has(own(lot)) && knownBags.has(own(bag)),
    );
    left += file.allotments.length - asked.length;
    await insert(
      held,
      'allotments',
      asked.map(({ id, lot, bag, yarn, grams, made }) => ({
        ...mine,
        id: own(id),
        lot_id: own(lot),
        bag_id: own(bag),
        yarn,
        grams,
        made_at: made,
      })),
    );
    await held('owners')
      .where({ id: owner })
      .update({ settings: JSON.stringify(settingsFrom(file.settings)) });
    await note(held, owner, 'taken in', 'A file of everything was taken in.');
    return { bags: bags.length, lots: lots.length, library: library.length, left };
  });
}

const TABLES = ['allotments', 'bags', 'lots', 'library'] as const;

/** Whether an account holds anything that is not out of this very file. */
async function holdsOther(
  held: Knex,
  owner: string,
  file: MakerFile,
  own: (id: string) => string,
): Promise<boolean> {
  for (const table of TABLES) {
    const there: string[] = await held(table).where({ owner_id: owner }).pluck('id');
    const taken = new Set(file[table].map(({ id }) => own(id)));
    if (there.some((id) => !taken.has(id))) return true;
  }
  return false;
}

async function insert(held: Knex, table: string, rows: readonly Record<string, unknown>[]): Promise<void> {
  for (const piece of inPieces(rows)) await held(table).insert(piece).onConflict().ignore();
}

function bagName(text: string): string {
  const document: unknown = JSON.parse(text);
  const name =
    typeof document === 'object' && document !== null && 'name' in document ? document.name : undefined;
  return typeof name === 'string' ? name.slice(0, 80) : '';
}

/** A bag whose copies know their library by its ids in this account. What cannot be read goes along as it is. */
function withOwnOrigins(input: unknown, own: (id: string) => string): unknown {
  const read = readDocument(input);
  if (!read.ok) return input;
  const { document } = read;
  const moved = <
    T extends { readonly origin?: { readonly id: string; readonly version: number } | undefined },
  >(
    one: T,
  ): T => (one.origin ? { ...one, origin: { ...one.origin, id: own(one.origin.id) } } : one);
  return { ...document, swatches: document.swatches.map(moved), motifs: document.motifs.map(moved) };
}
