import { must } from '@fennot/core';
import { z } from 'zod';
import { readAddresses, type ScaleAddress } from './scale/link.ts';

const schema = z.object({
  DATABASE_URL: z.url('DATABASE_URL must be a postgres:// address.'),
  FENNOT_PORT: z.coerce.number().int().min(1).max(65535).default(4680),
  FENNOT_EMPTY: z.stringbool().default(false),
  FENNOT_WEB: z.string().optional(),
  FENNOT_LOG: z.string().optional(),
  FENNOT_SCALES: z.string().default(''),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'silent']).default('warn'),
});

/** Settings of the server, all from the environment. */
export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  /** Start without the demo bags. */
  readonly empty: boolean;
  /** Folder of the built web application, when this server is to serve it. */
  readonly web: string | undefined;
  readonly logLevel: string;
  /** Folder of the log; without it the log goes to standard output. */
  readonly logFolder: string | undefined;
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
  const { DATABASE_URL, FENNOT_PORT, FENNOT_EMPTY, FENNOT_WEB, FENNOT_LOG, FENNOT_SCALES, LOG_LEVEL } =
    parsed.data;
  return {
    databaseUrl: DATABASE_URL,
    port: FENNOT_PORT,
    empty: FENNOT_EMPTY,
    web: FENNOT_WEB,
    logLevel: LOG_LEVEL,
    logFolder: FENNOT_LOG,
    scales: readAddresses(FENNOT_SCALES),
  };
}
