import { type BagDocument, type Planned, planned } from '@fennot/core';
import QuickLRU from 'quick-lru';

/** So many plans are remembered: the bag as it is, some steps of undo, answers of a search. */
const REMEMBERED = 24;

/** Documents never change, so each needs to be worked out only once. */
const known = new QuickLRU<BagDocument, Planned>({ maxSize: REMEMBERED });

/** The plan of a document, or why it has none. */
export function planFor(document: BagDocument): Planned {
  const before = known.get(document);
  if (before) return before;
  const fresh = planned(document);
  known.set(document, fresh);
  return fresh;
}
