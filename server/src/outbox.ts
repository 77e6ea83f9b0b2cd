import { randomBytes } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { type Message, messageSchema } from '@fennot/core';

/** So many messages of a maker are kept. */
const KEPT = 200;

/** Stands in for whoever would carry mail: messages lie in a folder, one file each, and are read in the settings. */
export interface Outbox {
  /** Never fails: what a message tells of has happened. */
  send(owner: string, message: Pick<Message, 'title' | 'text'>): Promise<void>;
  /** The latest first. */
  read(owner: string): Promise<Message[]>;
  /** Nothing is left of a maker. */
  forget(owner: string): Promise<void>;
}

/** Nobody carries anything. */
export const NO_OUTBOX: Outbox = {
  send: async () => {},
  read: async () => [],
  forget: async () => {},
};

/** Messages as files in a folder for each maker; owners are ids of ours, never names. */
export function outboxIn(folder: string): Outbox {
  const of = (owner: string) => join(folder, owner);
  const names = async (owner: string) =>
    (await readdir(of(owner)).catch(() => [])).filter((name) => name.endsWith('.json')).sort();
  return {
    send: async (owner, { title, text }) => {
      try {
        await mkdir(of(owner), { recursive: true, mode: 0o700 });
        const at = new Date().toISOString();
        const name = `${at.replaceAll(':', '')}-${randomBytes(4).toString('hex')}`;
        // Whole or not at all.
        const part = join(of(owner), `${name}.part`);
        await writeFile(part, JSON.stringify({ at, title, text } satisfies Message), { mode: 0o600 });
        await rename(part, join(of(owner), `${name}.json`));
        const old = (await names(owner)).slice(0, -KEPT);
        await Promise.all(old.map((one) => rm(join(of(owner), one), { force: true })));
      } catch {
        // A full disk or a folder of another user's: nobody is told, and what was done is done.
      }
    },
    read: async (owner) => {
      const all = await Promise.all(
        (await names(owner)).map((name) =>
          readFile(join(of(owner), name), 'utf8')
            .then((text) => messageSchema.safeParse(JSON.parse(text)))
            .catch(() => undefined),
        ),
      );
      return all.flatMap((read) => (read?.success ? [read.data] : [])).reverse();
    },
    forget: (owner) => rm(of(owner), { recursive: true, force: true }),
  };
}
