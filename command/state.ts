import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import type { Home } from './home.ts';
import { lives, type Who } from './processes.ts';

const stateSchema = z.object({
  pid: z.int(),
  started: z.string(),
  is: z.enum(['starting', 'open', 'stopping']),
  url: z.string(),
  port: z.int(),
  /** Whether others than this machine can ask. */
  lan: z.boolean().optional(),
});
/** The server of this folder, as it says of itself. */
export type ServerState = z.infer<typeof stateSchema>;

/** Written so that a reader finds the old state or the new one, whenever it looks. */
export function writeState(home: Home, state: ServerState): void {
  writeFileSync(`${home.server}.new`, JSON.stringify(state), { mode: 0o600 });
  renameSync(`${home.server}.new`, home.server);
}

/** The server of this folder, if it lives. */
export function readState(home: Home): ServerState | undefined {
  try {
    const state = stateSchema.parse(JSON.parse(readFileSync(home.server, 'utf8')));
    const who: Who = { pid: state.pid, started: state.started };
    return lives(who) ? state : undefined;
  } catch {
    return undefined;
  }
}
