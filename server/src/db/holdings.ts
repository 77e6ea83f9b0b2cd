import {
  type ChangedHoldings,
  changedHoldingsSchema,
  type HoldingChange,
  type Library,
  type Lot,
  libraryItemSchema,
  lotSchema,
  MOST_ITEMS,
  MOST_LOTS,
  type Stash,
} from '@fennot/core';
import type { Knex } from 'knex';
import { inPieces } from './in-pieces.ts';

interface LotRow {
  id: string;
  owner_id: string;
  lot: unknown;
  version: number;
}

interface ItemRow {
  id: string;
  owner_id: string;
  item: unknown;
  version: number;
}

interface AllotmentRow {
  id: string;
  owner_id: string;
  lot_id: string;
  bag_id: string;
  yarn: string;
  grams: number;
}

/** Why changes were not made: none of them was. */
export type Refusal = 'holdingChanged' | 'noSuchLot' | 'tooManyLots' | 'tooManyItems' | 'idTaken';

/** Ends the transaction that a refused change is in. */
class Refused extends Error {
  readonly why: Refusal;

  constructor(why: Refusal) {
    super(why);
    this.why = why;
  }
}

/** Changes are remembered for so long: an answer that was lost is asked for again within minutes. */
const DAYS_KEPT = 2;

/** What an owner has beside bags. */
export class HoldingStore {
  private readonly db: Knex;
  private readonly owner: string;

  constructor(db: Knex, owner: string) {
    this.db = db;
    this.owner = owner;
  }

  /** All lots, and what is set aside of them for bags that are there. Lots that cannot be read are counted. */
  async stash(): Promise<Stash> {
    const mine = { owner_id: this.owner };
    const [lots, asked] = await Promise.all([
      this.db<LotRow>('lots').where(mine).orderBy(['made_at', 'id']).select('id', 'lot', 'version'),
      this.db<AllotmentRow>('allotments')
        .join('bags', 'bags.id', 'allotments.bag_id')
        .where('allotments.owner_id', this.owner)
        .whereNull('bags.deleted_at')
        .orderBy(['allotments.made_at', 'allotments.id'])
        .select<(AllotmentRow & { name: string })[]>('allotments.*', 'bags.name'),
    ]);
    const read = lots.flatMap(({ id, lot, version }) => {
      const own = lotSchema.safeParse(lot);
      return own.success ? [{ id, version, lot: own.data }] : [];
    });
    return {
      lots: read,
      damaged: lots.length - read.length,
      allotments: asked.map(({ id, lot_id, bag_id, yarn, grams }) => ({
        id,
        lot: lot_id,
        bag: bag_id,
        yarn,
        grams,
      })),
      bags: Object.fromEntries(asked.map(({ bag_id, name }) => [bag_id, name])),
    };
  }

  /** All swatches and motifs. Those that cannot be read are counted. */
  async library(): Promise<Library> {
    const rows = await this.db<ItemRow>('library')
      .where({ owner_id: this.owner })
      .orderBy(['made_at', 'id'])
      .select('id', 'item', 'version');
    const items = rows.flatMap(({ id, item, version }) => {
      const own = libraryItemSchema.safeParse(item);
      return own.success ? [{ id, version, item: own.data }] : [];
    });
    return { items, damaged: rows.length - items.length };
  }

  /** Makes all changes or none. Those that have been made before are answered as they were then. */
  async change(id: string, changes: readonly HoldingChange[]): Promise<ChangedHoldings | Refusal> {
    try {
      return await this.db.transaction(async (held) => {
        // One after the other for one owner: neither waits for what the other holds, and the count below holds.
        await held.raw('select pg_advisory_xact_lock(hashtext(?))', [`holdings ${this.owner}`]);
        // Of two that come at once with one id, the second waits here for the first, and finds its answer.
        const [fresh] = await held('holding_changes')
          .insert({ id, owner_id: this.owner, answer: '{}' })
          .onConflict('id')
          .ignore()
          .returning('id');
        if (!fresh) return this.answered(held, id);
        const versions = await this.make(held, changes);
        await held('holding_changes')
          .where({ id })
          .update({ answer: JSON.stringify({ versions }) });
        return { versions };
      });
    } catch (error) {
      if (error instanceof Refused) return error.why;
      // A lot or a bag that something was to be set aside of or for.
      if (error instanceof Error && 'code' in error && error.code === '23503') return 'noSuchLot';
      throw error;
    }
  }

