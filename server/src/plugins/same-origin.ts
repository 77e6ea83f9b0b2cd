import { PROBLEMS } from '@fennot/core';
import fp from 'fastify-plugin';
import { type Doors, LOOPBACK, nameOf } from '../doors/doors.ts';
import { sendProblem } from './problems.ts';

const CHANGES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/**
 * The browser must not become somebody else's hand. A page elsewhere can bind its own name to this machine's address
 * and then read what is answered: so only known names are answered. And it can send requests without reading the
 * answers: so what changes something must come from Fennot's own page. Programs send neither `Origin` nor
 * `Sec-Fetch-Site`; only browsers do, and pages cannot forge them.
 */
export const sameOrigin = fp<Pick<Doors, 'names'>>(async (app, { names }) => {
  app.addHook('onRequest', async (request, reply) => {
    const { host = '', origin, 'sec-fetch-site': site } = request.headers;
    const name = nameOf(host);
    if (!LOOPBACK.has(name) && !names().has(name)) return sendProblem(reply, PROBLEMS.strangeHost);
    if (!CHANGES.has(request.method)) return;
    const foreign = (origin !== undefined && originHost(origin) !== host.toLowerCase()) || !ownSite(site);
    if (foreign) return sendProblem(reply, PROBLEMS.strangeOrigin);
  });
});

/** Host and port of an origin; nothing of one that has none, as a page in a sandbox. */
const originHost = (origin: string): string | undefined => {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
};

const ownSite = (site: unknown): boolean => site === undefined || site === 'same-origin' || site === 'none';
