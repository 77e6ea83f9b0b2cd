import { PROBLEMS } from '@fennot/core';
import fp from 'fastify-plugin';
import { sendProblem } from './problems.ts';

/** Names under which a server on loopback is asked. */
const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

const CHANGES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** The name without the port. */
const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * The browser must not become somebody else's hand. A page elsewhere can bind its own name to this machine's address
 * and then read what is answered: so only known names are answered. And it can send requests without reading the
 * answers: so what changes something must come from Fennot's own page. Programs send neither `Origin` nor
 * `Sec-Fetch-Site`; only browsers do, and pages cannot forge them.
 */
export const sameOrigin = fp(async (app) => {
  app.addHook('onRequest', async (request, reply) => {
    const { host = '', origin, 'sec-fetch-site': site } = request.headers;
    if (!LOOPBACK.has(nameOf(host))) return sendProblem(reply, PROBLEMS.strangeHost);
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