  private async answered(db: Knex, id: string): Promise<ChangedHoldings> {
    const row = await db('holding_changes').where({ id, owner_id: this.owner }).first('answer');
    if (!row) throw new Refused('idTaken');
    return changedHoldingsSchema.parse(row.answer);
  }

  private async make(db: Knex, changes: readonly HoldingChange[]): Promise<Record<string, number>> {
    const versions = new Map<string, number>();
    const added: LotRow[] = [];
    const flush = async () => {
      for (const rows of inPieces(added.splice(0))) {
        const made = await db<LotRow>('lots').insert(rows).onConflict('id').ignore().returning('id');
        if (made.length < rows.length) throw new Refused('idTaken');
      }
    };
    for (const change of changes) {
      if (change.of === 'add') {
        const version = (change.after ?? 0) + 1;
        added.push({ id: change.id, owner_id: this.owner, lot: written(change.lot), version });
        versions.set(change.id, version);
        continue;
      }
      await flush();
      await this.makeOne(db, change, versions);
    }
    await flush();
    await this.within(db, 'lots', MOST_LOTS, 'tooManyLots');
    await this.within(db, 'library', MOST_ITEMS, 'tooManyItems');
    return Object.fromEntries(versions);
  }

  private async within(db: Knex, table: string, most: number, why: Refusal): Promise<void> {
    const counted = await db(table).where({ owner_id: this.owner }).count('* as many').first();
    if (Number(counted?.many) > most) throw new Refused(why);
  }

  private async makeOne(
    db: Knex,
    change: Exclude<HoldingChange, { of: 'add' }>,
    versions: Map<string, number>,
  ): Promise<void> {
    const mine = { owner_id: this.owner };
    switch (change.of) {
      case 'change': {
        const { id, basedOn, lot } = change;
        const version = basedOn + 1;
        const done = await db('lots')
          .where({ ...mine, id, version: basedOn })
          .update({ lot: written(lot), version });
        if (done === 0) throw new Refused('holdingChanged');
        versions.set(id, version);
        return;
      }
      case 'remove': {
        const { id, basedOn } = change;
        const done = await db('lots')
          .where({ ...mine, id, version: basedOn })
          .delete();
        if (done === 0) throw new Refused('holdingChanged');
        versions.delete(id);
        return;
      }
      case 'allot': {
        const { id, lot, bag, yarn, grams } = change.allotment;
        const own = await db('lots')
          .where({ ...mine, id: lot })
          .first('id');
        const of = await db('bags')
          .where({ ...mine, id: bag })
          .whereNull('deleted_at')
          .first('id');
        if (!own || !of) throw new Refused('noSuchLot');
        const asked = { ...mine, lot_id: lot, bag_id: bag, yarn };
        const before = await db('allotments').where({ id }).first();
        // Another amount keeps its turn; what is of another lot, bag or yarn is another allotment.
        if (before && !Object.entries(asked).every(([key, value]) => before[key] === value))
          throw new Refused('idTaken');
        // Asked for in two windows at once, it is one allotment: of the amount that was said last.
        const there = before ?? (await db('allotments').where(asked).first('id'));
        if (there) await db('allotments').where({ id: there.id }).update({ grams });
        else await db('allotments').insert({ ...asked, id, grams });
        return;
      }
      case 'keep': {
        const { id, basedOn, after, item } = change;
        const version = (basedOn ?? after ?? 0) + 1;
        const row = { item: JSON.stringify(item), version };
        if (basedOn === undefined) {
          const made = await db('library')
            .insert({ ...mine, id, ...row })
            .onConflict('id')
            .ignore()
            .returning('id');
          if (made.length === 0) throw new Refused('idTaken');
        } else if (
          (await db('library')
            .where({ ...mine, id, version: basedOn })
            .update(row)) === 0
        )
          throw new Refused('holdingChanged');
        versions.set(id, version);
        return;
      }
      case 'drop': {
        const { id, basedOn } = change;
        const done = await db('library')
          .where({ ...mine, id, version: basedOn })
          .delete();
        if (done === 0) throw new Refused('holdingChanged');
        versions.delete(id);
        return;
      }
      case 'free':
        // What is free already is as it should be.
        await db('allotments')
          .where({ ...mine, id: change.id })
          .delete();
    }
  }

  /** Forgets old changes. */
  static async purge(db: Knex): Promise<void> {
    await db('holding_changes')
      .where('at', '<', db.raw(`now() - interval '${DAYS_KEPT} days'`))
      .delete();
  }
}

const written = (lot: Lot) => JSON.stringify(lot);
