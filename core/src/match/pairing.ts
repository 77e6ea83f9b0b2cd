/** How two edges of different counts are taken together. */
export interface Pairing {
  readonly a: number;
  readonly b: number;
  /** Insertions of the join: as many as the shorter edge has. */
  readonly insertions: number;
  /** Which edge has more, and so is doubled; `none` when they come out even. */
  readonly doubled: 'a' | 'b' | 'none';
  /**
   * How many loops of the longer edge go with each loop of the shorter one, in order: mostly 1, here and
   * there 2 (or k and k + 1 when one edge has more than k times as many).
   */
  readonly takes: readonly number[];
  /** Loop numbers of the shorter edge, from 1, at which one more than usual is taken. */
  readonly places: readonly number[];
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
  if (short < 1)
    return { a, b, insertions: 0, doubled: a === b ? 'none' : a > b ? 'a' : 'b', takes: [], places: [] };
  const usual = Math.floor(long / short);
  const extra = long - usual * short;
  const takes = new Array<number>(short).fill(usual);
  const places: number[] = [];
  for (let i = 0; i < extra; i++) {
    const place = Math.floor(((i + 0.5) * short) / extra);
    takes[place] = usual + 1;
    places.push(place + 1);
  }
  const doubled = a === b ? 'none' : a > b ? 'a' : 'b';
  return { a, b, insertions: short, doubled, takes, places };
}

/** How much longer one fabric is than the other it is eased onto, and whether that shows. */
export interface Ease {
  /** Per cent by which `a` is longer than `b`; negative when shorter. */
  readonly percent: number;
  readonly verdict: 'even' | 'invisible' | 'visible' | 'puckers';
}

/** Ease up to 2 % disappears in the fabric, up to 5 % shows, beyond that the seam puckers. */
export function easeOf(lengthA: number, lengthB: number): Ease {
  const percent = lengthB > 0 ? (100 * (lengthA - lengthB)) / lengthB : 0;
  const size = Math.abs(percent);
  const verdict = size < 0.05 ? 'even' : size <= 2 ? 'invisible' : size <= 5 ? 'visible' : 'puckers';
  return { percent, verdict };
}
