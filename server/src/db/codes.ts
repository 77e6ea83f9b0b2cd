import { CODE_LENGTH, type LetIn, plainCode } from '@fennot/core';
import type { Knex } from 'knex';
import { freshCode, keptOf } from '../accounts/secrets.ts';

/** What a code lets in, and for how long it is good, s. */
const GOOD_FOR = {
  /** The first account of an installation; told in the terminal. */
  first: 24 * 3600,
  /** Another device of the maker who asked for it. */
  device: 120,
  /** Another maker, who is sent it. */
  maker: 3 * 24 * 3600,
} as const;
type LetsIn = keyof typeof GOOD_FOR;

/** Makes a code that lets in once. A maker has one of each kind at a time: a new one takes the place of the one before. */
export async function makeCode(db: Knex, letsIn: LetsIn, owner: string | null): Promise<LetIn> {
  const { told, kept } = freshCode(CODE_LENGTH);
  return db.transaction(async (held) => {
    if (owner !== null)
      await held('codes').where({ owner_id: owner, lets_in: letsIn }).whereNull('used_by').delete();
    const [row] = await held('codes')
      .insert({
        secret: kept,
        lets_in: letsIn,
        owner_id: owner,
        ends_at: held.raw(`now() + ? * interval '1 second'`, [GOOD_FOR[letsIn]]),
      })
      .returning('id');
    return { id: String(row.id), code: told, seconds: GOOD_FOR[letsIn] };
  });
}

/**
 * Uses a code up. Of two that use it at once, one does: the row is changed once.
 * @param by what it lets in, as it is told to whoever made it.
 */
export async function useCode(
  db: Knex,
  typed: string,
  letsIn: LetsIn,
  by: string,
): Promise<{ readonly id: string; readonly owner: string | null } | undefined> {
  const [row] = await db('codes')
    .where({ secret: keptOf(plainCode(typed)), lets_in: letsIn })
    .whereNull('used_by')
    .where('ends_at', '>', db.fn.now())
    .update({ used_by: by })
    .returning(['id', 'owner_id']);
  return row && { id: row.id, owner: row.owner_id };
}

/** What became of a maker's own code. */
export async function stateOfCode(db: Knex, owner: string, id: string) {
  const row = await db('codes')
    .where({ id, owner_id: owner })
    .first('used_by', db.raw('extract(epoch from ends_at - now())::float as left'));
  if (!row) return undefined;
  if (row.used_by !== null) return { is: 'used', device: String(row.used_by) } as const;
  return row.left > 0 ? ({ is: 'waiting', seconds: Number(row.left) } as const) : ({ is: 'over' } as const);
}

/** Takes a code back. */
export async function callCodeBack(db: Knex, owner: string, id: string): Promise<boolean> {
  return (await db('codes').where({ id, owner_id: owner }).whereNull('used_by').delete()) > 0;
}

/** Forgets codes that are long over. */
export async function purgeCodes(db: Knex): Promise<void> {
  await db('codes').where('ends_at', '<', db.raw(`now() - interval '1 day'`)).delete();
}
