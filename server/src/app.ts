import { createServer, type RequestListener } from 'node:http';
import rateLimit from '@fastify/rate-limit';
import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import { API, PROBLEMS } from '@fennot/core';
import Fastify, { type FastifyInstance } from 'fastify';
import { jsonSchemaTransform, serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import type { Closing } from './doors/authority.ts';
import { takeBothLines } from './doors/both-lines.ts';
import { type Doors, LOOPBACK_ONLY } from './doors/doors.ts';
import { NO_OUTBOX, type Outbox } from './outbox.ts';
import { closedLine } from './plugins/closed-line.ts';
import { headers } from './plugins/headers.ts';
import { nothingAt, page } from './plugins/page.ts';
import { problems, sendProblem } from './plugins/problems.ts';
import { sameOrigin } from './plugins/same-origin.ts';
import { stopping } from './plugins/stopping.ts';
import { who } from './plugins/who.ts';
import { accountRoutes } from './routes/account.ts';
import { bagRoutes } from './routes/bags.ts';
import { deviceRoutes } from './routes/devices.ts';
import { eventRoutes } from './routes/events.ts';
import { everythingRoutes } from './routes/everything.ts';
import { healthRoutes } from './routes/health.ts';
import { holdingRoutes } from './routes/holdings.ts';
import { passkeyRoutes } from './routes/passkeys.ts';
import { scaleRoutes } from './routes/scales.ts';
import { sessionRoutes } from './routes/session.ts';
import { settingsRoutes } from './routes/settings.ts';
import { ScaleLinks } from './scale/link.ts';
import { inline, type Work } from './work/work.ts';

declare module 'fastify' {
  interface FastifyInstance {
    db: Knex;
    /** How this server is reached. */
    doors: Doors;
    outbox: Outbox;
    work: Work;
    scales: ScaleLinks;
  }
}

export interface AppOptions {
  readonly db: Knex;
  /** How it is reached: by this machine alone unless it is said. */
  readonly doors?: Doors;
  /** Where messages to makers go; nowhere unless it is said. */
  readonly outbox?: Outbox;
  /** Who does the long work; this very thread unless it is said. */
  readonly work?: Work;
  /** Scales that are listened to; none unless they are given. The server closes them. */
  readonly scales?: ScaleLinks;
  /** Folder of the built web application; without it only the API is served. */
  readonly web?: string | undefined;
  readonly logLevel?: string;
  /** How lines are closed; without it all are open. */
  readonly closing?: Closings | undefined;
  /** Where the log goes, when not to standard output. */
  readonly logTo?: { write(line: string): void };
}

/** So many requests a second from one address, of those that cost little. */
const READS = 4000;

/** A bag with hundreds of measurements stays far below this. */
const BODY_LIMIT = 4 * 1024 * 1024;

/** The certificate there is, and whoever is to have the next one. */
export interface Closings {
  readonly now: Closing;
  /** Told once how another certificate is put in its place. */
  readonly onRenew: (renew: (next: Closing) => void) => void;
}

const withClosedLines =
  ({ now, onRenew }: Closings) =>
  (handler: RequestListener) => {
    const open = createServer(handler);
    onRenew(takeBothLines(open, handler, now));
    return open;
  };

const ROUTE_PLUGINS = [
  healthRoutes,
  sessionRoutes,
  accountRoutes,
  passkeyRoutes,
  deviceRoutes,
  everythingRoutes,
  bagRoutes,
  eventRoutes,
  holdingRoutes,
  settingsRoutes,
  scaleRoutes,
];

/** Builds the server without starting it. */
export async function buildApp({
  db,
  doors = LOOPBACK_ONLY,
  outbox = NO_OUTBOX,
  web,
  logLevel = 'silent',
  closing,
  logTo,
  work = inline(),
  scales = new ScaleLinks([]),
}: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    logger: { level: logLevel, ...(logTo ? { stream: logTo } : {}) },
    bodyLimit: BODY_LIMIT,
    // Whom a proxy asks for is believed of those proxies alone that the maker named.
    trustProxy: doors.proxies.length > 0 && [...doors.proxies],
    // An address that cannot even be taken apart.
    frameworkErrors: (_error, _request, reply) => void sendProblem(reply, PROBLEMS.badAddress),
    // Running requests are answered before the server goes; those that come later get a sentence.
    forceCloseConnections: 'idle',
    return503OnClosing: false,
    ...(closing ? { serverFactory: withClosedLines(closing) } : {}),
  });
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  app.decorate('db', db);
  app.decorate('doors', doors);
  app.decorate('outbox', outbox);
  app.decorate('work', work);
  app.decorate('scales', scales);
  app.addHook('onClose', () => {
    scales.close();
    return work.close();
  });
  await app.register(problems);
  await app.register(stopping);
  await app.register(sameOrigin, doors);
  await app.register(headers, doors);
  await app.register(closedLine, doors);
  // By what it costs: reading is cheap, see the routes for what is not.
  await app.register(rateLimit, { max: READS, timeWindow: '1 second' });
  await app.register(who, doors);
  await app.register(swagger, {
    openapi: {
      info: { title: 'Fennot', version: '0.1.0', description: 'Bags, settings and the file format.' },
    },
    transform: jsonSchemaTransform,
  });
  await app.register(swaggerUi, { routePrefix: `${API}/docs`, staticCSP: true });
  for (const routes of ROUTE_PLUGINS) await app.register(routes, { prefix: API });
  if (web === undefined) app.setNotFoundHandler((request, reply) => nothingAt(reply, request.url));
  else await app.register(page, { web });
  return app;
}
