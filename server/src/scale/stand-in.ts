import { createServer as createHttp, type IncomingMessage, type ServerResponse } from 'node:http';
import { createServer, type Socket } from 'node:net';
import { type ScaleReading, scaleLine } from '@fennot/core';
import { PAGE } from './stand-in-page.ts';

/** More than this it cannot weigh, g. */
const MOST = 5000;
/** So long what is laid on it swings, ms, and so far at first, as a share. */
const [SETTLES, SWINGS] = [1200, 0.06];
/** It says what it shows so often, ms. */
const EVERY = 200;

/** A kitchen scale that is none: what is laid on it is said on its page. */
export interface StandIn {
  readonly linePort: number;
  readonly pagePort: number;
  close(): Promise<void>;
}

interface State {
  grams: number;
  /** What it takes for nothing. */
  tare: number;
  /** When it was touched last. */
  touched: number;
  /** Says nothing until then: its plug is out. */
  silentUntil: number;
}

/** What it shows at some moment. */
function shownAt({ grams, tare, touched }: State, now: number): ScaleReading {
  if (grams > MOST) return { is: 'over' };
  const net = grams - tare;
  const since = now - touched;
  if (since >= SETTLES) return { is: 'stable', grams: Math.round(net * 10) / 10 };
  const swing = SWINGS * Math.max(10, Math.abs(net)) * (1 - since / SETTLES) * Math.cos(since / 60);
  return { is: 'moving', grams: Math.round((net + swing) * 10) / 10 };
}

/**
 * A stand-in for a kitchen scale: speaks the scales' protocol on one loopback port and has a page on another, to lay things
 * on it. Ports of 0 are any that are free.
 */
export async function standIn({
  name = 'Kitchen scale',
  linePort = 0,
  pagePort = 0,
}: {
  readonly name?: string;
  readonly linePort?: number;
  readonly pagePort?: number;
}): Promise<StandIn> {
  const state: State = { grams: 0, tare: 0, touched: 0, silentUntil: 0 };
  const touch = (change: Partial<State>) => Object.assign(state, change, { touched: Date.now() });
  const sockets = new Set<Socket>();
  let page = '';
  const line = createServer((socket) => {
    if (Date.now() < state.silentUntil) return void socket.destroy();
    sockets.add(socket);
    socket.setEncoding('utf8');
    socket.on('data', (text: string) => {
      if (/^tare\s*$/m.test(text)) touch({ tare: state.grams });
    });
    socket.on('error', () => {});
    socket.on('close', () => sockets.delete(socket));
    socket.write(`scale 1 ${name}\npage ${page}\n`);
  });
  const saying = setInterval(() => {
    const now = Date.now();
    for (const socket of sockets) {
      if (now < state.silentUntil) socket.destroy();
      else socket.write(`${scaleLine(shownAt(state, now))}\n`);
    }
  }, EVERY);
  const web = createHttp((request, reply) => void answer(request, reply));
  const answer = async (request: IncomingMessage, reply: ServerResponse) => {
    const { pathname } = new URL(request.url ?? '/', 'http://scale');
    // Only this page may touch it: a form of another one is refused.
    const own =
      request.headers.host === `127.0.0.1:${portOf(web)}` ||
      request.headers.host === `localhost:${portOf(web)}`;
    if (!own) return void reply.writeHead(421).end();
    if (request.method === 'GET' && pathname === '/')
      return void reply
        .writeHead(200, { 'content-type': 'text/html; charset=utf-8' })
        .end(PAGE.replaceAll('{name}', name));
    if (request.method === 'GET' && pathname === '/shown')
      return void reply
        .writeHead(200, { 'content-type': 'application/json' })
        .end(JSON.stringify(Date.now() < state.silentUntil ? { is: 'lost' } : shownAt(state, Date.now())));
    if (request.method !== 'POST' || request.headers['content-type'] !== 'application/json')
      return void reply.writeHead(404).end();
    const body = await bodyOf(request);
    switch (pathname) {
      case '/lay': {
        const grams = Number(body);
        if (!Number.isFinite(grams) || Math.abs(grams) > 1e6) return void reply.writeHead(400).end();
        touch({ grams: Math.max(0, state.grams + grams) });
        break;
      }
      case '/clear':
        touch({ grams: 0 });
        break;
      case '/tare':
        touch({ tare: state.grams });
        break;
      case '/unplug':
        state.silentUntil = Date.now() + Number(body || 10) * 1000;
        break;
      default:
        return void reply.writeHead(404).end();
    }
    reply.writeHead(204).end();
  };
  await listening(web, pagePort);
  page = `http://127.0.0.1:${portOf(web)}/`;
  await listening(line, linePort);
  return {
    linePort: portOf(line),
    pagePort: portOf(web),
    close: async () => {
      clearInterval(saying);
      for (const socket of sockets) socket.destroy();
      web.closeAllConnections();
      await Promise.all([line, web].map((one) => new Promise((done) => one.close(done))));
    },
  };
}

interface Listens {
  listen(port: number, host: string, done: () => void): unknown;
  once(event: 'error', failed: (error: Error) => void): unknown;
  address(): ReturnType<import('node:net').Server['address']>;
}

const listening = (server: Listens, port: number) =>
  new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(port, '127.0.0.1', done);
  });

function portOf(server: Pick<Listens, 'address'>): number {
  const address = server.address();
  return typeof address === 'object' && address ? address.port : 0;
}

async function bodyOf(request: IncomingMessage): Promise<string> {
  let text = '';
  for await (const part of request) {
    text += String(part);
    if (text.length > 200) return 'too long';
  }
  return text.trim();
}
