// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** A point so little outside a triangle, as a share of it, still counts as over it. */
const BESIDE = 0.05;

/**
 * Where a point lies over a triangle: how far off its plane, above zero where the right side looks, and the shares of the
 * second and third corner in the point straight under it.
 *
 * @param a, b, c nodes of the triangle.
 * @param reach farther off than this it does not count.
 * @param out takes the three; written into, as this is asked for very often.
 * @returns whether it lies over the triangle, within reach.
 */
export function overTriangle(
  p: Float64Array,
  a: number,
  b: number,
  c: number,
  x: number,
  y: number,
  z: number,
  reach: number,
  out: Float64Array,
): boolean {
  const ax = at(p, 3 * a);
  const ay = at(p, 3 * a + 1);
  const az = at(p, 3 * a + 2);
  const ex = at(p, 3 * b) - ax;
  const ey = at(p, 3 * b + 1) - ay;
  const ez = at(p, 3 * b + 2) - az;
  const fx = at(p, 3 * c) - ax;
  const fy = at(p, 3 * c + 1) - ay;
  const fz = at(p, 3 * c + 2) - az;
  const nx = ey * fz - ez * fy;
  const ny = ez * fx - ex * fz;
  const nz = ex * fy - ey * fx;
  const square = nx * nx + ny * ny + nz * nz;
  if (square < 1e-16) return false;
  const gx = x - ax;
  const gy = y - ay;
  const gz = z - az;
  const off = (gx * nx + gy * ny + gz * nz) / Math.sqrt(square);
  if (Math.abs(off) > reach) return false;
  const sb = ((gy * fz - gz * fy) * nx + (gz * fx - gx * fz) * ny + (gx * fy - gy * fx) * nz) / square;
  if (sb < -BESIDE || sb > 1 + BESIDE) return false;
  const sc = ((ey * gz - ez * gy) * nx + (ez * gx - ex * gz) * ny + (ex * gy - ey * gx) * nz) / square;
  if (sc < -BESIDE || sb + sc > 1 + BESIDE) return false;
  out[0] = off;
  out[1] = sb;
  out[2] = sc;
  return true;
}
