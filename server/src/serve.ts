import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { buildApp } from './app.ts';
import type { Config } from './config.ts';
import { BagStore } from './db/bags.ts';
import { makeCode, purgeCodes } from './db/codes.ts';
import { connect, migrate } from './db/connect.ts';
import { HoldingStore } from './db/holdings.ts';
import { anyAccount, settleIn } from './db/owners.ts';
import { purgeSessions } from './db/sessions.ts';
import { Tries } from './db/tries.ts';
import type { Closing } from './doors/authority.ts';
import { inUrl, LOOPBACK } from './doors/doors.ts';
import { openDoors } from './doors/open-doors.ts';
import { logStream } from './log.ts';
import { outboxIn } from './outbox.ts';
import { ScaleLinks } from './scale/link.ts';
import { pooled } from './work/work.ts';

/** A server that answers. */
export interface Serving {
  /** Where this machine opens it. */
  readonly url: string;
  /** Where others do, and are shown how to trust it; none where only this machine can ask. */
  readonly addresses: readonly string[];
  readonly trust: readonly string[];
  readonly fingerprint: string | undefined;
  /** The code by which the first account is made, as long as there is none and others can ask. */
  readonly claim: string | undefined;
  readonly app: FastifyInstance;
  /** Lets running requests end, refuses new ones in a sentence, then leaves the database. */
  close(): Promise<void>;
}

/** Starts the server where its settings say. Throws with what went wrong. */
export async function serve(config: Config): Promise<Serving> {
  const db = connect(config.databaseUrl);
  try {
    return await open(config, db);
  } catch (error) {
    await db.destroy();
    throw error;
  }
}

/** A certificate is looked at so often, ms: names change, and it runs out. */
const RENEW = 60_000;

async function open(config: Config, db: Knex): Promise<Serving> {
  const { web, logLevel, logFolder, empty, port, host, scales, outbox } = config;
  await migrate(db);
  await BagStore.purge(db);
  await HoldingStore.purge(db);
  await purgeSessions(db);
  await purgeCodes(db);
  await Tries.purge(db);
  await settleIn(db, { empty });
  const { doors, closing } = await openDoors(config);
  let now = await closing?.();
  let renew = (_: Closing): void => {};
  const app = await buildApp({
    db,
    web,
    logLevel,
    doors,
    ...(now ? { closing: { now, onRenew: (own) => (renew = own) } } : {}),
    ...(outbox ? { outbox: outboxIn(outbox) } : {}),
    work: pooled(),
    scales: new ScaleLinks(scales),
    ...(logFolder ? { logTo: logStream(logFolder) } : {}),
  });
  const renewing = setInterval(() => {
    void closing?.()
      .then((next) => {
        if (next.cert !== now?.cert) renew(next);
        now = next;
      })
      // The one there is goes on.
      .catch((error: unknown) => app.log.error(error));
  }, RENEW);
  renewing.unref();
  try {
    await app.listen({ port, host });
  } catch (error) {
    clearInterval(renewing);
    await app.close();
    throw error;
  }
  const { addresses, trust, fingerprint } = doors.network();
  const here = LOOPBACK.has(host) || host === '0.0.0.0' || host === '::';
  return {
    // At one address alone, this machine comes as others do.
    url: here ? `http://localhost:${port}` : (addresses[0] ?? `http://${inUrl(host)}:${port}`),
    addresses,
    trust,
    fingerprint,
    // Whoever reads the terminal may have the first account.
    claim: doors.exposed && !(await anyAccount(db)) ? (await makeCode(db, 'first', null)).code : undefined,
    app,
    close: async () => {
      clearInterval(renewing);
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
    case 'EADDRNOTAVAIL':
      return 'FENNOT_HOST names no address of this machine.';
    case 'ECONNREFUSED':
      return 'The database does not answer. Is DATABASE_URL right, and is that server running?';
    default:
      return error instanceof Error ? error.message : String(error);
  }
}
