import { keepSame } from '../document/index.ts';
import { type KeptLot, type Lot, lotKey } from './lot.ts';

/** What becomes of a lot that is there already: what is read counts, or is added to it, or it is left as it is. */
export const MEETS = ['replace', 'add', 'leave'] as const;
export type Meets = (typeof MEETS)[number];

/** What an import does to a stash. */
export interface Merged {
  readonly fresh: readonly Lot[];
  readonly changed: ReadonlyArray<{ readonly kept: KeptLot; readonly lot: Lot }>;
  /** So many rows changed nothing. */
  readonly same: number;
}

/** Two amounts of one lot together; what is said of it is as the second has it. */
const together = (a: Lot, b: Lot): Lot => ({ ...b, full: a.full + b.full, parts: [...a.parts, ...b.parts] });

/** Merges lots into a stash by yarn, colour and dye lot; rows of one key count together. */
export function mergeLots(there: readonly KeptLot[], incoming: readonly Lot[], meeting: Meets): Merged {
  const kept = new Map<string, KeptLot>();
  for (const one of there) if (!kept.has(lotKey(one.lot))) kept.set(lotKey(one.lot), one);
  const read = new Map<string, Lot>();
  for (const lot of incoming) {
    const before = read.get(lotKey(lot));
    read.set(lotKey(lot), before ? together(before, lot) : lot);
  }
  const fresh: Lot[] = [];
  const changed: { readonly kept: KeptLot; readonly lot: Lot }[] = [];
  let same = 0;
  for (const [key, lot] of read) {
    const own = kept.get(key);
    if (!own) fresh.push(lot);
    else {
      const next = meeting === 'leave' ? own.lot : meeting === 'add' ? together(own.lot, lot) : lot;
      if (sameLot(own.lot, next)) same++;
      else changed.push({ kept: own, lot: next });
    }
  }
  return { fresh, changed, same };
}

/** Whether two lots say the same. */
export const sameLot = (a: Lot, b: Lot): boolean => keepSame(a, b) === a;
