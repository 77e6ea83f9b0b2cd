import type { Knex } from 'knex';

/** What takes bags away or brings them in. */
export type Audited = 'deleted' | 'restored' | 'imported';

/** Writes into the diary, in the same transaction as what it tells of. */
export async function note(
  db: Knex,
  owner: string,
  what: Audited,
  bag: { id: string; name: string },
): Promise<void> {
  await db('audit').insert({ owner_id: owner, what, bag_id: bag.id, name: bag.name });
}
