import { spawnSync } from 'node:child_process';
import { closeSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { postgresBin } from './cluster.ts';
import type { Home } from './home.ts';
import { say, Told } from './told.ts';

/** Installs Debian packages where that can be done, and says how where it cannot. */
function install(home: Home, ...packages: readonly [string, ...string[]]): void {
  const [first] = packages;
  if (process.getuid?.() !== 0)
    throw new Told(`The Debian package ${first} is missing. Install it with: sudo apt-get install ${first}`);
  say(`Installing ${first} ...`);
  const log = join(home.log, 'apt.log');
  const out = openSync(log, 'w');
  const apt = (...args: string[]) =>
    spawnSync('apt-get', args, {
      stdio: ['ignore', out, out],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status === 0;
  const well = apt('update') && apt('install', '-y', '--no-install-recommends', ...packages);
  closeSync(out);
  if (!well) throw new Told(`${first} could not be installed; see ${log}.`);
}

export function needPostgres(home: Home): void {
  if (!postgresBin()) install(home, 'postgresql');
}

export function needChromium(home: Home): void {
  if (spawnSync('chromium', ['--version'], { stdio: 'ignore' }).error)
    install(home, 'chromium', 'fonts-liberation');
}
