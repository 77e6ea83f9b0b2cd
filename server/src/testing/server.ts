import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { afterAll, beforeAll, beforeEach } from 'vitest';
import { type AppOptions, buildApp } from '../app.ts';
import { localOwner } from '../db/owners.ts';
import { freshDatabase } from './database.ts';

/** A server on a database of one test file: each test begins with a local maker who has nothing. */
export interface TestServer {
  readonly app: FastifyInstance;
  readonly db: Knex;
  /** Address of the database. */
  readonly address: string;
  /** The local maker. */
  readonly owner: string;
}

/** To be called once at the head of a test file; what it gives is there within its tests. */
export function testServer(options: Omit<AppOptions, 'db'> = {}): TestServer {
  let fresh: Awaited<ReturnType<typeof freshDatabase>>;
  let app: FastifyInstance | undefined;
  let owner = '';
  beforeAll(async () => {
    fresh = await freshDatabase();
  });
  beforeEach(async () => {
    await app?.close();
    // A picture may just be made of one: bags go before their owners, as everywhere.
    await fresh.db('bags').delete();
    await fresh.db('owners').delete();
    await fresh.db('tries').delete();
    await fresh.db('codes').delete();
    owner = (await localOwner(fresh.db)).id;
    app = await buildApp({ ...options, db: fresh.db });
  });
  afterAll(async () => {
    await app?.close();
    await fresh.drop();
  });
  return {
    get app() {
      if (!app) throw new Error('The server is there within tests only.');
      return app;
    },
    get db() {
      return fresh.db;
    },
    get address() {
      return fresh.address;
    },
    get owner() {
      return owner;
    },
  };
}
