import { type RoundsRange, roundsAmong } from '../motif/index.ts';
import type { Materials } from './layout/materials.ts';

/** What a search may vary, and how far. */
export interface Ranges {
  readonly motifs: readonly string[];
  /** Swatches a body may be worked in as one panel; none: squares only. */
  readonly panels: readonly string[];
  /** Swatches a strip may be worked in. */
  readonly strips: readonly string[];
  readonly rounds: RoundsRange;
  /** Most squares along one side of a sheet. */
  readonly squares: number;
  /** Most stitches or rows of a worked panel, and the step between tries. */
  readonly stitches: number;
  readonly stitchStep: number;
  /** Most stitches across a strip. */
  readonly strip: number;
}

/** The size of a candidate by its family's closed formula, mm, and the squares it takes. */
export interface QuickSize {
  width: number;
  height: number;
  depth: number;
  squares: number;
}

/**
 * Is shown every candidate's size, and says whether it wants the candidate itself. The object it is given
 * is used again for the next one.
 */
export type Offer = (size: QuickSize) => boolean;

/** Calls back for whole numbers from `from` to `to`. */
export function each(from: number, to: number, visit: (n: number) => void, step = 1): void {
  for (let n = from; n <= to; n += step) visit(n);
}

/** All rounds of those looked through that a motif can have. */
export function eachRounds(
  motif: string,
  rounds: RoundsRange,
  materials: Materials,
  visit: (rounds: number) => void,
): void {
  const { from, to } = roundsAmong(rounds, materials.motifRounds(motif));
  each(from, to, visit);
}
