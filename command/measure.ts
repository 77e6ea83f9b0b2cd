import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { buildWeb } from './build.ts';
import { takeSetup, useDatabase } from './database.ts';
import { needChromium } from './debian.ts';
import type { Home } from './home.ts';
import { Told } from './told.ts';

/** `./fennot bench`: figures of speed. Bundled as the browser gets it: a development loader would be measured along. */
export async function measure(home: Home): Promise<void> {
  const setup = await takeSetup(home);
  needChromium(home);
  buildWeb(home);
  const database = await useDatabase(home, 'test').finally(() => setup.release());
  const run = (command: string, args: readonly string[]) =>
    spawnSync(command, args, {
      cwd: home.root,
      stdio: 'inherit',
      env: { ...process.env, DATABASE_URL: database.url, FENNOT_WEB: join(home.root, 'web/dist') },
    }).status;
  const bundle = join(home.root, 'node_modules/.fennot-bench.mjs');
  const status =
    run(join(home.root, 'node_modules/.bin/esbuild'), [
      ...['bench/main.ts', '--bundle', '--platform=node', '--format=esm', '--packages=external'],
      ...['--alias:@fennot/core=./core/src/index.ts', '--alias:@fennot/server=./server/src/index.ts'],
      ...[`--outfile=${bundle}`, '--log-level=warning'],
    ]) || run('node', [bundle]);
  await database.leave();
  if (status !== 0) throw new Told('The figures are not complete; the message is above.');
}
