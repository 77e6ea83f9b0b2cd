import { must } from '../geometry/index.ts';

/** A yarn weight class, 0 (lace) to 7 (jumbo), with what is typical for it. A start, never a truth. */
export interface YarnWeight {
  readonly weight: number;
  readonly name: string;
  /** Low stitches to 100 mm. */
  readonly lowStitches: number;
  /** Usual hook, mm. */
  readonly hook: number;
}

export const YARN_WEIGHTS: readonly YarnWeight[] = [
  { weight: 0, name: 'lace', lowStitches: 34, hook: 1.75 },
  { weight: 1, name: 'super fine', lowStitches: 26, hook: 2.5 },
  { weight: 2, name: 'fine', lowStitches: 20, hook: 3.5 },
  { weight: 3, name: 'light', lowStitches: 17, hook: 4 },
  { weight: 4, name: 'medium', lowStitches: 14, hook: 5 },
  { weight: 5, name: 'bulky', lowStitches: 10, hook: 6.5 },
  { weight: 6, name: 'super bulky', lowStitches: 7.5, hook: 9 },
  { weight: 7, name: 'jumbo', lowStitches: 5, hook: 15 },
];

/** Yarn as it goes over the hook: one strand, or several held together. */
export interface HeldYarn {
  /** mm of a low stitch, worked with its usual hook. */
  readonly pitch: number;
  /** Usual hook, mm. */
  readonly hook: number;
  /** The weight class it comes nearest to. */
  readonly weight: YarnWeight;
}

/**
 * So many strands of a weight class held together. Their sections add up, so their thickness grows with the square root
 * of their number; a stitch and the hook it is usually worked with grow as the yarn's thickness does.
 */
export function heldYarn(weight: number, strands: number): HeldYarn {
  const of = (one: YarnWeight) => 100 / one.lowStitches;
  const single = must(YARN_WEIGHTS[weight], 'weight class');
  const thicker = Math.sqrt(strands);
  const pitch = of(single) * thicker;
  const nearest = YARN_WEIGHTS.reduce((best, one) =>
    Math.abs(Math.log(of(one) / pitch)) < Math.abs(Math.log(of(best) / pitch)) ? one : best,
  );
  return { pitch, hook: single.hook * thicker, weight: nearest };
}
