import { keepSame } from '../document/index.ts';
import type { ReadLot } from './csv.ts';
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

/** A lot with what a file says of it; the rest stays as it is. */
function told(own: Lot, { lot, says }: ReadLot): Lot {
  const said: ReadonlySet<string> = says;
  return { ...own, ...Object.fromEntries(Object.entries(lot).filter(([field]) => said.has(field))) };
}

/** Two amounts of one lot together; what else is said of it is as the second has it. */
const together = (a: Lot, b: Lot): Lot => ({ ...b, full: a.full + b.full, parts: [...a.parts, ...b.parts] });

/** Merges lots into a stash by yarn, colour and dye lot; rows of one key count together. */
export function mergeLots(there: readonly KeptLot[], incoming: readonly ReadLot[], meets: Meets): Merged {
  const kept = new Map<string, KeptLot>();
  for (const one of there) if (!kept.has(lotKey(one.lot))) kept.set(lotKey(one.lot), one);
  const read = new Map<string, ReadLot>();
  for (const one of incoming) {
    const before = read.get(lotKey(one.lot));
    read.set(
      lotKey(one.lot),
      before
        ? { lot: together(before.lot, told(before.lot, one)), says: new Set([...before.says, ...one.says]) }
        : one,
    );
  }
  const fresh: Lot[] = [];
  const changed: { readonly kept: KeptLot; readonly lot: Lot }[] = [];
  let same = 0;
  for (const [key, one] of read) {
    const own = kept.get(key);
    if (!own) {
      fresh.push(one.lot);
      continue;
    }
    const next = meets === 'leave' ? own.lot : met(own.lot, one, meets);
    if (sameLot(own.lot, next)) same++;
    else changed.push({ kept: own, lot: next });
  }
  return { fresh, changed, same };
}

/** What becomes of a lot that is there and of which a file says something. */
function met(own: Lot, one: ReadLot, meets: 'replace' | 'add'): Lot {
  const next = told(own, one);
  return meets === 'add' && one.says.has('full') ? together(own, next) : next;
}

/** Whether two lots say the same. */
export const sameLot = (a: Lot, b: Lot): boolean => keepSame(a, b) === a;
