import type { BagDocument } from '../document/index.ts';
import type { QuickSize } from '../families/index.ts';
import { NOTHING } from '../geometry/index.ts';

/** A wanted extent and how far off still serves, mm. */
export interface Wanted {
  readonly measure: 'width' | 'height' | 'depth';
  readonly value: number;
  readonly tolerance: number;
}

export const wantedOf = ({ brief }: BagDocument): Wanted[] =>
  (['width', 'height', 'depth'] as const).flatMap((measure) => {
    const target = brief[measure];
    return target ? [{ measure, value: target.value, tolerance: Math.max(3, target.tolerance) }] : [];
  });

/** What a square costs against being off by its tolerance. */
const PER_SQUARE = 0.005;

/** What an edge round costs, likewise. */
export const PER_EDGE_ROUND = 0.01;

/**
 * How far a size is from what is wanted; less is better. Within the tolerances it counts little how far,
 * beyond them much, and between bags that serve alike the one of fewer squares comes first.
 */
export function scoreOf(size: QuickSize, wanted: readonly Wanted[]): number {
  let score = PER_SQUARE * size.squares;
  for (const { measure, value, tolerance } of wanted) {
    const off = Math.abs(size[measure] - value) / tolerance;
    score += 0.25 * off * off;
    if (off > 1 + NOTHING) score += 4 * (off - 1) * (off - 1) + 1;
  }
  return score;
}

/** Whether every wanted extent lies within its tolerance. */
export const reaches = (size: QuickSize, wanted: readonly Wanted[]): boolean =>
  wanted.every(
    ({ measure, value, tolerance }) => Math.abs(size[measure] - value) <= tolerance * (1 + NOTHING),
  );
