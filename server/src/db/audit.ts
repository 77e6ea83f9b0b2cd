import type { Knex } from 'knex';

/** What takes bags away or brings them in, and what lets in or changes who may. */
type Audited =
  | 'deleted'
  | 'restored'
  | 'imported'
  | 'signed in'
  | 'refused'
  | 'changed'
  | 'taken out'
  | 'taken in';

/**
 * Writes into the diary, in the same transaction as what it tells of.
 * @param name the name of a bag, or what happened in words. Never a secret.
 */
export async function note(
  db: Knex,
  owner: string,
  what: Audited,
  name: string,
  bag?: string,
): Promise<void> {
  await db('audit').insert({ owner_id: owner, what, bag_id: bag ?? null, name });
}
