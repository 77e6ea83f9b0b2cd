import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { buildApp } from './app.ts';
import type { Config } from './config.ts';
import { BagStore } from './db/bags.ts';
import { purgeCodes } from './db/codes.ts';
import { connect, migrate } from './db/connect.ts';
import { HoldingStore } from './db/holdings.ts';
import { settleIn } from './db/owners.ts';
import { purgeSessions } from './db/sessions.ts';
import { Tries } from './db/tries.ts';
import { logStream } from './log.ts';
import { ScaleLinks } from './scale/link.ts';
import { pooled } from './work/work.ts';

/** A server that answers. */
export interface Serving {
  readonly url: string;
  readonly app: FastifyInstance;
  /** Lets running requests end, refuses new ones in a sentence, then leaves the database. */
  close(): Promise<void>;
}

/** Starts the server on loopback. Throws with what went wrong. */
export async function serve(config: Config): Promise<Serving> {
  const db = connect(config.databaseUrl);
  try {
    return await open(config, db);
  } catch (error) {
    await db.destroy();
    throw error;
  }
}

async function open({ web, logLevel, logFolder, empty, port, scales }: Config, db: Knex): Promise<Serving> {
  await migrate(db);
  await BagStore.purge(db);
  await HoldingStore.purge(db);
  await settleIn(db, { empty });
  await purgeSessions(db);
  await purgeCodes(db);
  await Tries.purge(db);
  const app = await buildApp({
    db,
    web,
    logLevel,
    work: pooled(),
    scales: new ScaleLinks(scales),
    ...(logFolder ? { logTo: logStream(logFolder) } : {}),
  });
  try {
    await app.listen({ port, host: '127.0.0.1' });
  } catch (error) {
    await app.close();
    throw error;
  }
  return {
    url: `http://localhost:${port}`,
    app,
    close: async () => {
      await app.close();
      await db.destroy();
    },
  };
}

export const portTaken = (port: number): string =>
  `Port ${port} is already in use. Stop what runs there, or choose another: FENNOT_PORT=${port + 1} ./fennot start`;

/** Why a server could not be started, in a sentence. */
export function whyNot(error: unknown, port: number): string {
  const code = error instanceof Error && 'code' in error ? error.code : undefined;
  switch (code) {
    case 'EADDRINUSE':
      return portTaken(port);
    case 'ECONNREFUSED':
      return 'The database does not answer. Is DATABASE_URL right, and is that server running?';
    default:
      return error instanceof Error ? error.message : String(error);
  }
}
