import { type ChildProcess, spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import type { Home } from './home.ts';
import { freePort } from './ports.ts';

/** The stand-in of a kitchen scale, as a process of its own beside the server. */
export interface ScaleProcess {
  /** Where it speaks: `host:port`. */
  readonly address: string;
  /** Its process, as long as there is one. */
  readonly pid: () => number | undefined;
  leave(): Promise<void>;
}

/** So long it is waited before one that went is started again, ms; and so long a first one is waited for. */
const [AGAIN, FIRST] = [500, 15_000];

/**
 * Starts the scale's stand-in and keeps it up: one that is killed is started again at the same place. `FENNOT_SCALE=off`
 * leaves it away. It ends with this process, however that ends.
 */
export async function startScale(home: Home): Promise<ScaleProcess | undefined> {
  if (process.env.FENNOT_SCALE === 'off') return undefined;
  const [linePort, pagePort] = [await freePort(), await freePort()];
  let child: ChildProcess | undefined;
  let going = false;
  const run = () =>
    new Promise<void>((said) => {
      const own = spawn(process.execPath, ['--import', 'tsx', 'server/src/scale/main.ts'], {
        cwd: home.root,
        // What holds its input open is this process alone.
        stdio: ['pipe', 'pipe', 'ignore'],
        env: { ...process.env, SCALE_PORT: String(linePort), SCALE_PAGE_PORT: String(pagePort) },
      });
      child = own;
      createInterface({ input: own.stdout }).once('line', () => said());
      own.once('exit', () => {
        said();
        if (!going) setTimeout(() => !going && void run(), AGAIN).unref();
      });
    });
  const late = new Promise<void>((done) => setTimeout(done, FIRST).unref());
  await Promise.race([run(), late]);
  return {
    address: `127.0.0.1:${linePort}`,
    pid: () => child?.pid,
    leave: async () => {
      going = true;
      const own = child;
      if (!own || own.exitCode !== null || own.signalCode !== null) return;
      await new Promise<void>((gone) => {
        own.once('exit', () => gone());
        own.kill('SIGTERM');
      });
    },
  };
}
