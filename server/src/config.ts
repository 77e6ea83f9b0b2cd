import { isIP } from 'node:net';
import { must } from '@fennot/core';
import { z } from 'zod';
import { readAddresses, type ScaleAddress } from './scale/link.ts';

const list = z
  .string()
  .default('')
  .transform((text) =>
    text
      .split(',')
      .map((one) => one.trim().toLowerCase())
      .filter(Boolean),
  );

const schema = z.object({
  DATABASE_URL: z.url('DATABASE_URL must be a postgres:// address.'),
  FENNOT_PORT: z.coerce.number().int().min(1).max(65535).default(4680),
  FENNOT_HOST: z
    .string()
    .default('127.0.0.1')
    .refine((host) => host === 'localhost' || isIP(host) !== 0, 'It is an address to listen at, as 0.0.0.0.'),
  FENNOT_ORIGIN: z
    .url({ protocol: /^https?$/, error: 'It is the address that makers open, as https://bags.example.org' })
    .optional(),
  FENNOT_NAMES: list,
  FENNOT_PROXY: list,
  FENNOT_TLS: z.enum(['on', 'off'], 'It is on or off.').default('on'),
  FENNOT_TLS_CERT: z.string().optional(),
  FENNOT_TLS_KEY: z.string().optional(),
  FENNOT_AUTHORITY: z.string().optional(),
  FENNOT_OUTBOX: z.string().optional(),
  FENNOT_EMPTY: z.stringbool().default(false),
  FENNOT_WEB: z.string().optional(),
  FENNOT_LOG: z.string().optional(),
  FENNOT_SCALES: z.string().default(''),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'silent']).default('warn'),
});

/** Where a server listens, and how lines to it are closed. */
export interface Listening {
  readonly port: number;
  /** Address to listen at. */
  readonly host: string;
  /** Where makers open it, when a proxy of theirs stands before it. */
  readonly origin: string | undefined;
  /** Further names it may be asked by. */
  readonly names: readonly string[];
  /** Proxies whose word is taken for who asks. */
  readonly proxies: readonly string[];
  /** Whether lines from other machines are closed by this server. */
  readonly tls: boolean;
  /** Files of a given certificate and its key. */
  readonly given: { readonly cert: string; readonly key: string } | undefined;
  /** Folder of an authority of its own. */
  readonly authority: string | undefined;
}

/** Settings of the server, all from the environment. */
export interface Config extends Listening {
  readonly databaseUrl: string;
  /** Start without the demo bags. */
  readonly empty: boolean;
  /** Folder of the built web application, when this server is to serve it. */
  readonly web: string | undefined;
  readonly logLevel: string;
  /** Folder of the log; without it the log goes to standard output. */
  readonly logFolder: string | undefined;
  /** Folder of messages to makers; without it there are none. */
  readonly outbox: string | undefined;
  /** Scales, or bridges of real ones, that are listened to. */
  readonly scales: readonly ScaleAddress[];
}

/** Reads the settings; throws a sentence that names the variable when one is wrong. */
export function readConfig(environment: Record<string, string | undefined>): Config {
  const parsed = schema.safeParse(environment);
  if (!parsed.success) {
    const first = must(parsed.error.issues[0], 'problem');
    throw new Error(`${first.path.join('.') || 'A setting'} is wrong: ${first.message}`);
  }
  const own = parsed.data;
  const { FENNOT_TLS_CERT: cert, FENNOT_TLS_KEY: key } = own;
  if ((cert === undefined) !== (key === undefined))
    throw new Error('FENNOT_TLS_CERT and FENNOT_TLS_KEY go together: a certificate and its key.');
  return {
    databaseUrl: own.DATABASE_URL,
    port: own.FENNOT_PORT,
    host: own.FENNOT_HOST,
    origin: own.FENNOT_ORIGIN,
    names: own.FENNOT_NAMES,
    proxies: own.FENNOT_PROXY,
    tls: own.FENNOT_TLS === 'on',
    given: cert !== undefined && key !== undefined ? { cert, key } : undefined,
    authority: own.FENNOT_AUTHORITY,
    outbox: own.FENNOT_OUTBOX,
    empty: own.FENNOT_EMPTY,
    web: own.FENNOT_WEB,
    logLevel: own.LOG_LEVEL,
    logFolder: own.FENNOT_LOG,
    scales: readAddresses(own.FENNOT_SCALES),
  };
}
