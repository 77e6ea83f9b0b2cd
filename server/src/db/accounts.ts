import { RECOVERY_LENGTH } from '@fennot/core';
import type { Knex } from 'knex';
import { nameKey } from '../accounts/name-key.ts';
import { freshCode, keptOf } from '../accounts/secrets.ts';
import { anyAccount, LOCAL_MAKER } from './owners.ts';

interface AccountRow {
  owner_id: string;
  name: string;
  name_key: string;
  password: string | null;
  both: boolean;
  first: boolean;
  made_at: Date;
}

/** So many recovery codes are made at a time. */
const RECOVERY_CODES = 10;

/** The lock under which accounts are made: one is the first. */
const MAKING = 468_003;

export const accountNamed = (db: Knex, name: string): Promise<AccountRow | undefined> =>
  db<AccountRow>('accounts')
    .where({ name_key: nameKey(name) })
    .first();

export const accountOf = (db: Knex, owner: string): Promise<AccountRow | undefined> =>
  db<AccountRow>('accounts').where({ owner_id: owner }).first();

interface NewAccount {
  readonly name: string;
  /** Hashed. */
  readonly password: string;
}

/** Why there is no account: someone was quicker, the name is another's, or the code lets nobody in. */
export type NoAccount = 'accountThere' | 'nameTaken' | 'wrongCode';
type MadeAccount =
  | { readonly ok: true; readonly owner: string }
  | { readonly ok: false; readonly why: NoAccount };

/**
 * Makes the first account: the local maker, with everything that is theirs. To be called in a transaction.
 */
export async function makeFirst(held: Knex, { name, password }: NewAccount): Promise<MadeAccount> {
  await held.raw('select pg_advisory_xact_lock(?)', [MAKING]);
  if (await anyAccount(held)) return { ok: false, why: 'accountThere' };
  const [owner] = await held('owners')
    .insert({ name: LOCAL_MAKER })
    .onConflict('name')
    .merge(['name'])
    .returning('id');
  await held('owners').where({ id: owner.id }).update({ name: null });
  await held('accounts').insert({
    owner_id: owner.id,
    name,
    name_key: nameKey(name),
    password,
    first: true,
  });
  return { ok: true, owner: String(owner.id) };
}

/** Makes another account, with nothing in it. To be called in a transaction. */
export async function makeAnother(held: Knex, { name, password }: NewAccount): Promise<MadeAccount> {
  const [owner] = await held('owners').insert({ name: null }).returning('id');
  const made = await held('accounts')
    .insert({ owner_id: owner.id, name, name_key: nameKey(name), password })
    .onConflict('name_key')
    .ignore()
    .returning('owner_id');
  return made.length > 0 ? { ok: true, owner: String(owner.id) } : { ok: false, why: 'nameTaken' };
}

/** Gives an account another name; says whether it could be had. */
export async function renameAccount(db: Knex, owner: string, name: string): Promise<boolean> {
  try {
    await db('accounts')
      .where({ owner_id: owner })
      .update({ name, name_key: nameKey(name) });
    return true;
  } catch (error) {
    if (error instanceof Error && 'code' in error && error.code === '23505') return false;
    throw error;
  }
}

/** New recovery codes in the place of those there were. They are told once. */
export async function makeRecoveryCodes(db: Knex, owner: string): Promise<string[]> {
  const fresh = Array.from({ length: RECOVERY_CODES }, () => freshCode(RECOVERY_LENGTH));
  await db.transaction(async (held) => {
    await held('recovery_codes').where({ owner_id: owner }).delete();
    await held('recovery_codes').insert(fresh.map(({ kept }) => ({ secret: kept, owner_id: owner })));
  });
  return fresh.map(({ told }) => told);
}

/** Uses a recovery code up; says whether it was one of this account. */
export async function useRecoveryCode(db: Knex, owner: string | undefined, code: string): Promise<boolean> {
  const used = await db('recovery_codes')
    .where({ secret: keptOf(code) })
    .whereRaw('owner_id is not distinct from ?::uuid', [owner ?? null])
    .delete();
  return used > 0;
}

export const recoveryCodesLeft = async (db: Knex, owner: string): Promise<number> =>
  Number((await db('recovery_codes').where({ owner_id: owner }).count('* as many').first())?.many ?? 0);
