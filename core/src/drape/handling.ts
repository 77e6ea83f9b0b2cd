import type { Cloth } from './cloth.ts';
import { type Acting, FRAME } from './solve.ts';
import { axesOf, type Faces, middleOf, mouthOf, type Standing, type Vector } from './upright.ts';

/** What can be done to a filled bag: hang it by its straps, press it flat, or fill it again. */
export const HANDLINGS = ['fill', 'lift', 'flatten'] as const;
export type Handling = (typeof HANDLINGS)[number];

/** Longest time one of them takes, seconds. */
export const HANDLED = 2.5;
/** A loaded bag hangs heavier than an empty one stands. */
const LOAD = 7;
const PRESS = 16;

/** Pull of the hand that lays a flap over, per unit of mass and of way. */
const LAY = 90;
/** A flap lies this far in front of where it would lie on a flat front: there is something in the bag. */
const OVER = 0.16;

/** Lays the flap over the opening and down the front, as a hand would. */
export function layFlap(cloth: Cloth, faces: Faces, { up, front, pressure }: Acting): void {
  if (faces.flap.length === 0) return;
  const { position: p, velocity: v, unit } = cloth;
  const middle = middleOf(
    mouthOf(cloth, faces).map((i) => ({ x: p[3 * i] ?? 0, y: p[3 * i + 1] ?? 0, z: p[3 * i + 2] ?? 0 })),
  );
  const across: Vector = [
    up[1] * front[2] - up[2] * front[1],
    up[2] * front[0] - up[0] * front[2],
    up[0] * front[1] - up[1] * front[0],
  ];
  for (const { vertex, place } of faces.flap) {
    const [x, y] = [place.x / unit, place.y / unit];
    const z = place.z / unit + (pressure > 0 ? Math.min(OVER, Math.max(0, -y)) : 0);
    const origin = [middle.x, middle.y, middle.z];
    for (let axis = 0; axis < 3; axis++) {
      const wanted =
        (origin[axis] ?? 0) + x * (across[axis] ?? 0) + y * (up[axis] ?? 0) + z * (front[axis] ?? 0);
      const k = 3 * vertex + axis;
      v[k] = (v[k] ?? 0) + FRAME * LAY * (wanted - (p[k] ?? 0));
    }
  }
}

/** What acts while the bag is handled: as when it was filled, but for what the hand does. */
export function handledActing(
  filling: Acting,
  { as, carriers }: { readonly as: Handling; readonly carriers: readonly number[] },
): Acting {
  if (as === 'lift') return { ...filling, gravity: LOAD, carriers };
  if (as === 'flatten') return { ...filling, pressure: 0, flatten: PRESS, damping: 12 };
  return filling;
}

/** Vertices of the mouth where two straps would be fixed: a quarter in from either side, in front and behind. */
export function carriersOf(cloth: Standing, faces: Faces): number[] {
  const { up, front } = axesOf(cloth, faces);
  const across: Vector = [
    up[1] * front[2] - up[2] * front[1],
    up[2] * front[0] - up[0] * front[2],
    up[0] * front[1] - up[1] * front[0],
  ];
  const { position: p } = cloth;
  const along = (i: number, axis: Vector) =>
    (p[3 * i] ?? 0) * axis[0] + (p[3 * i + 1] ?? 0) * axis[1] + (p[3 * i + 2] ?? 0) * axis[2];
  const mouth = mouthOf(cloth, faces).map((i) => ({ i, x: along(i, across), z: along(i, front) }));
  const xs = mouth.map(({ x }) => x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const middle = mouth.reduce((sum, { z }) => sum + z / mouth.length, 0);
  return [0.25, 0.75].flatMap((share) =>
    [1, -1].flatMap((side) =>
      mouth
        .filter(({ z }) => (z - middle) * side >= 0)
        .map((v) => ({ i: v.i, off: Math.abs(v.x - left - share * (right - left)) }))
        .sort((a, b) => a.off - b.off)
        .slice(0, 3)
        .map(({ i }) => i),
    ),
  );
}
