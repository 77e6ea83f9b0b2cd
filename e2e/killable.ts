import { spawn } from 'node:child_process';
import { readFile, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { ARGUMENTS, CHROMIUM } from './chromium.ts';

/** A browser with a disk of its own. */
export interface KillableBrowser {
  readonly page: Page;
  /** As a power cut would: no warning, no tidying. */
  kill(): Promise<void>;
}

/** Starts Chromium on a profile, as its own process, to be killed. */
export async function startBrowser(profile: string): Promise<KillableBrowser> {
  const portFile = join(profile, 'DevToolsActivePort');
  for (const stale of [portFile, join(profile, 'SingletonLock')]) await rm(stale, { force: true });
  const child = spawn(
    CHROMIUM,
    [
      ...ARGUMENTS,
      '--headless=new',
      '--remote-debugging-port=0',
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { stdio: 'ignore', detached: true },
  );
  const gone = new Promise((done) => child.once('exit', done));
  const port = await waitFor(async () => (await readFile(portFile, 'utf8')).split('\n')[0]);
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  const [context] = browser.contexts();
  if (!context) throw new Error('The browser has no window.');
  const page = context.pages()[0] ?? (await context.newPage());
  await page.setViewportSize({ width: 1280, height: 800 });
  let killed = false;
  return {
    page,
    kill: async () => {
      if (killed || child.pid === undefined) return;
      killed = true;
      process.kill(-child.pid, 'SIGKILL');
      await gone;
    },
  };
}

/** Asks until there is an answer. */
async function waitFor<T>(ask: () => Promise<T | undefined>): Promise<T> {
  for (let i = 0; i < 300; i++) {
    const answer = await ask().catch(() => undefined);
    if (answer) return answer;
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error('The browser did not start.');
}
