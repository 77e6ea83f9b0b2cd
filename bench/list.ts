import { randomUUID } from 'node:crypto';
import { beginDocument, FAMILIES, LIMITS } from '@fennot/core';
import { BagLists, BagStore, buildApp, freshDatabase, inline, localOwner, maker } from '@fennot/server';
import { chromium } from '@playwright/test';
import autocannon from 'autocannon';
import Fastify from 'fastify';

/** Bags in a long list, and in the one it is held against. */
const [MANY, FEW] = [500, 15];
/** So long requests are sent, s, and over so many connections. */
const [SECONDS, CONNECTIONS] = [6, 50];

async function fired(url: string, cookie?: string): Promise<string> {
  const { requests, latency, errors, non2xx } = await autocannon({
    url,
    ...(cookie ? { headers: { cookie } } : {}),
    // Not in the thread that answers: what asks costs as much again.
    workers: 1,
    connections: CONNECTIONS,
    duration: SECONDS,
  });
  const failed = errors + non2xx;
  return `${requests.average.toFixed(0).padStart(6)} requests/s, p50 ${latency.p50} ms, p99 ${latency.p99} ms${failed > 0 ? `, ${failed} failed` : ''}`;
}

/** The list of bags: how many times a second it is answered, and the start page with few bags and with many. */
export async function benchList(web: string): Promise<void> {
  const { db, drop } = await freshDatabase();
  const work = inline();
  const { id: owner } = await localOwner(db);
  const [store, lists] = [new BagStore(db, owner), new BagLists(db, work)];
  const families = FAMILIES.map(({ id }) => beginDocument({ name: 'Bag', family: id }));
  const fill = async (many: number) => {
    for (let i = 0; i < many; i++) {
      const like = families[i % families.length];
      if (!like) continue;
      const id = randomUUID();
      await store.create(id, { ...like, name: `Bag ${i}`.slice(0, LIMITS.name) });
      await lists.sum(id);
    }
  };
  const app = await buildApp({ db, web, work });
  const address = await app.listen({ port: 0, host: '127.0.0.1' });
  const browser = await chromium.launch({
    executablePath: process.env.FENNOT_CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  const opened = async () => {
    const times: number[] = [];
    let nodes = 0;
    for (let i = 0; i < 7; i++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      const start = performance.now();
      await page.goto(address);
      await page.getByRole('listitem').first().waitFor();
      times.push(performance.now() - start);
      nodes = await page.locator('*').count();
      await context.close();
    }
    times.sort((a, b) => a - b);
    return { ms: times[3] ?? 0, nodes };
  };
  await fill(FEW);
  const few = await opened();
  await fill(MANY - FEW);
  const many = await opened();
  console.log(
    `start page to its first card, ${FEW} bags ${few.ms.toFixed(0)} ms (${few.nodes} nodes), ${MANY} bags ${many.ms.toFixed(0)} ms (${many.nodes} nodes)   aim: a fifth longer at most`,
  );
  await browser.close();

  const answer = await (await fetch(`${address}/api/bags`)).text();
  const bare = Fastify();
  bare.get('/', (_, reply) => reply.type('application/json').send(answer));
  const beside = await bare.listen({ port: 0, host: '127.0.0.1' });
  const bareFirst = await fired(beside);
  console.log(
    `first page of ${MANY} bags, ${(answer.length / 1000).toFixed(0)} kB    ${await fired(`${address}/api/bags`)}   aim 1000 at p99 50 ms`,
  );
  console.log(`the same bytes from a bare route    ${bareFirst}`);
  const { cookie } = await maker(app, 'Rowan', { owner });
  console.log(`the same page, of a signed-in device    ${await fired(`${address}/api/bags`, cookie)}`);
  await bare.close();
  await app.close();
  await drop();
}
