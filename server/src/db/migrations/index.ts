import type { Knex } from 'knex';
import * as first from './001-owners-and-bags.ts';
import * as second from './002-saves-and-deletes.ts';
import * as third from './003-audit.ts';
import * as fourth from './004-summaries.ts';
import * as fifth from './005-holdings.ts';
import * as sixth from './006-accounts.ts';
import * as seventh from './007-events.ts';

interface Migration {
  readonly name: string;
  readonly up: (db: Knex) => Promise<void>;
  readonly down: (db: Knex) => Promise<void>;
}

/** Every migration in order. They are imported, not read from a folder, so that a bundle has them too. */
const MIGRATIONS: readonly Migration[] = [
  { name: '001-owners-and-bags', ...first },
  { name: '002-saves-and-deletes', ...second },
  { name: '003-audit', ...third },
  { name: '004-summaries', ...fourth },
  { name: '005-holdings', ...fifth },
  { name: '006-accounts', ...sixth },
  { name: '007-events', ...seventh },
];

/** The names of all migrations this Fennot knows. */
export const KNOWN: ReadonlySet<string> = new Set(MIGRATIONS.map(({ name }) => name));

export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: async () => [...MIGRATIONS],
  getMigrationName: ({ name }) => name,
  getMigration: async ({ up, down }) => ({ up, down }),
};
