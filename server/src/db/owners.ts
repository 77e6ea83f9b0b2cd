import type { Knex } from 'knex';
import { z } from 'zod';

/** How an owner likes to read: words, lengths, light or dark. */
export const settingsSchema = z.object({
  terms: z.enum(['us', 'uk']),
  system: z.enum(['cm', 'in']),
  theme: z.enum(['light', 'dark', 'device']),
});
export type Settings = z.infer<typeof settingsSchema>;

const DEFAULTS: Settings = { terms: 'us', system: 'cm', theme: 'device' };

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
  // A setting this version does not know, or none yet, falls back to its default.
  return settingsSchema
    .extend({
      terms: settingsSchema.shape.terms.catch(DEFAULTS.terms),
      system: settingsSchema.shape.system.catch(DEFAULTS.system),
      theme: settingsSchema.shape.theme.catch(DEFAULTS.theme),
    })
    .parse(row?.settings ?? {});
}

export async function writeSettings(db: Knex, owner: string, settings: Settings): Promise<Settings> {
  await db('owners')
    .where({ id: owner })
    .update({ settings: JSON.stringify(settings) });
  return settings;
}
