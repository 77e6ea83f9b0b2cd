import { spawnSync } from 'node:child_process';
import { closeSync, openSync } from 'node:fs';
import { dirname } from 'node:path';
import { notYours } from './home.ts';
import { pause, Told } from './told.ts';

/** A lock that is held: by this process, until it is released or the process is gone, however it goes. */
export interface Lock {
  release(): void;
}

/**
 * Takes a lock of the operating system on a file, if it is free. The lock hangs on the open file, not on the file's
 * being there: nobody has to tidy up after a process that was killed.
 */
export function tryLock(file: string, how: 'alone' | 'shared' = 'alone'): Lock | undefined {
  let handle: number;
  try {
    handle = openSync(file, 'a');
  } catch {
    throw new Told(notYours(dirname(file)));
  }
  // Node cannot lock files; this locks the open file that it is handed, which stays locked when it has gone.
  const { status, error } = spawnSync('flock', [how === 'alone' ? '-x' : '-s', '-n', '3'], {
    stdio: ['ignore', 'ignore', 'ignore', handle],
  });
  if (status !== 0) closeSync(handle);
  if (error) throw new Told('The program flock is needed, and is not on this machine (Debian: util-linux).');
  return status === 0 ? held(handle) : undefined;
}

/** Released twice, it is released once: by then the number of the open file may stand for another one. */
function held(handle: number): Lock {
  let open = true;
  return {
    release: () => {
      if (open) closeSync(handle);
      open = false;
    },
  };
}

/** Takes a lock, waiting for it; `onWait` is called once when it has to be waited for. */
export async function takeLock(file: string, patience: number, onWait: () => void): Promise<Lock> {
  const until = Date.now() + patience;
  for (let waited = false; ; waited = true) {
    const lock = tryLock(file);
    if (lock) return lock;
    if (!waited) onWait();
    if (Date.now() > until)
      throw new Told(
        `Something has been holding ${file} for ${Math.round(patience / 1000)} seconds: see ./fennot stop.`,
      );
    await pause(100);
  }
}
