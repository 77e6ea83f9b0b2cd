/** One insertion of a join: how many loops it takes of either edge. */
export interface Take {
  readonly a: number;
  readonly b: number;
}

/** How two edges of different counts are taken together. */
export interface Pairing {
  readonly a: number;
  readonly b: number;
  /** Every insertion in order: as many as the shorter edge has loops. */
  readonly takes: readonly Take[];
}

/**
 * Pairs n loops with m so that every loop is used, order is kept, and the extra loops are spread within
 * one of even, half a space away from both corners.
 *
 * With q = floor(long / short) and x = long - q short extra loops, extra number i (from 0) goes to place
 * floor((i + 1/2) short / x): the middles of x equal parts of the edge. Neighbouring places then differ by
 * floor or ceil of short / x, and the first and last parts are half as long.
 */
export function pairLoops(a: number, b: number): Pairing {
  const short = Math.min(a, b);
  const long = Math.max(a, b);
  if (short < 1) return { a, b, takes: [] };
  const usual = Math.floor(long / short);
  const extra = long - usual * short;
  const counts = new Array<number>(short).fill(usual);
  for (let i = 0; i < extra; i++) counts[Math.floor(((i + 0.5) * short) / extra)] = usual + 1;
  return { a, b, takes: counts.map((many) => (a > b ? { a: many, b: 1 } : { a: 1, b: many })) };
}

/** How much longer one fabric is than the other it is eased onto, and whether that shows. */
export interface Ease {
  /** Per cent by which `a` is longer than `b`; negative when shorter. */
  readonly percent: number;
  readonly verdict: 'even' | 'invisible' | 'visible' | 'puckers';
}

/** Ease up to 2 % disappears in the fabric, up to 5 % shows, beyond that the seam puckers. */
const UNSEEN = 2;
const EASED = 5;
/** Per cent that would be told as 0.0. */
const EVEN = 0.05;

/** How much one fabric is eased onto another; lengths in mm. */
export function easeOf(lengthA: number, lengthB: number): Ease {
  const percent = lengthB > 0 ? (100 * (lengthA - lengthB)) / lengthB : 0;
  const size = Math.abs(percent);
  const verdict = size < EVEN ? 'even' : size <= UNSEEN ? 'invisible' : size <= EASED ? 'visible' : 'puckers';
  return { percent, verdict };
}
