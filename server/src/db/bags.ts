import { type BagDocument, type KeptBag, readDocument, type Saved, type StoredBag } from '@fennot/core';
import type { Knex } from 'knex';
import { note } from './audit.ts';

interface BagRow {
  id: string;
  owner_id: string;
  document: unknown;
  name: string;
  summed: number | null;
  version: number;
  updated_at: Date;
  deleted_at: Date | null;
  /** The last saves, newest first. */
  saves: readonly { readonly id: string; readonly version: number; readonly at: string }[];
}

/** So many saves are remembered: a window has one under way at a time, and few windows are open on one bag. */
const SAVES_KEPT = 32;

/** A deleted bag can be brought back for so long. */
const DAYS_KEPT = 30;

const savedOf = ({ version, updated_at }: BagRow): Saved => ({
  version,
  updatedAt: updated_at.toISOString(),
});

/** What a damaged row calls itself, as far as that can be told. */
function nameOf(document: unknown): string {
  const name = typeof document === 'object' && document !== null && 'name' in document ? document.name : '';
  return typeof name === 'string' && name !== '' ? name : 'A bag without a name';
}

/** A row is read like a file: an older server may have written it, or something may have damaged it. */
function keptOf(row: BagRow): KeptBag {
  const head = { id: row.id, ...savedOf(row) };
  const read = readDocument(row.document);
  return read.ok
    ? { ...head, document: read.document }
    : {
        ...head,
        damaged: { name: nameOf(row.document), problems: [...read.problems], raw: row.document },
      };
}

/** What became of a change that was made from some version. */
export type Outcome<T> =
  | { readonly is: 'done'; readonly bag: T }
  /** Made from another version than the latest. */
  | { readonly is: 'clash'; readonly current: KeptBag }
  | { readonly is: 'missing' };

/** The bags of one owner. No query here can reach another owner's rows. */
export class BagStore {
  private readonly db: Knex;
  private readonly owner: string;

  constructor(db: Knex, owner: string) {
    this.db = db;
    this.owner = owner;
  }

  private all() {
    return this.db<BagRow>('bags').where({ owner_id: this.owner });
  }

  private rows() {
    return this.all().whereNull('deleted_at');
  }

  async find(id: string): Promise<KeptBag | undefined> {
    const row = await this.rows().where({ id }).first();
    return row && keptOf(row);
  }

  /** Makes a bag, new or out of a file. Asked again with the same id, it gives the bag that was made the first time. */
  async create(id: string, document: BagDocument, imported = false): Promise<StoredBag | undefined> {
    const made = await this.db.transaction(async (held) => {
      const [fresh] = await held<BagRow>('bags')
        .insert({ id, owner_id: this.owner, name: document.name, document: JSON.stringify(document) })
        .onConflict('id')
        .ignore()
        .returning('*');
      if (fresh && imported) await note(held, this.owner, 'imported', document.name, id);
      return fresh;
    });
    const row = made ?? (await this.all().where({ id }).first());
    const kept = row && keptOf(row);
    return kept && 'document' in kept ? kept : undefined;
  }

  /**
   * Saves only on top of the version the change was made from; otherwise gives the current bag back. A save that
   * has been made before is answered as it was then, whatever has been saved since.
   */
  async save(id: string, save: string, basedOn: number, document: BagDocument): Promise<Outcome<Saved>> {
    const at = new Date();
    const version = basedOn + 1;
    const entry = JSON.stringify([{ id: save, version, at: at.toISOString() }]);
    const [row] = await this.rows()
      .where({ id, version: basedOn })
      .update({
        document: JSON.stringify(document),
        name: document.name,
        // What the list says of it is made anew.
        summed: null,
        version,
        updated_at: at,
        saves: this.db.raw(`jsonb_path_query_array(?::jsonb || saves, '$[0 to ${SAVES_KEPT - 1}]')`, [entry]),
      })
      .returning(['version', 'updated_at']);
    if (row) return { is: 'done', bag: { version, updatedAt: at.toISOString() } };
    const current = await this.rows().where({ id }).first();
    if (!current) return { is: 'missing' };
    const before = current.saves.find((one) => one.id === save);
    return before
      ? { is: 'done', bag: { version: before.version, updatedAt: before.at } }
      : { is: 'clash', current: keptOf(current) };
  }

  /** Puts a bag away. It can be brought back, with everything that was saved up to now. */
  async remove(id: string): Promise<Saved | undefined> {
    return this.db.transaction(async (held) => {
      const [row] = await held<BagRow>('bags')
        .where({ owner_id: this.owner, id })
        .whereNull('deleted_at')
        .update({ deleted_at: new Date(), version: held.raw('version + 1') })
        .returning('*');
      if (row) await note(held, this.owner, 'deleted', nameOf(row.document), id);
      return row && savedOf(row);
    });
  }

  /** Brings a bag back as it was when it was deleted, at the version the delete left. */
  async restore(id: string, basedOn: number): Promise<Outcome<KeptBag>> {
    const row = await this.db.transaction(async (held) => {
      const [back] = await held<BagRow>('bags')
        .where({ owner_id: this.owner, id, version: basedOn })
        .whereNotNull('deleted_at')
        .update({ deleted_at: null, version: basedOn + 1 })
        .returning('*');
      if (back) await note(held, this.owner, 'restored', nameOf(back.document), id);
      return back;
    });
    if (row) return { is: 'done', bag: keptOf(row) };
    const current = await this.all().where({ id }).first();
    if (!current) return { is: 'missing' };
    // It is there already: someone brought it back before, perhaps this very request, whose answer was lost.
    if (!current.deleted_at && current.version === basedOn + 1) return { is: 'done', bag: keptOf(current) };
    return { is: 'clash', current: keptOf(current) };
  }

  /** Forgets what was deleted long ago. */
  static async purge(db: Knex): Promise<void> {
    await db('bags')
      .whereNotNull('deleted_at')
      .where('deleted_at', '<', db.raw(`now() - interval '${DAYS_KEPT} days'`))
      .delete();
  }
}
