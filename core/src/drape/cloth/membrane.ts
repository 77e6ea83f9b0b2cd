// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Triangles of fabric with what each is at rest. */
export interface Membrane {
  /** Nodes, three a triangle. */
  readonly triangles: Int32Array;
  /** The inverse of the two sides from the first corner, at rest: four numbers a triangle, row by row. */
  readonly inverse: Float64Array;
  /** At rest. */
  readonly area: Float64Array;
}

/**
 * How hard fabric is to pull longer and to push together, per unit of its width. Pulled it hardly gives; pushed it
 * crinkles within its stitches, finer than any mesh shows: so it carries next to nothing, as in a tension field.
 */
const PULLED = 2e5;
const PUSHED = 40;

/**
 * Brings triangles back towards their rest. Each is looked at in the two directions at right angles in which it is
 * pulled most and least (its principal stretches), so that fabric behaves alike whichever way the mesh lies on it.
 *
 * Position-based with compliance: for C = s - 1 of a principal stretch s = |F d|, with F the deformation gradient and
 * d the direction at rest, the gradient for a corner is its weight in F d times the unit vector of F d.
 *
 * @param h length of the step.
 */
export function keepStretch(
  p: Float64Array,
  w: Float64Array,
  { triangles, inverse, area }: Membrane,
  h: number,
): void {
  const pulled = 1 / (PULLED * h * h);
  const pushed = 1 / (PUSHED * h * h);
  for (let t = 0, m = area.length; t < m; t++) {
    const a = nth(triangles, 3 * t);
    const b = nth(triangles, 3 * t + 1);
    const c = nth(triangles, 3 * t + 2);
    const ia = 3 * a;
    const ib = 3 * b;
    const ic = 3 * c;
    const ax = at(p, ia);
    const ay = at(p, ia + 1);
    const az = at(p, ia + 2);
    const ex = at(p, ib) - ax;
    const ey = at(p, ib + 1) - ay;
    const ez = at(p, ib + 2) - az;
    const fx = at(p, ic) - ax;
    const fy = at(p, ic + 1) - ay;
    const fz = at(p, ic + 2) - az;
    const i00 = at(inverse, 4 * t);
    const i01 = at(inverse, 4 * t + 1);
    const i10 = at(inverse, 4 * t + 2);
    const i11 = at(inverse, 4 * t + 3);
    const ux = ex * i00 + fx * i10;
    const uy = ey * i00 + fy * i10;
    const uz = ez * i00 + fz * i10;
    const vx = ex * i01 + fx * i11;
    const vy = ey * i01 + fy * i11;
    const vz = ez * i01 + fz * i11;
    const uu = ux * ux + uy * uy + uz * uz;
    const vv = vx * vx + vy * vy + vz * vz;
    const uv = ux * vx + uy * vy + uz * vz;
    const mean = (uu + vv) / 2;
    const half = (uu - vv) / 2;
    const r = Math.sqrt(half * half + uv * uv);
    const most = Math.sqrt(mean + r);
    const least = Math.sqrt(Math.max(0, mean - r));
    // Direction of the largest stretch, at rest.
    const even = r < 1e-12;
    const cos = even ? 1 : Math.sqrt(Math.max(0, (1 + half / r) / 2));
    const sin = even ? 0 : (uv < 0 ? -1 : 1) * Math.sqrt(Math.max(0, (1 - half / r) / 2));
    const wa = at(w, a);
    const wb = at(w, b);
    const wc = at(w, c);
    const own = at(area, t);
    for (let k = 0; k < 2; k++) {
      const stretch = k === 0 ? most : least;
      const off = stretch - 1;
      if (stretch < 1e-9) continue;
      const [d0, d1] = k === 0 ? [cos, sin] : [-sin, cos];
      const gb = i00 * d0 + i01 * d1;
      const gc = i10 * d0 + i11 * d1;
      const ga = -gb - gc;
      const compliance = (off > 0 ? pulled : pushed) / own;
      const scale = -off / ((wa * ga * ga + wb * gb * gb + wc * gc * gc + compliance) * stretch);
      const nx = (ux * d0 + vx * d1) * scale;
      const ny = (uy * d0 + vy * d1) * scale;
      const nz = (uz * d0 + vz * d1) * scale;
      const sa = wa * ga;
      const sb = wb * gb;
      const sc = wc * gc;
      p[ia] = at(p, ia) + sa * nx;
      p[ia + 1] = at(p, ia + 1) + sa * ny;
      p[ia + 2] = at(p, ia + 2) + sa * nz;
      p[ib] = at(p, ib) + sb * nx;
      p[ib + 1] = at(p, ib + 1) + sb * ny;
      p[ib + 2] = at(p, ib + 2) + sb * nz;
      p[ic] = at(p, ic) + sc * nx;
      p[ic + 1] = at(p, ic + 1) + sc * ny;
      p[ic + 2] = at(p, ic + 2) + sc * nz;
    }
  }
}

/** The part of a membrane that lies so many triangles round some of its nodes. */
export function partOf(
  { triangles, inverse, area }: Membrane,
  nodes: readonly number[],
  rings: number,
): Membrane {
  const all = Array.from(area, (_, t) => t);
  const corners = (t: number) => triangles.subarray(3 * t, 3 * t + 3);
  const reached = new Set(nodes);
  let near: number[] = [];
  for (let ring = 0; ring < rings; ring++) {
    near = all.filter((t) => corners(t).some((v) => reached.has(v)));
    for (const t of near) for (const v of corners(t)) reached.add(v);
  }
  return {
    triangles: Int32Array.from(near.flatMap((t) => [...corners(t)])),
    inverse: Float64Array.from(near.flatMap((t) => [...inverse.subarray(4 * t, 4 * t + 4)])),
    area: Float64Array.from(near, (t) => area[t] ?? 0),
  };
}
