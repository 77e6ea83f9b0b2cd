import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import staticFiles from '@fastify/static';
import { API } from '@fennot/core';
import type { FastifyReply } from 'fastify';
import fp from 'fastify-plugin';
import { nonceOf } from './nonce.ts';
import { sendProblem } from './problems.ts';

interface PageOptions {
  /** Folder of the built web application. */
  readonly web: string;
}

/** Where the page says by which word its styles are known. */
const PLACE = '<meta name="style-nonce" content="" />';

/** The built application: its files, and its page for every address within it. */
export const page = fp<PageOptions>(async (app, { web }) => {
  await app.register(staticFiles, {
    root: web,
    index: false,
    // Built files carry a hash in their name; everything else must always be asked for.
    setHeaders: (reply, path) => {
      const hashed = path.includes('/assets/');
      reply.header('cache-control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  const html = readFileSync(join(web, 'index.html'), 'utf8');
  const send = (reply: FastifyReply) =>
    reply
      .type('text/html; charset=utf-8')
      .header('cache-control', 'no-store')
      .send(html.replace(PLACE, PLACE.replace('""', `"${nonceOf(reply.raw)}"`)));
  app.get('/', { schema: { hide: true } }, (_, reply) => send(reply));
  app.get('/index.html', { schema: { hide: true } }, (_, reply) => send(reply));
  // Addresses inside the application are the page's business.
  const isPage = ({ method, url }: { method: string; url: string }) =>
    method === 'GET' && !url.startsWith(`${API}/`) && !url.startsWith('/assets/');
  app.setNotFoundHandler((request, reply) => (isPage(request) ? send(reply) : nothingAt(reply, request.url)));
});

export const nothingAt = (reply: FastifyReply, url: string) =>
  sendProblem(reply, { status: 404, title: 'Not found', detail: `There is nothing at ${url}.` });
