import type { StrapKind, Straps } from '../document/strap-schema.ts';
import type { Gauge } from '../gauge/index.ts';

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
  /** How far apart its ends are fixed, mm. */
  readonly apart: number;
  /** Rows, chains or rounds that make its length. */
  readonly count: number;
  readonly counts: 'rows' | 'stitches' | 'chains';
  /** mm of one of them, as worked. */
  readonly unit: number;
  /** Of a panel by its rows: as many as the wanted drop would take. */
  readonly wanted: number | undefined;
  /** Width as worked: stitches, and mm. */
  readonly wide: number;
  readonly width: number;
  readonly front: StrapPlaces | undefined;
  readonly back: StrapPlaces | undefined;
  readonly adjust: Adjusted | undefined;
  /** Stitches and chains of all that are worked, with what lies doubled when they can be made longer. */
  readonly stitches: number;
  readonly chains: number;
}

/** What a strap that can be made longer and shorter comes to. */
export interface Adjusted {
  /** Rows, stitches or chains to work beyond those of the strap itself: what lies doubled at its longest. */
  readonly more: number;
  /** Drops it can be set to, the longest first, mm; of a slide the longest and the shortest. */
  readonly drops: readonly number[];
  /** Where the holes lie, counted from the end of their part. */
  readonly holes: readonly number[];
}

/** The first hole lies so many rows or stitches from the end; with a slide so much lies doubled, mm. */
export const FROM_END = 3;
const AT_SLIDE = 60;
/** A hole that leaves less of a drop (mm) is none. */
const LEAST_DROP = 20;

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

/** The drop to which a strap of this length hangs from two places: the other way round of `hangingLength`. */
export const dropAt = (hanging: number, apart: number): number =>
  Math.sqrt(Math.max(0, (hanging / 2) ** 2 - (apart / 2) ** 2));

/**
 * The settings of an adjustable strap. With holes each next one shortens it by their distance. With a slide the end
 * goes through a ring and back to the slide: drawn all the way up, half of what is worked lies doubled.
 *
 * @param unit mm of one row, stitch or chain, as it hangs.
 */
export function adjusted(
  adjust: NonNullable<Straps['adjust']>,
  hanging: number,
  apart: number,
  unit: number,
): Adjusted {
  if (adjust.by === 'slide') {
    const more = Math.ceil(AT_SLIDE / unit);
    const shortest = (hanging + more * unit) / 2;
    return { more, drops: [dropAt(hanging, apart), dropAt(shortest, apart)], holes: [] };
  }
  const set = (at: number) => dropAt(hanging - (at - FROM_END) * unit, apart);
  const holes = Array.from({ length: adjust.holes }, (_, i) => FROM_END + i * adjust.apart).filter(
    (at) => set(at) >= LEAST_DROP,
  );
  return { more: FROM_END, drops: holes.map(set), holes };
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

/** A panel by its rows as a strap, worked in short rows. */
export interface PanelStrap {
  readonly rows: number;
  /** Of its widest row. */
  readonly wide: number;
  /** mm */
  readonly length: number;
  readonly width: number;
}

/**
 * Works out a strap: as long as it must hang, shorter by what it stretches, in whole rows, stitches or chains.
 *
 * @param size the bag's width, mm, and its rim's loops in front and behind.
 * @param fibre of the strap's yarn.
 * @param panel that is the strap: then it is as long as its rows make it.
 */
export function planStraps(
  straps: Straps,
  gauge: Gauge,
  fibre: string,
  size: { readonly width: number; readonly front: number; readonly back: number },
  panel?: PanelStrap,
): StrapPlan {
  const { hung, adjust } = straps;
  const kind = panel ? 'rows' : straps.kind;
  const wide = panel?.wide ?? straps.wide;
  const stretch = hung ? 100 * (hung.after / hung.before - 1) : usualStretch(kind, fibre);
  const across = straps.many === 2;
  const front = across ? strapPlaces(size.front, wide) : undefined;
  const back = across ? strapPlaces(size.back, wide) : undefined;
  // The ends of a strap of its own lie at the sides, those of a pair so far apart as they are placed.
  const apart = front ? (size.width * (front.between + front.under)) / front.loops : size.width;
  const counts = COUNTS[kind];
  const unit = panel ? panel.length / panel.rows : counts === 'rows' ? gauge.row.value : gauge.pitch.value;
  const wished = hangingLength(straps.drop, apart) / (1 + stretch / 100);
  const worked = panel?.length ?? wished;
  const hanging = worked * (1 + stretch / 100);
  const fitting = Math.max(1, Math.round(wished / unit));
  const length = panel?.rows ?? fitting;
  const doubled = kind === 'doubled' ? 0.5 : 1;
  const widthUnit = kind === 'along' ? gauge.row.value : gauge.pitch.value;
  const settings = adjust && adjusted(adjust, hanging, apart, unit * (1 + stretch / 100));
  const units = straps.many * (length + (settings?.more ?? 0));
  // A chained strap has its rows worked along a chain of its own.
  const chains = counts === 'chains' ? units : 0;
  return {
    hanging,
    worked,
    stretch,
    measured: hung !== undefined,
    apart,
    count: length,
    counts,
    unit,
    wanted: panel && fitting,
    wide,
    width: panel?.width ?? wide * widthUnit * doubled,
    front,
    back,
    adjust: settings,
    chains,
    stitches: counts === 'chains' ? units * (wide - 1) : units * wide,
  };
}
