import type { Gauge } from '../gauge/index.ts';
import type { StrapKind, Straps } from './schema.ts';

/** How much a strap of each kind gives under load, as a share, in cotton: until it has hung. */
const GIVES: Record<StrapKind, number> = {
  rows: 0.08,
  along: 0.05,
  tube: 0.06,
  doubled: 0.03,
  chained: 0.12,
  edge: 0.07,
};

/** What the fibre makes of it. */
const FIBRES: ReadonlyArray<readonly [RegExp, number]> = [
  [/jersey/i, 1.6],
  [/acrylic/i, 1.4],
  [/wool/i, 1.2],
  [/linen/i, 0.7],
];

/** Stretch under load by structure and fibre, per cent: an estimate until the maker's own strap has hung. */
export function usualStretch(kind: StrapKind, fibre: string): number {
  const by = FIBRES.find(([word]) => word.test(fibre))?.[1] ?? 1;
  return Math.round(100 * GIVES[kind] * by);
}

/** Where a strap is fixed along the rim of one face, counted in loops from either side. */
export interface StrapPlaces {
  /** Loops of the rim on this face. */
  readonly loops: number;
  /** From each side to the strap's outer edge. */
  readonly fromSide: number;
  /** Under the strap, and between its two ends. */
  readonly under: number;
  readonly between: number;
}

/** A strap to be worked. */
export interface StrapPlan {
  /** From end to end as it hangs loaded, and as it is worked, mm. */
  readonly hanging: number;
  readonly worked: number;
  readonly stretch: number;
  readonly measured: boolean;
  /** Rows, chains or rounds that make its length. */
  readonly count: number;
  readonly counts: 'rows' | 'stitches' | 'chains';
  /** Width as worked, mm. */
  readonly width: number;
  readonly front: StrapPlaces | undefined;
  readonly back: StrapPlaces | undefined;
}

/**
 * Length of a strap that hangs to the wanted drop from two places: two straight halves, 2 √(drop² + (apart / 2)²).
 */
export const hangingLength = (drop: number, apart: number): number => 2 * Math.hypot(drop, apart / 2);

/**
 * Places a strap's two ends on a face by counts from both sides, about a quarter of the face in. The counts are the
 * same on both sides, whatever is left over lies in the middle.
 */
export function strapPlaces(loops: number, wide: number): StrapPlaces | undefined {
  const under = Math.max(1, Math.min(wide, Math.floor((loops - 1) / 2)));
  if (loops < 3) return undefined;
  const quarter = Math.round(loops / 4 - under / 2);
  const fromSide = Math.max(0, Math.min(quarter, Math.floor((loops - 2 * under - 1) / 2)));
  return { loops, fromSide, under, between: loops - 2 * fromSide - 2 * under };
}

/** What a strap along its length is counted in. */
const COUNTS: Record<StrapKind, StrapPlan['counts']> = {
  rows: 'rows',
  along: 'stitches',
  tube: 'rows',
  doubled: 'rows',
  chained: 'chains',
  edge: 'chains',
};

/**
 * Works out a strap: as long as it must hang, shorter by what it stretches, in whole rows, stitches or chains.
 *
 * @param size the bag's width, mm, and its rim's loops in front and behind.
 * @param fibre of the strap's yarn.
 */
export function planStraps(
  straps: Straps,
  gauge: Gauge,
  fibre: string,
  size: { readonly width: number; readonly front: number; readonly back: number },
): StrapPlan {
  const stretch = straps.stretch ?? usualStretch(straps.kind, fibre);
  const across = straps.many === 2;
  const front = across ? strapPlaces(size.front, straps.wide) : undefined;
  const back = across ? strapPlaces(size.back, straps.wide) : undefined;
  // The ends of a strap of its own lie at the sides, those of a pair so far apart as they are placed.
  const apart = front ? (size.width * (front.between + front.under)) / front.loops : size.width;
  const hanging = hangingLength(straps.drop, apart);
  const worked = hanging / (1 + stretch / 100);
  const counts = COUNTS[straps.kind];
  const unit = counts === 'rows' ? gauge.row.value : gauge.pitch.value;
  const doubled = straps.kind === 'doubled' ? 0.5 : 1;
  const widthUnit = straps.kind === 'along' ? gauge.row.value : gauge.pitch.value;
  return {
    hanging,
    worked,
    stretch,
    measured: straps.stretch !== undefined,
    count: Math.max(1, Math.round(worked / unit)),
    counts,
    width: straps.wide * widthUnit * doubled,
    front,
    back,
  };
}
