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

/** Two strands held together behave about two classes thicker. */
export const heldWeight = (weight: number, strands: number): number =>
  Math.min(7, weight + 2 * Math.round(Math.log2(Math.max(1, strands))));
