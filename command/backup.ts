import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, renameSync, rmSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { readDocument } from '@fennot/core';
import pg from 'pg';
import { KNOWN } from '../server/src/db/migrations/index.ts';
import { postgresBin } from './cluster.ts';
import { type Database, takeSetup, useDatabase } from './database.ts';
import type { Home } from './home.ts';
import { addressOf, asAdmin, DATABASE, ROLES } from './roles.ts';
import { withoutServer } from './stop.ts';
import { say, Told } from './told.ts';

/** The private database for a moment: started if it does not run, stopped by the last one who leaves. */
async function withDatabase<T>(home: Home, work: (database: Database) => Promise<T>): Promise<T> {
  const setup = await takeSetup(home);
  const database = await useDatabase(home, 'app').finally(() => setup.release());
  try {
    return await work(database);
  } finally {
    await database.leave();
  }
}

/** Runs one of PostgreSQL's programs on a database. The password goes by the environment: everybody sees arguments. */
function tool(name: 'pg_dump' | 'pg_restore', url: string, args: readonly string[]): void {
  const bin = postgresBin();
  const { username, password, hostname, port, pathname } = new URL(url);
  const where = [
    '-h',
    hostname,
    '-p',
    port || '5432',
    '-U',
    decodeURIComponent(username),
    '-d',
    pathname.slice(1),
  ];
  const { status, stderr, error } = spawnSync(bin ? `${bin}/${name}` : name, [...where, ...args], {
    encoding: 'utf8',
    env: { ...process.env, PGPASSWORD: decodeURIComponent(password) },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  if (error)
    throw new Told(`The program ${name} is needed, and is not on this machine (Debian: postgresql-client).`);
  if (status !== 0) throw new Told(stderr.trim().split('\n').at(-1) || `${name} failed.`);
}

/** `./fennot backup FILE`: everything as one file, while Fennot may go on. The file is there whole or not at all. */
export async function backup(home: Home, file: string | undefined): Promise<void> {
  if (!file) throw new Told('Name the file to write: ./fennot backup my-bags.backup');
  const path = resolve(file);
  if (existsSync(path))
    throw new Told(`${path} is there already. Choose another name: a backup overwrites nothing.`);
  await withDatabase(home, async ({ url }) => {
    const part = `${path}.part-${randomBytes(3).toString('hex')}`;
    try {
      tool('pg_dump', url, ['-Fc', '--no-owner', '--no-privileges', '-f', part]);
      if (existsSync(path)) throw new Told(`${path} has come to be there meanwhile. Choose another name.`);
      renameSync(part, path);
    } finally {
      rmSync(part, { force: true });
    }
    say(`The backup is written: ${path}, ${Math.ceil(statSync(path).size / 1000)} kB.`);
  });
}

/** What a restored database holds. */
interface Found {
  readonly bags: number;
  readonly damaged: number;
}

/** Looks through a restored database: it has Fennot's tables, and its bags can be read. */
async function checked(url: string): Promise<Found> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  let newer = false;
  try {
    const { rows } = await client.query<{ document: unknown }>(
      'select document from bags where deleted_at is null',
    );
    await client.query('select id from owners limit 1');
    const done = await client.query<{ name: string }>('select name from knex_migrations');
    newer = done.rows.some(({ name }) => !KNOWN.has(name));
    if (newer) throw new Told('This backup was made by a newer Fennot. Update Fennot, and restore it then.');
    return { bags: rows.length, damaged: rows.filter(({ document }) => !readDocument(document).ok).length };
  } catch (error) {
    if (error instanceof Told) throw error;
    throw new Told('This is a backup of some other database: there are no bags of Fennot in it.');
  } finally {
    await client.end();
  }
}

/**
 * `./fennot restore FILE`: reads a backup into a database of its own, looks through it, and only then puts it in the
 * place of the one there is. That one stays beside it, under another name, until the next restore.
 */
export async function restore(home: Home, file: string | undefined): Promise<void> {
  if (!file) throw new Told('Name the file to read: ./fennot restore my-bags.backup');
  const path = resolve(file);
  if (!existsSync(path)) throw new Told(`There is no file ${path}.`);
  const place = withoutServer(home);
  try {
    await withDatabase(home, async ({ own }) => {
      if (!own)
        throw new Told(
          'DATABASE_URL names a PostgreSQL of your own: restore into it with its own pg_restore.',
        );
      const { port, passwords } = own;
      const scratch = `fennot_restoring_${randomBytes(4).toString('hex')}`;
      await asAdmin(port, passwords, 'postgres', (admin) =>
        admin.query(`create database ${pg.escapeIdentifier(scratch)} owner ${ROLES.app}`),
      );
      try {
        const url = addressOf(port, 'app', passwords, scratch);
        tool('pg_restore', url, ['--no-owner', '--no-privileges', '--exit-on-error', path]);
        const { bags, damaged } = await checked(url);
        await asAdmin(port, passwords, 'postgres', async (admin) => {
          // Whoever else looks into it, a psql left open, would hold the name fast.
          await admin.query('select pg_terminate_backend(pid) from pg_stat_activity where datname = $1', [
            DATABASE,
          ]);
          await admin.query(`drop database if exists ${BEFORE} with (force)`);
          // Both or neither: never is there no database under the name.
          await admin.query('begin');
          await admin.query(`alter database ${DATABASE} rename to ${BEFORE}`);
          await admin.query(`alter database ${pg.escapeIdentifier(scratch)} rename to ${DATABASE}`);
          await admin.query('commit');
        });
        const bad = damaged > 0 ? `, ${damaged} of them damaged: the list of bags shows which` : '';
        say(
          `Restored ${bags} ${bags === 1 ? 'bag' : 'bags'}${bad}. What was there before is kept as ${BEFORE}.`,
        );
      } finally {
        await asAdmin(port, passwords, 'postgres', (admin) =>
          admin.query(`drop database if exists ${pg.escapeIdentifier(scratch)} with (force)`),
        );
      }
    });
  } finally {
    place.release();
  }
}

/** The database that the last restore took the place of. */
const BEFORE = 'fennot_before';
