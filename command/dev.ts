import { spawn } from 'node:child_process';
import { takeSetup, useDatabase } from './database.ts';
import type { Home } from './home.ts';
import { wantedPort } from './ports.ts';
import { withoutServer } from './stop.ts';

/** `./fennot dev`: the server with restart on change, and the interface with live reload in front of it. */
export async function develop(home: Home, args: readonly string[]): Promise<void> {
  const place = withoutServer(home);
  const setup = await takeSetup(home);
  const database = await useDatabase(home, 'app').finally(() => setup.release());
  const port = wantedPort();
  const run = (command: string, rest: string[], env: Record<string, string>) =>
    spawn(command, rest, { cwd: home.root, stdio: 'inherit', env: { ...process.env, ...env } });
  const children = [
    run(`${home.root}/node_modules/.bin/tsx`, ['watch', 'server/src/main.ts'], {
      DATABASE_URL: database.url,
      FENNOT_PORT: String(port + 1),
      FENNOT_EMPTY: String(args.includes('--empty')),
    }),
    run(`${home.root}/node_modules/.bin/vite`, ['web', '--port', String(port), '--strictPort'], {
      FENNOT_API: `http://127.0.0.1:${port + 1}`,
    }),
  ];
  const stop = () => {
    for (const child of children) child.kill('SIGTERM');
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  await Promise.all(
    children.map(
      (child) =>
        new Promise<void>((done) => {
          child.once('exit', () => {
            stop();
            done();
          });
        }),
    ),
  );
  await database.leave();
  place.release();
}
