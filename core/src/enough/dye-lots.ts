import type { Face } from '../bag/index.ts';
import { groupBy } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';
import type { YarnUse } from '../yarn/index.ts';
import type { Basket, BasketLot } from './basket.ts';

/** Where yarn lies in a finished bag, from where it shows least to where it shows most. */
export const SHOWS = ['inside', 'bottom', 'back', 'strap', 'sides', 'inner', 'front', 'edge'] as const;
export type Shows = (typeof SHOWS)[number];

/** What a dye lot goes into. */
export interface LotPlace {
  readonly lot: BasketLot;
  /** From where it shows least; mm of it. */
  readonly places: ReadonlyArray<{ readonly shows: Shows; readonly what: string; readonly length: number }>;
}

const OF_FACE: Readonly<Record<Face, Shows>> = {
  front: 'front',
  back: 'back',
  left: 'sides',
  right: 'sides',
  bottom: 'bottom',
  flap: 'front',
  handle: 'strap',
};

/** Which face a piece is seen on: that of its largest facet that shows most. */
function facesOf({ graph }: Plan): Map<string, Shows> {
  const by = new Map<string, Shows>();
  for (const { piece, face } of graph.facets) {
    const now = OF_FACE[face];
    const before = by.get(piece);
    if (before === undefined || SHOWS.indexOf(now) > SHOWS.indexOf(before)) by.set(piece, now);
  }
  return by;
}

/** Parts of a use, by where they show. */
function shownIn(use: YarnUse, faces: ReadonlyMap<string, Shows>): Array<[Shows, number]> {
  const { part, step } = use;
  switch (part) {
    case 'tails':
    case 'joins':
    case 'swatches':
    case 'ripping':
      return [['inside', 1]];
    case 'edge':
    case 'closure':
      return [['edge', 1]];
    case 'straps':
    case 'cord':
      return [['strap', 1]];
    case 'motifs':
    case 'panels': {
      const by = groupBy(step.pieces, (piece) => faces.get(piece) ?? 'front');
      return [...by].map(([shows, pieces]) => [
        // A heart is seen less than the round that frames it.
        shows === 'front' && use.inner ? 'inner' : shows,
        pieces.length / step.pieces.length,
      ]);
    }
  }
}

/** Some of a use, and where it shows. */
export interface ShownUse {
  readonly shows: Shows;
  readonly what: string;
  /** mm */
  length: number;
}

/** The uses of a yarn by where they show: a use whose pieces lie on several faces is one of each. */
export function shownUses(plan: Plan, yarn: string): ShownUse[] {
  const faces = facesOf(plan);
  return plan.tally.effort.uses
    .filter((use) => use.yarn === yarn)
    .flatMap((use) =>
      shownIn(use, faces).map(([shows, share]) => ({ shows, what: use.what, length: use.length * share })),
    );
}

/**
 * Spreads the dye lots of one yarn over the bag so that as little as can be of other lots shows: the lot that has most goes
 * where it shows most, the smallest where it shows least. One lot that suffices is used alone.
 *
 * @returns nothing where there are not several lots.
 */
export function placedLots(plan: Plan, { yarn, lots }: Basket, high: number): LotPlace[] {
  const known = lots.filter(({ length }) => length !== undefined);
  const byDye = groupBy(known, ({ dyeLot }) => dyeLot);
  if (byDye.size < 2) return [];
  const together = [...byDye.values()]
    .map(
      (own): BasketLot => ({
        lot: own.map(({ lot }) => lot).join(' '),
        dyeLot: own[0]?.dyeLot ?? '',
        grams: own.reduce((sum, { grams }) => sum + grams, 0),
        length: own.reduce((sum, { length = 0 }) => sum + length, 0),
      }),
    )
    .sort((a, b) => (b.length ?? 0) - (a.length ?? 0));
  const open = shownUses(plan, yarn).sort((a, b) => SHOWS.indexOf(b.shows) - SHOWS.indexOf(a.shows));
  const alone = together.findLast(({ length = 0 }) => length >= high);
  const order = alone ? [alone, ...together.filter((one) => one !== alone)] : together;
  return order.map((lot) => {
    let left = lot.length ?? 0;
    const places: { shows: Shows; what: string; length: number }[] = [];
    while (open[0] && left > 0) {
      const length = Math.min(left, open[0].length);
      places.push({ ...open[0], length });
      left -= length;
      open[0].length -= length;
      if (open[0].length <= 1e-6) open.shift();
    }
    return { lot, places: places.reverse() };
  });
}
