import { type BagDocument, readDocument } from '@fennot/core';
import type { Knex } from 'knex';

/** A bag as it is kept. */
export interface StoredBag {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly document: BagDocument;
}

interface BagRow {
  id: string;
  owner_id: string;
  document: unknown;
  version: number;
  updated_at: Date;
}

/** A document read from the database is checked like any other: an older server may have written it. */
function toBag(row: BagRow): StoredBag {
  const read = readDocument(row.document);
  if (!read.ok) throw new Error(`Bag ${row.id} is damaged: ${read.problems[0]?.message ?? ''}`);
  return {
    id: row.id,
    version: row.version,
    updatedAt: row.updated_at.toISOString(),
    document: read.document,
  };
}

export type SaveResult =
  | { readonly saved: true; readonly bag: StoredBag }
  | { readonly saved: false; readonly current: StoredBag | undefined };

/** The bags of one owner. No query here can reach another owner's rows. */
export class BagStore {
  private readonly db: Knex;
  private readonly owner: string;

  constructor(db: Knex, owner: string) {
    this.db = db;
    this.owner = owner;
  }

  private rows() {
    return this.db<BagRow>('bags').where({ owner_id: this.owner });
  }

  async list(): Promise<StoredBag[]> {
    return (await this.rows().orderBy('updated_at', 'desc').orderBy('id')).map(toBag);
  }

  async find(id: string): Promise<StoredBag | undefined> {
    const row = await this.rows().where({ id }).first();
    return row && toBag(row);
  }

  async create(document: BagDocument): Promise<StoredBag> {
    const [row] = await this.db<BagRow>('bags')
      .insert({ owner_id: this.owner, document: JSON.stringify(document) })
      .returning('*');
    if (!row) throw new Error('The database did not return the new bag.');
    return toBag(row);
  }

  /** Saves only on top of the version the change was made from; otherwise gives the current bag back. */
  async save(id: string, basedOn: number, document: BagDocument): Promise<SaveResult> {
    const [row] = await this.rows()
      .where({ id, version: basedOn })
      .update({
        document: JSON.stringify(document),
        version: basedOn + 1,
        updated_at: new Date(),
      })
      .returning('*');
    return row ? { saved: true, bag: toBag(row) } : { saved: false, current: await this.find(id) };
  }

  async remove(id: string): Promise<boolean> {
    return (await this.rows().where({ id }).delete()) > 0;
  }
}
