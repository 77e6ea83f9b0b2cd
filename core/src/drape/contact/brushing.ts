import { openSides } from '../cloth/common-sides.ts';
import { isNear, type Near } from './near.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/**
 * Borders of fabric that may cross one another: of a flap and a mouth, of straps. What lies over triangles is seen by
 * its nodes (`touching.ts`); two borders can cross with no node over anything.
 */
export interface Brushing {
  readonly near: Near;
  /** Borders: two nodes each. */
  readonly sides: Int32Array;
  readonly thick: number;
  /** Pairs of borders that are near one another. */
  readonly pairs: Array<{
    readonly one: number;
    readonly other: number;
    /** 1 where the other lies on the side their cross product looks to, or -1. */
    readonly way: number;
  }>;
}

/** Borders nearer than so many thicknesses are watched. */
const WATCHED = 3;
/** Borders this nearly parallel do not cross: the sine of their angle. */
const LEAST_ANGLE = 0.1;
/** A place so little beyond the end of a border still is watched, as a share of it. */
const BEYOND = 0.4;
/** No step pushes farther apart than this share of a thickness. */
const GENTLE = 0.1;

/** @param triangles nodes of every triangle, three numbers each. */
export const brushingOf = (triangles: Int32Array, near: Near, thick: number): Brushing => ({
  near,
  sides: Int32Array.from(openSides(triangles).flat()),
  thick,
  pairs: [],
});

/** How two borders lie to one another: shares along either where they are nearest, the way across, and how far apart. */
interface Crossing {
  readonly s: number;
  readonly t: number;
  readonly n: readonly [number, number, number];
  readonly apart: number;
}

function crossingOf(p: Float64Array, a: number, b: number, c: number, d: number): Crossing | undefined {
  const ex = at(p, 3 * b) - at(p, 3 * a);
  const ey = at(p, 3 * b + 1) - at(p, 3 * a + 1);
  const ez = at(p, 3 * b + 2) - at(p, 3 * a + 2);
  const fx = at(p, 3 * d) - at(p, 3 * c);
  const fy = at(p, 3 * d + 1) - at(p, 3 * c + 1);
  const fz = at(p, 3 * d + 2) - at(p, 3 * c + 2);
  const nx = ey * fz - ez * fy;
  const ny = ez * fx - ex * fz;
  const nz = ex * fy - ey * fx;
  const square = nx * nx + ny * ny + nz * nz;
  const long = (ex * ex + ey * ey + ez * ez) * (fx * fx + fy * fy + fz * fz);
  if (square <= LEAST_ANGLE * LEAST_ANGLE * long) return undefined;
  const gx = at(p, 3 * c) - at(p, 3 * a);
  const gy = at(p, 3 * c + 1) - at(p, 3 * a + 1);
  const gz = at(p, 3 * c + 2) - at(p, 3 * a + 2);
  const root = Math.sqrt(square);
  return {
    s: ((gy * fz - gz * fy) * nx + (gz * fx - gx * fz) * ny + (gx * fy - gy * fx) * nz) / square,
    t: ((gy * ez - gz * ey) * nx + (gz * ex - gx * ez) * ny + (gx * ey - gy * ex) * nz) / square,
    n: [nx / root, ny / root, nz / root],
    apart: (gx * nx + gy * ny + gz * nz) / root,
  };
}

const over = (share: number, beyond: number) => share >= -beyond && share <= 1 + beyond;

/** Looks which borders are near one another now, and on which side. */
export function watchBorders({ near, sides, thick, pairs }: Brushing, p: Float64Array): void {
  pairs.length = 0;
  const many = sides.length / 2;
  const reach = WATCHED * thick;
  for (let i = 0; i < many; i++) {
    const [a, b] = [nth(sides, 2 * i), nth(sides, 2 * i + 1)];
    for (let j = i + 1; j < many; j++) {
      const [c, d] = [nth(sides, 2 * j), nth(sides, 2 * j + 1)];
      if (outOfReach(p, a, b, c, d, reach)) continue;
      if (isNear(near, a, c) || isNear(near, a, d) || isNear(near, b, c) || isNear(near, b, d)) continue;
      if (isNear(near, c, a) || isNear(near, d, a) || isNear(near, c, b) || isNear(near, d, b)) continue;
      const found = crossingOf(p, a, b, c, d);
      if (!found || !over(found.s, BEYOND) || !over(found.t, BEYOND)) continue;
      if (Math.abs(found.apart) > reach) continue;
      pairs.push({ one: i, other: j, way: found.apart < 0 ? -1 : 1 });
    }
  }
}

function outOfReach(p: Float64Array, a: number, b: number, c: number, d: number, reach: number): boolean {
  for (let k = 0; k < 3; k++) {
    const [pa, pb, pc, pd] = [at(p, 3 * a + k), at(p, 3 * b + k), at(p, 3 * c + k), at(p, 3 * d + k)];
    if (Math.min(pa, pb) - reach > Math.max(pc, pd)) return true;
    if (Math.min(pc, pd) - reach > Math.max(pa, pb)) return true;
  }
  return false;
}

/** Keeps borders that cross one another a thickness apart, on the side they came from. */
export function keepBordersApart({ sides, thick, pairs }: Brushing, p: Float64Array, w: Float64Array): void {
  for (const { one, other, way } of pairs) {
    const [a, b] = [nth(sides, 2 * one), nth(sides, 2 * one + 1)];
    const [c, d] = [nth(sides, 2 * other), nth(sides, 2 * other + 1)];
    const found = crossingOf(p, a, b, c, d);
    if (!found || !over(found.s, 0) || !over(found.t, 0)) continue;
    const { s, t, n } = found;
    const short = Math.min(thick - way * found.apart, GENTLE * thick);
    if (short <= 0) continue;
    const shares = [1 - s, s, t - 1, -t];
    const nodes = [a, b, c, d];
    const all = nodes.reduce((sum, v, k) => sum + at(w, v) * (shares[k] ?? 0) ** 2, 0);
    if (all === 0) continue;
    nodes.forEach((v, k) => {
      const by = (-way * short * at(w, v) * (shares[k] ?? 0)) / all;
      for (let axis = 0; axis < 3; axis++) p[3 * v + axis] = at(p, 3 * v + axis) + by * (n[axis] ?? 0);
    });
  }
}
