import { type BagDocument, keepSame } from '../document/index.ts';
import { LIMITS } from '../fields/index.ts';
import { edited, type Move, movesBetween, type Plan, tapedSizes } from '../plan/index.ts';
import { seenVersion, withLessons } from './into-bag.ts';
import { itemName, type KeptItem } from './item.ts';

/** What the library has learnt of something a bag has a copy of. */
export interface Lesson {
  readonly kept: KeptItem;
  readonly name: string;
  /** What is new: `5 more pieces measured`. */
  readonly says: readonly string[];
  /** What it does to the bag's measures, mm; only what moves. */
  readonly moves: readonly Move[];
  /** What it does to the yarn of the whole bag, mm. */
  readonly yarn: number;
  readonly taken: BagDocument;
  readonly left: BagDocument;
}

/** What the library offers a bag: each thing it has learnt more of since the bag's copy was made, or looked at last. */
export function lessonsFor(plan: Plan, library: readonly KeptItem[]): Lesson[] {
  const { document } = plan;
  const copies = [...document.swatches, ...document.motifs];
  return library.flatMap((kept): Lesson[] => {
    if (!copies.some(({ origin }) => origin?.id === kept.id && origin.version < kept.version)) return [];
    const next = edited(document, (doc) => withLessons(doc, kept));
    if (!next.ok) return [];
    const left = seenVersion(document, kept);
    const says = saysOf(document, next.document);
    return [
      {
        kept,
        name: itemName(kept.item),
        says,
        moves: movesBetween(tapedSizes(plan), tapedSizes(next.plan)),
        yarn: next.plan.tally.effort.yarn - plan.tally.effort.yarn,
        taken: next.document,
        left: keepSame(document, left),
      },
    ];
  });
}

/** What one document knows more than another, in words. */
function saysOf(before: BagDocument, after: BagDocument): string[] {
  const many = (doc: BagDocument) => doc.motifs.reduce((sum, { measured }) => sum + measured.length, 0);
  const [pieces, weighed] = [
    many(after) - many(before),
    (after.weighings ?? []).length - (before.weighings ?? []).length,
  ];
  const counted = after.swatches.some((swatch, i) => {
    const old = before.swatches[i];
    const key = (one: typeof swatch | undefined) =>
      JSON.stringify([one?.stitches, one?.rows, one?.blocked, one?.rowEnds]);
    return key(swatch) !== key(old);
  });
  return [
    ...(pieces > 0 ? [`${pieces} more ${pieces === 1 ? 'piece' : 'pieces'} measured`] : []),
    ...(counted ? ['the swatch counted anew'] : []),
    ...(weighed > 0 ? [`${weighed} more ${weighed === 1 ? 'weighing' : 'weighings'}`] : []),
    ...(weighed > 0 && after.weighings?.length === LIMITS.weighings
      ? [`more than ${LIMITS.weighings} weighings are not kept in one bag`]
      : []),
  ];
}
