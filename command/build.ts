import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Home } from './home.ts';
import { say, Told } from './told.ts';

/** Builds the interface unless what it is built from is the same as the last time. */
export function buildWeb({ root }: Home): void {
  const stamp = join(root, 'web/dist/.fennot-stamp');
  const now = sourcesOf(root);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('Building the interface ...');
  const built = spawnSync('npm', ['run', 'build', '-w', 'web', '--silent'], {
    cwd: root,
    stdio: ['ignore', 2, 2],
  });
  if (built.status !== 0) throw new Told('The interface could not be built; the message is above.');
  writeFileSync(stamp, now);
}

/** A sum over everything the interface is built from. */
function sourcesOf(root: string): string {
  const sum = createHash('sha256');
  const files = ['web', 'core'].flatMap((room) => filesIn(join(root, room))).sort();
  for (const path of [...files, join(root, 'package-lock.json')])
    sum.update(`${path}\n`).update(readFileSync(path));
  return sum.digest('hex');
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory())
      return ['dist', 'node_modules'].includes(entry.name) ? [] : filesIn(join(folder, entry.name));
    return entry.isFile() ? [join(folder, entry.name)] : [];
  });
