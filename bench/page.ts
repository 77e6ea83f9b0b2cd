import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { buildApp, freshDatabase, settleIn } from '@fennot/server';
import { chromium } from '@playwright/test';

/** Size of the start page's script and time to its first view, each time in a browser without cache. */
export async function benchPage(web: string): Promise<void> {
  const index = readFileSync(`${web}/index.html`, 'utf8');
  const named = [...index.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map(([, path]) => path ?? '');
  const size = (paths: readonly string[]) =>
    paths.reduce((sum, path) => sum + gzipSync(readFileSync(`${web}${path}`)).length, 0) / 1000;
  const all = readdirSync(`${web}/assets`)
    .filter((file) => file.endsWith('.js'))
    .map((file) => `/assets/${file}`);
  console.log(
    `script of the start page, compressed ${size(named).toFixed(0).padStart(38)} kB   aim 250 kB; all parts ${size(all).toFixed(0)} kB`,
  );

  const { db, drop } = await freshDatabase();
  await settleIn(db, { empty: false });
  const app = await buildApp({ db, web });
  const address = await app.listen({ port: 0, host: '127.0.0.1' });
  const browser = await chromium.launch({
    executablePath: process.env.FENNOT_CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const start = performance.now();
    await page.goto(address);
    await page.getByRole('heading', { name: 'Bags', exact: true }).waitFor();
    times.push(performance.now() - start);
    await context.close();
  }
  times.sort((a, b) => a - b);
  console.log(
    `first view of the start page, cold ${(times[2] ?? 0).toFixed(0).padStart(40)} ms   aim 1500 ms; ${times.map((t) => t.toFixed(0)).join(', ')}`,
  );
  await browser.close();
  await app.close();
  await drop();
}
