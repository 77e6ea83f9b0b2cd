import knex, { type Knex } from 'knex';
import { migrationSource } from './migrations/index.ts';

/** A pool of connections to the database. */
export const connect = (databaseUrl: string): Knex =>
  knex({
    client: 'pg',
    connection: databaseUrl,
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 5000,
    migrations: { migrationSource },
  });

/** Brings the tables up to date. Safe to run at every start and from several servers at once. */
export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest();
}
