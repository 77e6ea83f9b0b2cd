import { along, type Point } from '../../geometry/index.ts';
import { CORNERS, isHalf, type MotifKind } from '../counts.ts';
import { type NumberedRound, sidesOf } from './work-rounds.ts';

/**
 * Where a place of a round lies, by its share of the way round and how far out the round is, in rounds, y up: on the
 * outline of the motif's shape where the round has corners, else on a circle.
 */
export type Form = (share: number, radius: number, cornered: boolean) => Point;

/** Corners of an outline that lies so far out, in the order they are worked. */
type Corners = (radius: number) => readonly Point[];

/**
 * The form of a motif. Halves hang from their straight side and are worked from its left end to its right one.
 *
 * @param high how far out its last round lies, in rounds.
 */
export function formOf(kind: MotifKind, rounds: readonly NumberedRound[], high: number): Form {
  if (isHalf(kind)) {
    const legs: Corners = (radius) => {
      const far = radius * Math.SQRT2;
      return [
        { x: -far, y: 0 },
        { x: 0, y: -far },
        { x: far, y: 0 },
      ];
    };
    return (share, radius, cornered) =>
      cornered && kind === 'triangle'
        ? onWay(legs(radius), share * 2)
        : onCircle(Math.PI + share * Math.PI, radius);
  }
  if (kind === 'rectangle') {
    const apart = high * longer(rounds);
    // From its lower left on, so that a short side comes first.
    const corners: Corners = (radius) => {
      const [wide, tall] = [radius + apart, radius];
      return [
        { x: -wide, y: -tall },
        { x: wide, y: -tall },
        { x: wide, y: tall },
        { x: -wide, y: tall },
      ];
    };
    return (share, radius, cornered) =>
      onRing(corners(radius), cornered ? share * 4 : evenly(share, radius + apart, radius));
  }
  const shape = CORNERS[kind];
  const first = shape === 6 ? (2 * Math.PI) / 3 : (3 * Math.PI) / 4;
  const corners: Corners = (radius) =>
    Array.from({ length: shape }, (_, k) =>
      onCircle(first + (k / shape) * 2 * Math.PI, radius / Math.cos(Math.PI / shape)),
    );
  return (share, radius, cornered) =>
    cornered ? onRing(corners(radius), share * shape) : onCircle(first + share * 2 * Math.PI, radius);
}

/** By how much of its short side a rectangle's long ones are longer, in its last round that has corners. */
function longer(rounds: readonly NumberedRound[]): number {
  const last = rounds.findLast(({ corners }) => corners > 0);
  const sides = last ? sidesOf(last.tops).map(({ stitches }) => stitches) : [];
  const least = Math.min(...sides);
  return least > 0 && sides.length > 0 ? (Math.max(...sides) - least) / least : 0;
}

/** Which side of a rectangle, and how far along it, lies at a share of the way round. */
function evenly(share: number, wide: number, tall: number): number {
  const half = wide + tall;
  const at = (share - Math.floor(share)) * 2 * half;
  const [turn, on] = at < half ? [0, at] : [2, at - half];
  return on < wide ? turn + on / wide : turn + 1 + (on - wide) / tall;
}

const onCircle = (angle: number, radius: number): Point => ({
  x: radius * Math.cos(angle),
  y: radius * Math.sin(angle),
});

/** A place on a closed outline: its side, and what share of it. */
function onRing(corners: readonly Point[], place: number): Point {
  const side = Math.floor(place);
  const corner = (k: number) =>
    corners[((k % corners.length) + corners.length) % corners.length] ?? { x: 0, y: 0 };
  return along(corner(side), corner(side + 1), place - side);
}

/** A place on an open way; what lies beyond its ends goes on straight. */
function onWay(corners: readonly Point[], place: number): Point {
  const side = Math.min(Math.max(Math.floor(place), 0), corners.length - 2);
  const [a, b] = [corners[side], corners[side + 1]];
  return a && b ? along(a, b, place - side) : { x: 0, y: 0 };
}
