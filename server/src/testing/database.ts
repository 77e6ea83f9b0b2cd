import knex from 'knex';
import { connect, migrate } from '../db/connect.ts';

/**
 * A fresh database for one test file on the server DATABASE_URL names, migrated unless the test does so itself.
 * `drop` removes it again.
 */
export async function freshDatabase({ migrated = true } = {}) {
  const base = process.env.DATABASE_URL;
  if (base === undefined) throw new Error('The API tests need DATABASE_URL: run them with ./fennot test.');
  const name = `fennot_test_${process.pid}_${Date.now().toString(36)}${Math.floor(Math.random() * 1e6).toString(36)}`;
  const admin = knex({ client: 'pg', connection: base });
  await admin.raw('create database ??', [name]);
  const address = new URL(base);
  address.pathname = `/${name}`;
  const db = connect(address.href);
  if (migrated) await migrate(db);
  return {
    db,
    address: address.href,
    drop: async () => {
      await db.destroy();
      await admin.raw('drop database ??', [name]);
      await admin.destroy();
    },
  };
}
