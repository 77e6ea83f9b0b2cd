import { type Settings, settingsFrom } from '@fennot/core';
import type { Knex } from 'knex';

/** The one maker of an installation without accounts. */
const LOCAL_MAKER = 'local maker';

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
