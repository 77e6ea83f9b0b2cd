import { type ChildProcess, spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { test as base, expect, type Page } from '@playwright/test';
import pg from 'pg';

const root = new URL('..', import.meta.url).pathname;

const freePort = () =>
  new Promise<number>((resolve, reject) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() =>
        typeof address === 'object' && address ? resolve(address.port) : reject(new Error('no port')),
      );
    });
  });

/** The real server on a database of its own, to be killed and started again at will. */
export class FennotServer {
  readonly url: string;
  private readonly port: number;
  private readonly database: string;
  private child: ChildProcess | undefined;

  constructor(port: number, database: string) {
    this.port = port;
    this.database = database;
    this.url = `http://localhost:${port}`;
  }

  async start(): Promise<void> {
    this.child = spawn('node_modules/.bin/tsx', ['server/src/main.ts'], {
      cwd: root,
      env: {
        ...process.env,
        DATABASE_URL: this.database,
        FENNOT_PORT: String(this.port),
        FENNOT_WEB: `${root}web/dist`,
      },
      stdio: ['ignore', 'ignore', 'inherit'],
      detached: true,
    });
    for (let i = 0; i < 150; i++) {
      const well = await fetch(`${this.url}/api/health`).then(
        (answer) => answer.ok,
        () => false,
      );
      if (well) return;
      await new Promise((done) => setTimeout(done, 200));
    }
    throw new Error('The server did not start.');
  }

  /** As a power cut would: no warning, no tidying. */
  async kill(): Promise<void> {
    const { child } = this;
    if (!child?.pid) return;
    const gone = new Promise((done) => child.once('exit', done));
    process.kill(-child.pid, 'SIGKILL');
    await gone;
    this.child = undefined;
  }
}

/** Tests with a server for each worker, seeded with the demo bags. */
export const test = base.extend<
  { open: (name: string, station?: string) => Promise<void> },
  { server: FennotServer }
>({
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a pattern
    async ({}, use, worker) => {
      const admin = process.env.DATABASE_URL;
      if (admin === undefined) throw new Error('The interface tests need DATABASE_URL: run ./fennot test.');
      const name = `fennot_e2e_${process.pid}_${worker.workerIndex}`;
      const client = new pg.Client(admin);
      await client.connect();
      await client.query(`create database ${name}`);
      const address = new URL(admin);
      address.pathname = `/${name}`;
      const server = new FennotServer(await freePort(), address.href);
      await server.start();
      await use(server);
      await server.kill();
      await client.query(`drop database ${name} with (force)`);
      await client.end();
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  baseURL: async ({ server }, use) => use(server.url),
  /** Opens a demo bag from the list, as a maker would, at a station. */
  open: async ({ page }, use) => {
    await use(async (name, station) => {
      await page.goto('/');
      await page.getByRole('heading', { name, exact: false }).first().click();
      await expect(page.getByRole('heading', { level: 1 })).toContainText(name);
      if (station) await page.getByRole('link', { name: new RegExp(`^${station}`) }).click();
    });
  },
});

export { expect };

/** The figure on a tape, in cm. */
export const tape = async (page: Page, measure: string): Promise<number> =>
  Number.parseFloat((await page.getByTestId(`tape-${measure}`).textContent()) ?? '');

export const saved = (page: Page) => expect(page.getByRole('status', { name: 'Saving' })).toHaveText(/Saved/);

/** A field by its whole label: the buttons beside it are named after it too. */
export const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });
