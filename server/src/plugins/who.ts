import cookie from '@fastify/cookie';
import { type Access, API, PROBLEMS, type SessionNow } from '@fennot/core';
import type { FastifyReply, FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { anyAccount, openOwner } from '../db/owners.ts';
import { LIMITS, type Signed, signedBy } from '../db/sessions.ts';
import { type Doors, isLoopback, protocolOf } from '../doors/doors.ts';
import { sendProblem } from './problems.ts';

/** Who asks. */
export type Who =
  | { readonly is: 'in'; readonly signed: Signed }
  /** The maker at this machine, before there are accounts. */
  | { readonly is: 'open'; readonly owner: string }
  | { readonly is: 'nobody' };

/** A route, and who may ask for it. */
export interface AskedRoute {
  readonly method: string;
  readonly url: string;
  readonly access: Access;
}

declare module 'fastify' {
  interface FastifyContextConfig {
    /** Who may ask: every route of the API says so. */
    access?: Access;
  }
  interface FastifyInstance {
    /** Every route of the API, and who may ask for it. */
    asked: readonly AskedRoute[];
    /** Looks anew at who asks; what takes long does so now and then. */
    whoAsks: (request: FastifyRequest) => Promise<Who>;
  }
  interface FastifyReply {
    /** Gives this browser a session's secret, or takes it away. */
    keepSecret: (told: string | undefined) => Promise<void>;
  }
}

/** What a proxy says of whom it asks for. */
const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip', 'via'];

/** The maker a page believes it works for. Another one may have signed in beside it since. */
export const MAKER_HEADER = 'fennot-maker';

const DAY = 24 * 3600;

const nobody: Who = { is: 'nobody' };
const known = new WeakMap<FastifyRequest, Who>();

/** Who asks, once that is known. */
export const whoOf = (request: FastifyRequest): Who => known.get(request) ?? nobody;

/**
 * Knows who asks, and lets nobody through who may not. Every route of the API says who may: one that does not is refused when
 * it is made. What one may not know of is not there: the stores of a maker find nothing else.
 */
export const who = fp<Doors>(async (app, doors) => {
  await app.register(cookie);

  // Cookies know no ports: of two installations on one machine each has a name of its own.
  let installation: Promise<string> | undefined;
  const shortId = () => {
    installation ??= Promise.resolve(app.db.raw('select left(id::text, 8) as id from installation'))
      .then(({ rows }) => String(rows[0].id))
      .catch((error: unknown) => {
        installation = undefined;
        throw error;
      });
    return installation;
  };
  const isSecure = (request: FastifyRequest) => protocolOf(request) === 'https';
  const cookieName = async (request: FastifyRequest) =>
    `${isSecure(request) ? '__Host-' : ''}fennot-${await shortId()}`;

  app.decorateReply('keepSecret', async function keepSecret(this: FastifyReply, told: string | undefined) {
    const secure = isSecure(this.request);
    this.setCookie(await cookieName(this.request), told ?? '', {
      path: '/',
      httpOnly: true,
      sameSite: 'lax',
      secure,
      // Counted by the browser from now on: its clock may be wrong.
      maxAge: told === undefined ? 0 : LIMITS.whole * DAY,
    });
  });

  /** Only this machine can have asked. */
  const fromHere = (request: FastifyRequest) =>
    !doors.exposed &&
    isLoopback(request.socket.remoteAddress ?? '') &&
    FORWARDED.every((name) => request.headers[name] === undefined);

  async function whoAsks(request: FastifyRequest): Promise<Who> {
    const told = request.cookies[await cookieName(request)];
    const signed = told ? await signedBy(app.db, told) : undefined;
    if (signed) return { is: 'in', signed };
    const owner = fromHere(request) ? await openOwner(app.db) : undefined;
    return owner === undefined ? nobody : { is: 'open', owner };
  }

  app.decorate('whoAsks', whoAsks);
  const asked: AskedRoute[] = [];
  app.decorate('asked', asked);

  app.addHook('onRoute', (route) => {
    if (!route.url.startsWith(API)) return;
    // What describes the API is registered by a plugin that knows nothing of makers.
    const access = route.config?.access ?? (route.url.startsWith(`${API}/docs`) ? 'maker' : undefined);
    if (access === undefined) throw new Error(`Who may ask for ${route.url}? Its route has to say.`);
    route.config = { ...route.config, access };
    for (const method of [route.method].flat()) asked.push({ method, url: route.url, access });
    const before = route.onRequest === undefined ? [] : [route.onRequest].flat();
    route.onRequest = [
      ...before,
      async (request: FastifyRequest, reply: FastifyReply) => {
        const asks = await whoAsks(request);
        known.set(request, asks);
        if (access === 'anyone') return;
        if (asks.is === 'nobody' || !isFor(request, ownerOr(asks)))
          return sendProblem(reply, PROBLEMS.signedOut);
        if (access === 'maker') return;
        if (asks.is === 'open') return sendProblem(reply, PROBLEMS.noAccount);
        if (!asks.signed.confirmed) return sendProblem(reply, PROBLEMS.confirmFirst);
      },
    ];
  });
});

const ownerOr = (asks: Who): string | undefined =>
  asks.is === 'in' ? asks.signed.owner : asks.is === 'open' ? asks.owner : undefined;

/** Whether a page works for this maker, as far as it says for whom. */
export function isFor(request: FastifyRequest, owner: string | undefined): boolean {
  const believed = request.headers[MAKER_HEADER];
  return believed === undefined || believed === owner;
}

/** Whose things a request is about. Routes that let anyone ask do not use it. */
export function ownerOf(request: FastifyRequest): string {
  const owner = ownerOr(whoOf(request));
  if (owner === undefined) throw new Error('A route asked whose it is, and let anyone ask.');
  return owner;
}

/** Whether whoever asked is still in: a stream outlasts a device's time. Without a database, nobody is. */
export const stillIn = async (request: FastifyRequest): Promise<boolean> => {
  const owner = ownerOr(whoOf(request));
  const now = await request.server.whoAsks(request).catch(() => nobody);
  return owner !== undefined && ownerOr(now) === owner;
};

/** The maker who is signed in; the routes of an account let nobody else ask. */
export function signedOf(request: FastifyRequest): Signed | undefined {
  const asks = whoOf(request);
  return asks.is === 'in' ? asks.signed : undefined;
}

/** Who is in front of the screen, as the page is told. */
export async function sessionNow(request: FastifyRequest, asks: Who = whoOf(request)): Promise<SessionNow> {
  switch (asks.is) {
    case 'in': {
      const { owner, name, first, device, confirmed } = asks.signed;
      return { is: 'in', maker: owner, name, first, device, confirmed };
    }
    case 'open':
      return { is: 'open', maker: asks.owner };
    case 'nobody':
      return { is: (await anyAccount(request.server.db)) ? 'out' : 'unclaimed' };
  }
}
