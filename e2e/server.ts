import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BagList, StoredBag } from '@fennot/core';
import { type BrowserContext, test as base, expect, type Locator, type Page } from '@playwright/test';
import pg from 'pg';
import { freePort } from '../command/ports.ts';
import { type KillableBrowser, startBrowser } from './killable.ts';

const root = new URL('..', import.meta.url).pathname;

/** The real server on a database of its own, to be killed and started again at will. */
export class FennotServer {
  readonly url: string;
  readonly database: string;
  readonly port: number;
  /** Settings beyond the usual ones. */
  private readonly environment: Record<string, string>;
  /** What it has said since it was started. */
  said = '';
  /** Scales it listens to. */
  scales = '';
  /** Page of the stand-in that it listens to. */
  scalePage = '';
  /** The demo bags as they were at the start. */
  demo: readonly StoredBag[] = [];
  private child: ChildProcess | undefined;

  constructor(port: number, database: string, environment: Record<string, string> = {}) {
    this.port = port;
    this.environment = environment;
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
        FENNOT_SCALES: this.scales,
        ...this.environment,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
      detached: true,
    });
    this.said = '';
    this.child.stdout?.on('data', (text) => {
      this.said += String(text);
    });
    for (let i = 0; i < 600; i++) {
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

/** The stand-in of a kitchen scale, as the command starts it. */
async function startScale() {
  const [linePort, pagePort] = [await freePort(), await freePort()];
  const child = spawn('node_modules/.bin/tsx', ['server/src/scale/main.ts'], {
    cwd: root,
    env: { ...process.env, SCALE_PORT: String(linePort), SCALE_PAGE_PORT: String(pagePort) },
    stdio: ['pipe', 'ignore', 'inherit'],
  });
  return { child, linePort, pagePort };
}

/** An empty database on the server of the tests. */
async function emptyDatabase(name: string) {
  const admin = process.env.DATABASE_URL;
  if (admin === undefined) throw new Error('The interface tests need DATABASE_URL: run ./fennot test.');
  const client = new pg.Client(admin);
  await client.connect();
  await client.query(`create database ${name}`);
  const address = new URL(admin);
  address.pathname = `/${name}`;
  return {
    address: address.href,
    drop: async () => {
      await client.query(`drop database ${name} with (force)`);
      await client.end();
    },
  };
}

/** Tests with a server for each worker, seeded with the demo bags. */
interface Fixtures {
  /** A server of this test alone, with settings of its own, that answers already. */
  serverWith: (environment?: Record<string, string>) => Promise<FennotServer>;
  open: (name: string, station?: string) => Promise<string>;
  /** A page in another browser, which knows nothing of this one. */
  anotherBrowser: () => Promise<Page>;
  /** A browser of its own that can be killed, and started again with what its disk has. */
  killableBrowser: () => Promise<KillableBrowser>;
  /** A bag as the server has it now. */
  stored: (id: string) => Promise<StoredBag>;
  /** Does something to the database behind the server's back. */
  database: (query: string) => Promise<void>;
}

export const test = base.extend<Fixtures, { server: FennotServer }>({
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a pattern
    async ({}, use, worker) => {
      const database = await emptyDatabase(`fennot_e2e_${process.pid}_${worker.workerIndex}`);
      const server = new FennotServer(await freePort(), database.address);
      const scale = await startScale();
      server.scales = `127.0.0.1:${scale.linePort}`;
      server.scalePage = `http://127.0.0.1:${scale.pagePort}/`;
      await server.start();
      const asked = (path: string) => fetch(`${server.url}/api/bags${path}`).then((answer) => answer.json());
      const { bags }: BagList = await asked('');
      server.demo = await Promise.all(bags.map(({ id }): Promise<StoredBag> => asked(`/${id}`)));
      await use(server);
      await server.kill();
      scale.child.kill('SIGKILL');
      await database.drop();
    },
    { scope: 'worker', timeout: 240_000 },
  ],
  baseURL: async ({ server }, use) => use(server.url),
  // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a pattern
  serverWith: async ({}, use) => {
    const ends: (() => Promise<void>)[] = [];
    await use(async (environment = {}) => {
      const database = await emptyDatabase(`fennot_e2e_own_${randomUUID().slice(0, 8)}`);
      const folder = await mkdtemp(join(tmpdir(), 'fennot-own-'));
      const own = new FennotServer(await freePort(), database.address, {
        FENNOT_AUTHORITY: join(folder, 'authority'),
        FENNOT_OUTBOX: join(folder, 'outbox'),
        ...environment,
      });
      ends.push(async () => {
        await own.kill();
        await database.drop();
        await rm(folder, { recursive: true, force: true });
      });
      await own.start();
      return own;
    });
    for (const end of ends) await end();
  },
  /** Opens a copy of a demo bag at a station: every test works on a bag of its own. */
  open: async ({ page, request, server }, use) => {
    const opened: string[] = [];
    await use(async (name, station = 'Build') => {
      const like = server.demo.find(({ document }) => document.name.includes(name));
      if (!like) throw new Error(`There is no demo bag ${name}.`);
      const id = randomUUID();
      opened.push(id);
      const made = await request.post('/api/bags', { data: { id, document: like.document } });
      expect(made.status()).toBe(201);
      await page.goto(`/bags/${id}/${station.toLowerCase()}`);
      await expect(page.getByRole('heading', { level: 1 })).toContainText(name);
      return id;
    });
    // Out of the way of those who look at the list.
    for (const id of opened) await request.delete(`/api/bags/${id}`).catch(() => {});
  },
  anotherBrowser: async ({ browser, baseURL }, use) => {
    const contexts: BrowserContext[] = [];
    await use(async () => {
      const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}) });
      contexts.push(context);
      return context.newPage();
    });
    for (const context of contexts) await context.close();
  },
  // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a pattern
  killableBrowser: async ({}, use) => {
    const profile = await mkdtemp(join(tmpdir(), 'fennot-profile-'));
    const started: KillableBrowser[] = [];
    await use(async () => {
      const own = await startBrowser(profile);
      started.push(own);
      return own;
    });
    for (const own of started) await own.kill();
    await rm(profile, { recursive: true, force: true });
  },
  stored: async ({ request }, use) => {
    await use(async (id) => (await (await request.get(`/api/bags/${id}`)).json()) as StoredBag);
  },
  database: async ({ server }, use) => {
    await use(async (query) => {
      const client = new pg.Client(server.database);
      await client.connect();
      await client.query(query);
      await client.end();
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

/** Types into a field and leaves it with Enter, so that it takes effect. */
export async function put(own: Locator, text: string): Promise<void> {
  await own.fill(text);
  await own.press('Enter');
}

/** Every step of the joins in words: the runs are spread out one after the other. */
export async function allSteps(page: Page): Promise<string> {
  const steps = page.getByRole('region', { name: 'Steps' });
  const runs = steps.getByRole('heading').getByRole('button');
  let text = '';
  for (let i = 0; i < (await runs.count()); i++) {
    await runs.nth(i).click();
    await expect(runs.nth(i)).toHaveAttribute('aria-expanded', 'true');
    text += `${await steps.innerText()}\n`;
  }
  return text;
}
