import { along, distance, type Point, type TaggedSide } from '@fennot/core';

/** A round or square thing on the drawing that a letter must not lie under, mm. */
export interface Obstacle {
  readonly at: Point;
  /** Half its width and height. */
  readonly width: number;
  readonly height: number;
}

/** Shares of a side at which its letter may stand: the middle first, then ever further from it. */
const SHARES = [0.5, 0.4, 0.6, 0.3, 0.7, 0.22, 0.78, 0.14, 0.86] as const;

/** The point at a share of a side's whole way, and how far in the letter is to stand from it. */
function placeAt({ paths, hand }: TaggedSide, share: number, far: number): Point {
  const stretches = paths.flatMap((path) => path.slice(1).map((q, i) => ({ p: path[i] ?? q, q })));
  const whole = stretches.reduce((sum, { p, q }) => sum + distance(p, q), 0);
  let left = whole * share;
  for (const { p, q } of stretches) {
    const length = distance(p, q);
    if (left <= length && length > 0) {
      const on = along(p, q, left / length);
      const by = (hand * far) / length;
      return { x: on.x - (q.y - p.y) * by, y: on.y + (q.x - p.x) * by };
    }
    left -= length;
  }
  return stretches.at(-1)?.q ?? { x: 0, y: 0 };
}

/** How deep a letter of this radius lies under what is in its way, as a share of itself. */
const covered = (at: Point, radius: number, obstacles: readonly Obstacle[]): number =>
  obstacles.reduce((worst, one) => {
    const across = (one.width + radius - Math.abs(one.at.x - at.x)) / radius;
    const up = (one.height + radius - Math.abs(one.at.y - at.y)) / radius;
    return Math.max(worst, Math.min(across, up));
  }, 0);

/**
 * Where the letter of each closing side stands, in the net, mm: on its own side, as near its middle as it can be without
 * lying under a name, a grip or another letter.
 */
export function letterPlaces(
  sides: readonly TaggedSide[],
  obstacles: readonly Obstacle[],
  { radius, far }: { readonly radius: number; readonly far: number },
): Point[] {
  const taken: Obstacle[] = [...obstacles];
  return sides.map((side) => {
    let best = { at: placeAt(side, SHARES[0], far), cost: Number.POSITIVE_INFINITY };
    for (const share of SHARES) {
      const at = placeAt(side, share, far);
      const cost = covered(at, radius, taken);
      if (cost < best.cost) best = { at, cost };
      if (cost === 0) break;
    }
    taken.push({ at: best.at, width: radius, height: radius });
    return best.at;
  });
}
