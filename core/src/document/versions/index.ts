import { fromVersion1 } from './from-1.ts';
import type { Raw } from './raw.ts';

export type { Raw } from './raw.ts';

/** The version this code writes. Any addition to the schema raises it. */
export const VERSION = 7;

/** What turns a document of each version into one of the next. Frozen files of every version are read in the tests. */
const UPGRADES: ReadonlyMap<number, (document: Raw) => Raw> = new Map([
  [1, fromVersion1],
  // Versions 3 to 7 only say more.
  [2, (document) => document],
  [3, (document) => document],
  [4, (document) => document],
  [5, (document) => document],
  [6, (document) => document],
]);

/** Brings an unchecked document up to this version, step by step. It is checked only afterwards. */
export function upgraded(document: Raw, version: number): Raw {
  let now = document;
  for (let at = version; at < VERSION; at++) {
    const next = UPGRADES.get(at);
    if (!next) throw new Error(`There is no way from version ${at} to ${at + 1}.`);
    now = { ...next(now), version: at + 1 };
  }
  return now;
}
