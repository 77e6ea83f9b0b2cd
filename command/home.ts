import { closeSync, mkdirSync, openSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Told } from './told.ts';

/** Where this Fennot keeps what is its own. */
export interface Home {
  readonly root: string;
  readonly data: string;
  /** Held while packages, interface or database are set up: one at a time. */
  readonly setupLock: string;
  /** Held by the one server of this folder, as long as it lives. */
  readonly serverLock: string;
  /** Shared by everything that uses the private database: the last one to leave stops it. */
  readonly usersLock: string;
  /** Who serves, and where. */
  readonly server: string;
  readonly log: string;
}

/**
 * The folder of this Fennot; `FENNOT_DATA` keeps bags and log somewhere else than beside the program. Throws where it
 * belongs to somebody else.
 */
export function homeAt(root: string, data = process.env.FENNOT_DATA ?? join(root, '.data')): Home {
  try {
    mkdirSync(join(root, '.data'), { recursive: true });
    mkdirSync(join(data, 'log'), { recursive: true });
    // Whether one may write there is known by writing.
    closeSync(openSync(join(data, 'server.lock'), 'a'));
  } catch {
    throw new Told(notYours(data));
  }
  return {
    root,
    data,
    // Packages and interface are those of the program, wherever the bags are.
    setupLock: join(root, '.data', 'setup.lock'),
    serverLock: join(data, 'server.lock'),
    usersLock: join(data, 'users.lock'),
    server: join(data, 'server.json'),
    log: join(data, 'log'),
  };
}

/** The sentence for something of another user's. */
export function notYours(path: string): string {
  let owner = 'another user';
  try {
    const { uid } = statSync(path);
    owner = uid === 0 ? 'root' : `the user with the number ${uid}`;
  } catch {
    // It cannot even be looked at.
  }
  return `${path} belongs to ${owner}. Run Fennot as that user, or make the folder yours: sudo chown -R "$USER" ${path}`;
}
