import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../command/ports.ts';
import { lives, type Who, whoIs } from '../command/processes.ts';

const ROOT = new URL('..', import.meta.url).pathname;

/** How a run of the command ended, and what it said. */
export interface Ended {
  readonly code: number | null;
  readonly said: string;
}

/** One Fennot of its own, with its bags in a folder of its own, run by the real command. */
export class House {
  readonly data: string;
  readonly port: number;
  private readonly children = new Set<ChildProcess>();

  private constructor(data: string, port: number) {
    this.data = data;
    this.port = port;
  }

  static async build(data = mkdtempSync(join(tmpdir(), 'fennot-drill-'))): Promise<House> {
    // The database's own user has to get into it.
    spawnSync('chmod', ['755', data]);
    return new House(data, await freePort());
  }

  get url(): string {
    return `http://localhost:${this.port}`;
  }

  /** Runs the command; `ended` comes when it has. */
  run(...args: string[]): { readonly child: ChildProcess; readonly ended: Promise<Ended> } {
    const child = spawn('./fennot', args, {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: '', FENNOT_DATA: this.data, FENNOT_PORT: String(this.port) },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.children.add(child);
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (part) => {
        said += String(part);
      });
    const ended = new Promise<Ended>((done) =>
      child.once('exit', (code) => {
        this.children.delete(child);
        done({ code, said });
      }),
    );
    return { child, ended };
  }

  /** Starts the server and waits until it answers. Throws with what it said when it ends instead. */
  async start(): Promise<void> {
    const { ended } = this.run('start');
    let over: Ended | undefined;
    void ended.then((end) => {
      over = end;
    });
    for (const until = Date.now() + 120_000; Date.now() < until; await rest(50)) {
      if (await this.answers()) return;
      if (over) throw new Error(`It did not start: ${over.said}`);
    }
    throw new Error('It did not start within two minutes.');
  }

  async answers(): Promise<boolean> {
    return fetch(`${this.url}/api/settings`, { signal: AbortSignal.timeout(12_000) }).then(
      ({ ok }) => ok,
      () => false,
    );
  }

  /** Waits until it answers by itself. Says whether it did. */
  async comesBack(patience = 60_000): Promise<boolean> {
    for (const until = Date.now() + patience; Date.now() < until; await rest(100))
      if (await this.answers()) return true;
    return false;
  }

  stop(): Promise<Ended> {
    return this.run('stop').ended;
  }

  private numberIn(file: string, read: (text: string) => number): Who | undefined {
    try {
      return whoIs(read(readFileSync(join(this.data, file), 'utf8')));
    } catch {
      return undefined;
    }
  }

  server(): Who | undefined {
    return this.numberIn('server.json', (text) => Number(JSON.parse(text).pid));
  }

  postgres(): Who | undefined {
    return this.numberIn('pg/postmaster.pid', (text) => Number(text.split('\n')[0]));
  }

  /** Sends a signal to the database: all of it, or its first process alone. */
  signalDatabase(signal: NodeJS.Signals, all = false): void {
    const who = this.postgres();
    if (!who) return;
    const children = all
      ? spawnSync('pgrep', ['-P', String(who.pid)], { encoding: 'utf8' }).stdout.split('\n')
      : [];
    for (const pid of [who.pid, ...children.map(Number)])
      if (pid > 0)
        try {
          process.kill(pid, signal);
        } catch {
          // It went by itself.
        }
  }

  killServer(): void {
    const who = this.server();
    if (who && lives(who)) process.kill(who.pid, 'SIGKILL');
  }

  /** Stops everything and takes the folder away. */
  async raze(): Promise<void> {
    await this.stop();
    for (const child of this.children) child.kill('SIGKILL');
    rmSync(this.data, { recursive: true, force: true });
  }
}

export const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
