import { type BagDocument, lengthSchema, type Swatch, swatchOf } from '../../document/index.ts';
import { LIMITS } from '../../fields/index.ts';
import type { Measured } from '../measured.ts';
import type { WorkRecord } from '../record.ts';
import type { Check } from './check.ts';

/** Nobody counts more rows under the tape. */
const MOST_COUNTED = 500;

/** So many over so long, mm. */
export interface Counted {
  readonly count: number;
  readonly length: number;
}

/**
 * The bag with what was measured in it: its sizes rest on it from now on. Tapes of the finished bag change nothing: they are what
 * the plan said, or not.
 *
 * @param before what the plan has of the same piece already, counted when it was shorter.
 */
export function withMeasured(
  document: BagDocument,
  what: Measured,
  mm: number,
  before?: Counted | undefined,
): BagDocument {
  switch (what.of) {
    case 'motif':
      return what.blocked ? withBlocked(document, what, mm) : withMotif(document, what, mm);
    case 'rows':
    case 'stitches':
      return withCount(document, what, mm, before);
    case 'joined': {
      const { motif, rounds, motifs } = what;
      const measuredStrip = { motif, rounds, motifs, length: lengthSchema.parse(mm) };
      return { ...document, joins: { ...document.joins, measuredStrip } };
    }
    case 'tape':
      return document;
  }
}

/** What was counted of the same piece before, when it was shorter: the plan has that in it. */
export function countedBefore({ what }: Pick<Check, 'what'>, { measured }: WorkRecord): Counted | undefined {
  if (what.of !== 'rows') return undefined;
  const before = measured.findLast(({ what: own }) => own.of === 'rows' && own.task === what.task);
  return before?.what.of === 'rows' ? { count: before.what.count, length: before.mm } : undefined;
}

type MotifMeasure = Pick<Extract<Measured, { of: 'motif' }>, 'motif' | 'rounds'>;

/** One more measured motif. Of more than can be kept the latest say how the hand works now. */
const withMotif = (document: BagDocument, { motif, rounds }: MotifMeasure, mm: number): BagDocument => ({
  ...document,
  motifs: document.motifs.map((one) =>
    one.id === motif
      ? {
          ...one,
          measured: [...one.measured, { rounds, size: lengthSchema.parse(mm) }].slice(-LIMITS.measured),
        }
      : one,
  ),
});

/** What a motif came to after blocking stands beside the latest that was measured before it; where none was, it is all that is known. */
function withBlocked(document: BagDocument, { motif, rounds }: MotifMeasure, mm: number): BagDocument {
  const blocked = lengthSchema.parse(mm);
  return {
    ...document,
    motifs: document.motifs.map((one) => {
      if (one.id !== motif) return one;
      const at = one.measured.findLastIndex((own) => own.rounds === rounds && own.hook === undefined);
      if (at < 0)
        return {
          ...one,
          measured: [...one.measured, { rounds, size: blocked, blocked }].slice(-LIMITS.measured),
        };
      return { ...one, measured: one.measured.map((own, i) => (i === at ? { ...own, blocked } : own)) };
    }),
  };
}

/**
 * A count of the swatch that a piece is worked in, with what was counted in the piece itself: both are of one fabric, and say
 * together what each says in part. 20 rows in 110 mm and 10 in 50 mm are 30 in 160. A longer count of a piece takes the place of its
 * shorter one.
 */
function withCount(
  document: BagDocument,
  what: Extract<Measured, { of: 'rows' | 'stitches' }>,
  mm: number,
  before: Counted | undefined,
): BagDocument {
  const swatch = swatchOf(document, what.swatch);
  const pooled = pool(swatch, what.of, { count: what.count, length: mm }, before);
  if (!pooled) return document;
  return {
    ...document,
    swatches: document.swatches.map((one) => (one.id === what.swatch ? { ...one, [what.of]: pooled } : one)),
  };
}

function pool(swatch: Swatch, of: 'rows' | 'stitches', counted: Counted, before: Counted | undefined) {
  // A swatch that was pinned out says how the fabric lies then, and the piece is not pinned out yet.
  if (swatch.blocked || counted.count < 2 || counted.count > MOST_COUNTED) return undefined;
  const known = swatch[of];
  // Counted with another hook it says of this one by guess only.
  const others = known && known.hook === undefined ? without(known, before) : NOTHING_COUNTED;
  const both = { count: others.count + counted.count, length: others.length + counted.length };
  const { count, length } = both.count > MOST_COUNTED ? counted : both;
  return { count, length: lengthSchema.parse(length) };
}

const NOTHING_COUNTED: Counted = { count: 0, length: 0 };

/** A count without what one piece gave to it, where that can still be in it. */
const without = (all: Counted, part: Counted | undefined): Counted =>
  part && part.count <= all.count && part.length <= all.length
    ? part.count === all.count
      ? NOTHING_COUNTED
      : { count: all.count - part.count, length: all.length - part.length }
    : all;
