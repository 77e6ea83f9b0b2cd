import { type Settings, settingsFrom } from '@fennot/core';
import type { Knex } from 'knex';
import { addDemoBags } from '../demo/index.ts';

/** The one maker of an installation without accounts. */
export const LOCAL_MAKER = 'local maker';

/**
 * What is made before anyone works here: the local maker, and the demo bags unless they are not wanted. Where there are
 * accounts there is nothing to be made.
 */
export const settleIn = (db: Knex, { empty }: { readonly empty: boolean }): Promise<void> =>
  // All or nothing: a server that is killed in the middle leaves no maker without bags.
  db.transaction(async (held) => {
    if (await anyAccount(held)) return;
    const { id, isNew } = await localOwner(held);
    if (isNew && !empty) await addDemoBags(held, id);
  });

export const anyAccount = async (db: Knex): Promise<boolean> =>
  (await db('accounts').first('owner_id')) !== undefined;

/** The local maker, as long as nobody has an account; made where there is none. */
export async function openOwner(db: Knex): Promise<string | undefined> {
  const { rows } = await db.raw(
    'select id, exists(select from accounts) as any from (values (1)) one left join owners on name = ?',
    [LOCAL_MAKER],
  );
  const [row] = rows as [{ id: string | null; any: boolean }];
  if (row.any) return undefined;
  return row.id ?? (await localOwner(db)).id;
}

/** Finds the local maker, making the row at the first start. Says whether it is new. */
export async function localOwner(db: Knex): Promise<{ id: string; isNew: boolean }> {
  const inserted = await db('owners')
    .insert({ name: LOCAL_MAKER })
    .onConflict('name')
    .ignore()
    .returning('id');
  const row = inserted[0] ?? (await db('owners').where({ name: LOCAL_MAKER }).first('id'));
  return { id: String(row.id), isNew: inserted.length > 0 };
}

export async function readSettings(db: Knex, owner: string): Promise<Settings> {
  const row = await db('owners').where({ id: owner }).first('settings');
  return settingsFrom(row?.settings);
}

export async function writeSettings(db: Knex, owner: string, settings: Settings): Promise<Settings> {
  await db('owners')
    .where({ id: owner })
    .update({ settings: JSON.stringify(settings) });
  return settings;
}
