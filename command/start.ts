import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import closeWithGrace from 'close-with-grace';
import { readConfig } from '../server/src/config.ts';
import { portTaken, serve, whyNot } from '../server/src/serve.ts';
import { announce } from './announce.ts';
import { buildWeb } from './build.ts';
import { type Database, takeSetup, useDatabase } from './database.ts';
import type { Home } from './home.ts';
import { type Lock, tryLock } from './lock.ts';
import { isFree, wantedPort } from './ports.ts';
import { me } from './processes.ts';
import { type ScaleProcess, startScale } from './scale.ts';
import { readState, type ServerState, writeState } from './state.ts';
import { GRACE } from './stop.ts';
import { pause, Told } from './told.ts';
import { keepUp } from './watch.ts';

/** So long another start, or a stop, is waited for, ms. */
const OTHERS_PATIENCE = 90_000;

/**
 * `./fennot start`: sets up what is missing and serves until it is stopped. One server a folder: where there is one,
 * it is said where. This process is the server; nothing is left behind when it ends, however it ends.
 */
export async function start(
  home: Home,
  { empty, lan }: { readonly empty: boolean; readonly lan: boolean },
): Promise<void> {
  const port = wantedPort();
  const place = await placeOfServer(home, lan);
  if (!place) return;
  const setup = await takeSetup(home);
  const state = (is: ServerState['is'], url = ''): void => writeState(home, { ...me(), is, url, port, lan });
  state('starting');
  let database: Database | undefined;
  let scale: ScaleProcess | undefined;
  try {
    // Before anything is set up for it.
    if (!(await isFree(port))) throw new Told(portTaken(port));
    buildWeb(home);
    database = await useDatabase(home, 'app');
    setup.release();
    scale = await startScale(home);
    const leaveScale = scale?.leave;
    const config = readConfig({
      ...process.env,
      DATABASE_URL: database.url,
      FENNOT_PORT: String(port),
      FENNOT_WEB: join(home.root, 'web/dist'),
      FENNOT_LOG: home.log,
      FENNOT_EMPTY: String(empty),
      FENNOT_AUTHORITY: join(home.data, 'authority'),
      FENNOT_OUTBOX: process.env.FENNOT_OUTBOX ?? join(home.data, 'outbox'),
      ...(lan && !process.env.FENNOT_HOST ? { FENNOT_HOST: everywhere() } : {}),
      FENNOT_SCALES: [scale?.address, process.env.FENNOT_SCALES].filter(Boolean).join(','),
    });
    const serving = await serve(config);
    const { own } = database;
    const unwatch = own
      ? keepUp(own.cluster, own.port, (line) => serving.app.log.warn(line))
      : async () => {};
    const leave = database.leave;
    closeWithGrace({ delay: GRACE + 30_000 }, async ({ err }) => {
      if (err) serving.app.log.error(err);
      state('stopping', serving.url);
      await Promise.race([serving.close(), pause(GRACE)]);
      await leaveScale?.();
      await unwatch();
      await leave();
      place.release();
    });
    state('open', serving.url);
    await announce(serving);
  } catch (error) {
    setup.release();
    await scale?.leave();
    await database?.leave();
    throw error instanceof Told ? error : new Told(whyNot(error, port));
  }
}

/** All addresses of this machine, of both versions where it has both. */
const everywhere = (): string =>
  Object.values(networkInterfaces()).some((all) => all?.some(({ family }) => family === 'IPv6'))
    ? '::'
    : '0.0.0.0';

/** The place of the one server of this folder; nothing when another has it, which is said then. */
async function placeOfServer(home: Home, lan: boolean): Promise<Lock | undefined> {
  for (const until = Date.now() + OTHERS_PATIENCE; ; await pause(200)) {
    const place = tryLock(home.serverLock);
    if (place) return place;
    const other = readState(home);
    if (other?.is === 'open') {
      const asked = process.env.FENNOT_PORT;
      if (asked !== undefined && Number(asked) !== other.port)
        throw new Told(
          `Fennot of this folder is open already, at ${other.url}. Stop it first: ./fennot stop`,
        );
      if (lan && !other.lan)
        throw new Told(
          'Fennot of this folder is open already, to this machine alone. Stop it first: ./fennot stop',
        );
      console.log(`Fennot is open already, at ${other.url}`);
      return undefined;
    }
    if (Date.now() > until)
      throw new Told('Another start of Fennot in this folder has not come to an end. Stop it: ./fennot stop');
  }
}
