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

/** The lock under which one server at a time works on the tables: any number, the same for all of them. */
const MIGRATING = 468_002;

/**
 * Brings the tables up to date. Safe to run at every start and from several servers at once: the others wait. The
 * lock is the database's own and ends with its connection, so a server killed in the middle leaves none behind.
 */
export async function migrate(db: Knex): Promise<void> {
  await db.transaction(async (held) => {
    await held.raw('select pg_advisory_xact_lock(?)', [MIGRATING]);
    // Knex keeps a lock of its own in a table; whoever left it is no longer there.
    const locked = await db.schema.hasTable('knex_migrations_lock');
    if (locked) await db.migrate.forceFreeMigrationsLock();
    await db.migrate.latest();
  });
}
