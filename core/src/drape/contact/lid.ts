import { contains, cross, dot, type Point, type Point3, unit } from '../../geometry/index.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** The mouth as a plane, and what lies over it: what is in the bag fills it up to there, and nothing falls in. */
export interface Lid {
  /** A place of the plane, and its way out of the bag. */
  readonly middle: Point3;
  readonly out: Point3;
  readonly over: readonly number[];
}

/** No step lifts by more than this. */
const GENTLE = 4e-3;

/**
 * Looks which nodes lie over the mouth, or have sunk into it.
 *
 * @param mouth nodes round the opening, in the direction of their triangles.
 * @param hanging nodes that could fall in.
 */
export function lidOf(p: Float64Array, mouth: readonly number[], hanging: readonly number[]): Lid {
  const middle = { x: 0, y: 0, z: 0 };
  for (const v of mouth) {
    middle.x += at(p, 3 * v) / mouth.length;
    middle.y += at(p, 3 * v + 1) / mouth.length;
    middle.z += at(p, 3 * v + 2) / mouth.length;
  }
  const arm = (v: number): Point3 => ({
    x: at(p, 3 * v) - middle.x,
    y: at(p, 3 * v + 1) - middle.y,
    z: at(p, 3 * v + 2) - middle.z,
  });
  const turned = { x: 0, y: 0, z: 0 };
  mouth.forEach((v, i) => {
    // The mouth runs along its triangles: seen from outside, the other way round.
    const { x, y, z } = cross(arm(mouth[(i + 1) % mouth.length] ?? v), arm(v));
    turned.x += x;
    turned.y += y;
    turned.z += z;
  });
  const out = unit(turned);
  // Seen along the way out, across an axis that does not lie along it.
  const e = unit(cross(out, Math.abs(out.x) < 0.9 ? { x: 1, y: 0, z: 0 } : { x: 0, y: 1, z: 0 }));
  const f = cross(out, e);
  const seen = (v: number): Point => ({ x: dot(arm(v), e), y: dot(arm(v), f) });
  const outline = mouth.map(seen);
  return { middle, out, over: hanging.filter((v) => contains(outline, seen(v))) };
}

/** Lifts what has sunk into the mouth. What is in the bag carries it: the fabric feels nothing of it. */
export function holdUp(p: Float64Array, { middle, out, over }: Lid, height: number): void {
  for (const v of over) {
    const [x, y, z] = [at(p, 3 * v), at(p, 3 * v + 1), at(p, 3 * v + 2)];
    const above = (x - middle.x) * out.x + (y - middle.y) * out.y + (z - middle.z) * out.z;
    if (above >= height) continue;
    const by = Math.min(GENTLE, height - above);
    p[3 * v] = x + by * out.x;
    p[3 * v + 1] = y + by * out.y;
    p[3 * v + 2] = z + by * out.z;
  }
}
