import { type Settings, settingsFrom } from '@fennot/core';
import type { Knex } from 'knex';
import { addDemoBags } from '../demo/index.ts';

/** The one maker of an installation without accounts. */
const LOCAL_MAKER = 'local maker';

/** So many rows are made before anyone works here: the maker, and the demo bags unless they are not wanted. */
export const settleIn = (db: Knex, { empty }: { readonly empty: boolean }): Promise<string> =>
  // All or nothing: a server that is killed in the middle leaves no maker without bags.
  db.transaction(async (held) => {
    const { id, isNew } = await localOwner(held);
    if (isNew && !empty) await addDemoBags(held, id);
    return id;
  });

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
