import { chainLength, type Interval, intervalLength, type Seam, withSeamIds } from '../../bag/index.ts';
import { SAME_PLACE } from '../../geometry/index.ts';

/** The part of an interval between two shares (0..1) of its way. */
const part = (i: Interval, low: number, high: number): Interval => ({
  ...i,
  from: i.from + (i.to - i.from) * low,
  to: i.from + (i.to - i.from) * high,
});

/**
 * Sews two chains of edges together from their starts to their ends: one seam between every two
 * neighbouring corners of either. When the chains differ in length, the difference is spread evenly.
 *
 * @param wayOf how long a part of the first chain is where it is sewn, mm, when it lies eased there.
 */
export function pairChains(
  line: string,
  kind: Seam['kind'],
  a: readonly Interval[],
  b: readonly Interval[],
  wayOf: (interval: Interval) => number = intervalLength,
): Seam[] {
  const [wayA, wayB] = [a.reduce((sum, one) => sum + wayOf(one), 0), chainLength(b)];
  // Nothing is sewn to an edge of no length, or less: joins can take more than a piece has, and such a bag is refused.
  if (!(wayA > 0 && wayB > 0)) return [];
  // Corners of either that lie so near to one another are one: between them nothing is sewn.
  const near = SAME_PLACE / Math.min(wayA, wayB);
  const seams: Omit<Seam, 'id'>[] = [];
  const [queueA, queueB] = [[...a], [...b]];
  // Shares of the whole way at which the current edge of each chain begins.
  let [startA, startB] = [0, 0];
  let at = 0;
  let [headA, headB] = [queueA.shift(), queueB.shift()];
  while (headA && headB) {
    const shareA = wayOf(headA) / wayA;
    const shareB = intervalLength(headB) / wayB;
    const [endA, endB] = [startA + shareA, startB + shareB];
    const next = Math.abs(endA - endB) < near ? endA : Math.min(endA, endB);
    // Of two corners that are one either may lie a hair further on: each edge is sewn from its very start to its very end.
    const [doneA, doneB] = [endA <= next + near, endB <= next + near];
    const lowOf = (start: number, share: number) => (at < start + near ? 0 : (at - start) / share);
    seams.push({
      line,
      kind,
      a: part(headA, lowOf(startA, shareA), doneA ? 1 : (next - startA) / shareA),
      b: part(headB, lowOf(startB, shareB), doneB ? 1 : (next - startB) / shareB),
    });
    at = next;
    if (doneA) [headA, startA] = [queueA.shift(), endA];
    if (doneB) [headB, startB] = [queueB.shift(), endB];
  }
  return withSeamIds(seams);
}
