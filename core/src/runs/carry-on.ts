import {
  isRing,
  type Link,
  type Pass,
  reverseTrail,
  ringFrom,
  type Trail,
  trailEnd,
  trailStart,
} from './trails.ts';

/**
 * Puts two phases of work one after the other and lets the yarn of the earlier phase's last trail carry
 * on into the later phase's first, where the two can meet. Only one yarn can span the change of phase
 * (all others are cut before it), so this saves two ends or none.
 *
 * It is also the fewest possible: a trail cover with the fewest trails has an end at every odd corner and,
 * in parts without odd corners, at any corner one likes; both are tried here for all trails.
 *
 * @param seen how the earlier phase's corners and links look in the later phase, where folding may have
 *   brought corners together.
 */
export function carryOn<L extends Link>(
  earlier: readonly Trail<L>[],
  later: readonly Trail<L>[],
  seen: { corner(earlier: number): number; link(earlier: L): L },
): Trail<L>[] {
  const translated = (trail: Trail<L>): Trail<L> =>
    trail.map(({ link, forward }): Pass<L> => ({ link: seen.link(link), forward }));
  for (const before of earlier) {
    for (const after of later) {
      const there = stops(after);
      const corner = stops(before).find((own) => there.includes(seen.corner(own)));
      if (corner === undefined) continue;
      const onward = reverseTrail(endingAt(after, seen.corner(corner)));
      return [
        ...earlier.filter((trail) => trail !== before).map(translated),
        [...translated(endingAt(before, corner)), ...onward],
        ...later.filter((trail) => trail !== after),
      ];
    }
  }
  return [...earlier.map(translated), ...later];
}

/** Corners at which a trail can end: its two ends, or any corner of a ring. */
const stops = (trail: Trail): number[] =>
  isRing(trail)
    ? [...new Set(trail.flatMap(({ link }) => [link.from, link.to]))]
    : [trailStart(trail), trailEnd(trail)];

/** The trail turned so that it ends at a corner it can stop at. */
function endingAt<L extends Link>(trail: Trail<L>, corner: number): Trail<L> {
  if (isRing(trail)) return ringFrom(trail, corner) ?? trail;
  return trailEnd(trail) === corner ? trail : reverseTrail(trail);
}
