import {
  type Cluster,
  clusterOf,
  makeCluster,
  type Passwords,
  passwordsOf,
  startCluster,
  stopCluster,
} from './cluster.ts';
import { needPostgres } from './debian.ts';
import type { Home } from './home.ts';
import { type Lock, takeLock, tryLock } from './lock.ts';
import { addressOf, DATABASE, prepareRoles, type Role } from './roles.ts';
import { pause, say, Told } from './told.ts';

/** A database in use. */
export interface Database {
  readonly url: string;
  /** The private cluster it is in; nothing where the maker named a PostgreSQL of their own. */
  readonly own:
    | { readonly cluster: Cluster; readonly port: number; readonly passwords: Passwords }
    | undefined;
  /** Ends the use: the last one to leave stops the private cluster. */
  leave(): Promise<void>;
}

/** So long a set-up under way is waited for, ms: a first start installs packages. */
const SETUP_PATIENCE = 600_000;

/** And a database that is being stopped. */
const STOPPING_PATIENCE = 60_000;

/** One set-up at a time in this folder. */
export const takeSetup = (home: Home): Promise<Lock> =>
  takeLock(home.setupLock, SETUP_PATIENCE, () =>
    say('Another Fennot of this folder is being set up; waiting for it ...'),
  );

/**
 * The database this Fennot works with: the one that is named, or the private one, made and started if need be. To be
 * called by the holder of the set-up lock.
 */
export async function useDatabase(home: Home, role: Role): Promise<Database> {
  const named = process.env.DATABASE_URL;
  if (named) return { url: named, own: undefined, leave: async () => {} };
  needPostgres(home);
  const cluster = clusterOf(home);
  makeCluster(cluster);
  const user = await shared(home);
  try {
    const passwords = passwordsOf(cluster, home);
    const port = await startCluster(cluster);
    await prepareRoles(port, passwords);
    const url = addressOf(port, role, passwords, role === 'app' ? DATABASE : 'postgres');
    return { url, own: { cluster, port, passwords }, leave: () => leave(home, cluster, user) };
  } catch (error) {
    await leave(home, cluster, user);
    throw error;
  }
}

/** Whoever has the lock alone is stopping the cluster, and has done so in a moment. */
async function shared(home: Home): Promise<Lock> {
  for (const until = Date.now() + STOPPING_PATIENCE; Date.now() < until; await pause(100)) {
    const lock = tryLock(home.usersLock, 'shared');
    if (lock) return lock;
  }
  throw new Told('The private database has been stopping for a minute. See ./fennot stop.');
}

/** Who still uses the cluster holds the lock together with others: only the last one gets it alone. */
async function leave(home: Home, cluster: Cluster, user: Lock): Promise<void> {
  user.release();
  const alone = tryLock(home.usersLock);
  if (!alone) return;
  await stopCluster(cluster);
  alone.release();
}
