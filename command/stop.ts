import { clusterOf, postgresBin, running, stopCluster } from './cluster.ts';
import type { Home } from './home.ts';
import { type Lock, tryLock } from './lock.ts';
import { end } from './processes.ts';
import { readState } from './state.ts';
import { say, Told } from './told.ts';

/** So long running requests are given to end, ms. */
export const GRACE = 10_000;

/** `./fennot stop`: ends the server of this folder, and only that; the private database with it. */
export async function stop(home: Home): Promise<void> {
  const server = readState(home);
  if (server) await end(server, GRACE + 5000);
  // A server that was killed has left its database running.
  const cluster = postgresBin() ? clusterOf(home) : undefined;
  const left = cluster && running(cluster);
  if (cluster) await stopCluster(cluster);
  say(server || left ? 'Fennot is stopped.' : 'Fennot was not running.');
}

/** The place of this folder's server, for work that none may disturb. Throws while there is one. */
export function withoutServer(home: Home): Lock {
  const place = tryLock(home.serverLock);
  if (place) return place;
  const other = readState(home);
  throw new Told(`Fennot is open${other ? `, at ${other.url}` : ''}. Stop it first: ./fennot stop`);
}
