import knex, { type Knex } from 'knex';
import { KNOWN, migrationSource } from './migrations/index.ts';

/** How long things may take, ms. */
const TIMES = {
  /** One statement, by the database's own clock; every statement here takes milliseconds. */
  statement: 5_000,
  /** An answer, by the server's clock: a database that hangs keeps none. */
  answer: 6_000,
  /** A connection to be made, and one to be free. */
  connection: 5_000,
};

/** What of pg's client says whether it is free: one whose statement has run out of time still waits for its answer. */
interface PgConnection {
  readonly readyForQuery?: boolean;
  readonly _ending?: boolean;
}

/** A pool of connections to the database. Nothing waits for ever: what does not come in time is an error. */
export function connect(databaseUrl: string, times = TIMES): Knex {
  const { statement, answer, connection } = times;
  const db = knex({
    client: 'pg',
    connection: {
      connectionString: databaseUrl,
      statement_timeout: statement,
      query_timeout: answer,
      connectionTimeoutMillis: connection,
      keepAlive: true,
    },
    pool: { min: 0, max: 10, idleTimeoutMillis: 10_000 },
    acquireConnectionTimeout: connection,
    migrations: { migrationSource },
    // What goes wrong is told by whoever asked; the driver need not print it as well.
    log: { warn: () => {}, error: () => {} },
  });
  const { client } = db;
  const usable = client.validateConnection.bind(client);
  client.validateConnection = (own: PgConnection) =>
    usable(own) && own.readyForQuery === true && own._ending !== true;
  return db;
}

/** The lock under which one server at a time works on the tables: any number, the same for all of them. */
const MIGRATING = 468_002;
/** So long another server's work on the tables is waited for, ms. */
const PATIENCE = 30_000;

/**
 * Brings the tables up to date, all or nothing. Safe to run at every start and from several servers at once: the
 * others wait. The lock is the database's own and ends with its connection, so a server killed in the middle leaves
 * none behind.
 *
 * @param patience how long to wait for another server, ms. One that holds the lock and has done nothing for so long
 * is cut off.
 * @throws a sentence when another server is still at work.
 */
export async function migrate(db: Knex, { patience = PATIENCE }: { patience?: number } = {}): Promise<void> {
  const { connection, ...config } = db.client.config;
  // Work on the tables may take its time.
  const own = knex({
    ...config,
    connection: { ...connection, statement_timeout: 0, query_timeout: 0 },
    pool: { min: 0, max: 1 },
  });
  try {
    await own.transaction(async (held) => {
      await takeLock(held, patience);
      // Knex keeps a lock of its own in a table; whoever left it is no longer there.
      if (await held.schema.hasTable('knex_migrations_lock')) await held.migrate.forceFreeMigrationsLock();
      await refuseNewer(held);
      await held.migrate.latest();
    });
  } finally {
    await own.destroy();
  }
}

/** A database that a newer Fennot has worked on is left alone. */
async function refuseNewer(held: Knex.Transaction): Promise<void> {
  if (!(await held.schema.hasTable('knex_migrations'))) return;
  const done: string[] = await held('knex_migrations').pluck('name');
  if (done.some((name) => !KNOWN.has(name)))
    throw new Error(
      'This database was last used by a newer Fennot. Update Fennot, or restore a backup of your own.',
    );
}

async function takeLock(held: Knex.Transaction, patience: number): Promise<void> {
  const begun = Date.now();
  for (let cut = false; ; await new Promise((done) => setTimeout(done, 100))) {
    const { rows } = await held.raw('select pg_try_advisory_xact_lock(?) as taken', [MIGRATING]);
    if (rows[0].taken) return;
    if (Date.now() - begun < patience) continue;
    if (cut || !(await cutIdleHolder(held, patience)))
      throw new Error(
        'Another Fennot server is still working on the tables of this database. Try again in a minute.',
      );
    cut = true;
  }
}

/** Cuts off whoever sits on the lock and has done nothing for so long: a server that hangs. Says whether one did. */
async function cutIdleHolder(held: Knex.Transaction, idle: number): Promise<boolean> {
  const { rows } = await held.raw(
    `select pg_terminate_backend(a.pid)
       from pg_locks l join pg_stat_activity a using (pid)
      where l.locktype = 'advisory' and l.objid = ? and l.granted
        and a.state like 'idle%' and a.state_change < clock_timestamp() - ? * interval '1 ms'`,
    [MIGRATING, idle],
  );
  // Its end takes a moment.
  if (rows.length > 0) await held.raw('select pg_sleep(0.2)');
  return rows.length > 0;
}
