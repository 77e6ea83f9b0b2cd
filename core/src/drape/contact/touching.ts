import type { Sewn } from '../hang/sewn.ts';
import { type CellGrid, cellGrid, slotOf, sortInto } from './cell-grid.ts';
import { isNear, type Near, nearOf, nearWithSewn } from './near.ts';
import { overTriangle } from './over-triangle.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Nodes that lie near triangles of other fabric, and where. */
export interface Touching {
  readonly triangles: Int32Array;
  /** What lies near along the fabric; and with it what is sewn on. */
  readonly fabric: Near;
  readonly near: Near;
  readonly grid: CellGrid;
  /** Fabric is so thick. */
  readonly thick: number;
  /** How far something may have moved since it was last looked at. */
  unseen: number;
  /** How many there are; the lists may be longer. */
  many: number;
  node: Int32Array;
  triangle: Int32Array;
  /** On which side of the triangle the node lies: 1 where its right side looks, or -1. */
  side: Int32Array;
  /** Shares of the triangle's second and third corner in the point that lies nearest. */
  shares: Float64Array;
}

/** Nodes nearer than so many thicknesses are watched. */
const WATCHED = 3;
/** No step pushes farther apart than this share of a thickness: nothing is shot off. */
const GENTLE = 0.2;
/** How fabric rubs on fabric: so much of what it is pressed apart by holds it where it is. */
const RUBS = 0.6;

export function touchingOf(
  count: number,
  triangles: Int32Array,
  sewn: readonly Sewn[],
  thick: number,
  cell: number,
): Touching {
  const room = 4 * count;
  const fabric = nearOf(count, triangles);
  return {
    triangles,
    fabric,
    near: nearWithSewn(fabric, triangles, sewn),
    grid: cellGrid(count, cell),
    thick,
    unseen: Infinity,
    many: 0,
    node: new Int32Array(room),
    triangle: new Int32Array(room),
    side: new Int32Array(room),
    shares: new Float64Array(2 * room),
  };
}

/**
 * Looks which nodes lie near which triangles now; not as long as nothing can have come nearer than a thickness since
 * the last look.
 *
 * @param moved how far the fastest node may have moved since the last call.
 * @returns whether it looked.
 */
export function watch(touching: Touching, p: Float64Array, moved: number): boolean {
  const { triangles, grid, thick } = touching;
  touching.unseen += moved;
  // Two that come towards one another each move.
  if (2 * touching.unseen < (WATCHED - 1) * thick) return false;
  touching.unseen = 0;
  sortInto(grid, p);
  touching.many = 0;
  const { size, starts, points } = grid;
  const slots = starts.length - 1;
  const reach = WATCHED * thick;
  for (let t = 0; t < triangles.length; t += 3) {
    const a = 3 * nth(triangles, t);
    const b = 3 * nth(triangles, t + 1);
    const c = 3 * nth(triangles, t + 2);
    const lowX = Math.floor((Math.min(at(p, a), at(p, b), at(p, c)) - reach) / size);
    const lowY = Math.floor((Math.min(at(p, a + 1), at(p, b + 1), at(p, c + 1)) - reach) / size);
    const lowZ = Math.floor((Math.min(at(p, a + 2), at(p, b + 2), at(p, c + 2)) - reach) / size);
    const highX = Math.floor((Math.max(at(p, a), at(p, b), at(p, c)) + reach) / size);
    const highY = Math.floor((Math.max(at(p, a + 1), at(p, b + 1), at(p, c + 1)) + reach) / size);
    const highZ = Math.floor((Math.max(at(p, a + 2), at(p, b + 2), at(p, c + 2)) + reach) / size);
    for (let i = lowX; i <= highX; i++)
      for (let j = lowY; j <= highY; j++)
        for (let k = lowZ; k <= highZ; k++) {
          const slot = slotOf(slots, i, j, k);
          const end = nth(starts, slot + 1);
          for (let n = nth(starts, slot); n < end; n++) consider(touching, p, nth(points, n), t / 3, reach);
        }
  }
  return true;
}

/** Makes room for twice as many. */
function grow(touching: Touching): void {
  const longer = <T extends Int32Array | Float64Array>(list: T, empty: T): T => {
    empty.set(list);
    return empty;
  };
  const room = 2 * touching.node.length;
  touching.node = longer(touching.node, new Int32Array(room));
  touching.triangle = longer(touching.triangle, new Int32Array(room));
  touching.side = longer(touching.side, new Int32Array(room));
  touching.shares = longer(touching.shares, new Float64Array(2 * room));
}

/** Where a node lies over a triangle, as it was last found. */
const found = new Float64Array(3);

/** Puts a node down beside a triangle, if it lies over it and within reach. */
function consider(touching: Touching, p: Float64Array, v: number, t: number, reach: number): void {
  const { triangles, near } = touching;
  const na = nth(triangles, 3 * t);
  const nb = nth(triangles, 3 * t + 1);
  const nc = nth(triangles, 3 * t + 2);
  if (v === na || v === nb || v === nc) return;
  if (isNear(near, v, na) || isNear(near, v, nb) || isNear(near, v, nc)) return;
  if (!overTriangle(p, na, nb, nc, at(p, 3 * v), at(p, 3 * v + 1), at(p, 3 * v + 2), reach, found)) return;
  // The same pair may be met in two cells that share a slot.
  for (let k = touching.many - 1; k >= 0 && nth(touching.triangle, k) === t; k--)
    if (nth(touching.node, k) === v) return;
  if (touching.many === touching.node.length) grow(touching);
  const k = touching.many++;
  touching.node[k] = v;
  touching.triangle[k] = t;
  touching.side[k] = at(found, 0) < 0 ? -1 : 1;
  touching.shares[2 * k] = Math.min(1, Math.max(0, at(found, 1)));
  touching.shares[2 * k + 1] = Math.min(1 - at(touching.shares, 2 * k), Math.max(0, at(found, 2)));
}

/**
 * Keeps what is watched a thickness apart, on the side it came from, and rubs.
 *
 * @param before positions at the beginning of the step.
 * @param tangled 1 for nodes of what is crossed: that is led out by `untangling.ts`.
 */
export function keepApart(
  touching: Touching,
  p: Float64Array,
  before: Float64Array,
  w: Float64Array,
  tangled: Uint8Array,
): void {
  const { triangles, thick, many, node, triangle, side, shares } = touching;
  for (let k = 0; k < many; k++) {
    const v = nth(node, k);
    const t = nth(triangle, k);
    const na = nth(triangles, 3 * t);
    const nb = nth(triangles, 3 * t + 1);
    const nc = nth(triangles, 3 * t + 2);
    if (tangled[v] === 1 && (tangled[na] === 1 || tangled[nb] === 1 || tangled[nc] === 1)) continue;
    const a = 3 * na;
    const b = 3 * nb;
    const c = 3 * nc;
    const q = 3 * v;
    const sb = at(shares, 2 * k);
    const sc = at(shares, 2 * k + 1);
    const sa = 1 - sb - sc;
    const ex = at(p, b) - at(p, a);
    const ey = at(p, b + 1) - at(p, a + 1);
    const ez = at(p, b + 2) - at(p, a + 2);
    const fx = at(p, c) - at(p, a);
    const fy = at(p, c + 1) - at(p, a + 1);
    const fz = at(p, c + 2) - at(p, a + 2);
    let nx = ey * fz - ez * fy;
    let ny = ez * fx - ex * fz;
    let nz = ex * fy - ey * fx;
    const long = nth(side, k) / Math.max(1e-12, Math.sqrt(nx * nx + ny * ny + nz * nz));
    nx *= long;
    ny *= long;
    nz *= long;
    const gx = at(p, q) - sa * at(p, a) - sb * at(p, b) - sc * at(p, c);
    const gy = at(p, q + 1) - sa * at(p, a + 1) - sb * at(p, b + 1) - sc * at(p, c + 1);
    const gz = at(p, q + 2) - sa * at(p, a + 2) - sb * at(p, b + 2) - sc * at(p, c + 2);
    const short = Math.min(thick - (gx * nx + gy * ny + gz * nz), GENTLE * thick);
    if (short <= 0) continue;
    const wv = at(w, v);
    const wa = at(w, na);
    const wb = at(w, nb);
    const wc = at(w, nc);
    const all = wv + wa * sa * sa + wb * sb * sb + wc * sc * sc;
    if (all === 0) continue;
    // How they have slid along one another in this step, of which friction takes back what it can.
    let dx =
      at(p, q) -
      at(before, q) -
      sa * (at(p, a) - at(before, a)) -
      sb * (at(p, b) - at(before, b)) -
      sc * (at(p, c) - at(before, c));
    let dy =
      at(p, q + 1) -
      at(before, q + 1) -
      sa * (at(p, a + 1) - at(before, a + 1)) -
      sb * (at(p, b + 1) - at(before, b + 1)) -
      sc * (at(p, c + 1) - at(before, c + 1));
    let dz =
      at(p, q + 2) -
      at(before, q + 2) -
      sa * (at(p, a + 2) - at(before, a + 2)) -
      sb * (at(p, b + 2) - at(before, b + 2)) -
      sc * (at(p, c + 2) - at(before, c + 2));
    const into = dx * nx + dy * ny + dz * nz;
    dx -= into * nx;
    dy -= into * ny;
    dz -= into * nz;
    const slid = Math.sqrt(dx * dx + dy * dy + dz * dz);
    const rub = Math.min(1, (RUBS * short) / Math.max(1e-12, slid));
    dx = (short * nx - rub * dx) / all;
    dy = (short * ny - rub * dy) / all;
    dz = (short * nz - rub * dz) / all;
    p[q] = at(p, q) + wv * dx;
    p[q + 1] = at(p, q + 1) + wv * dy;
    p[q + 2] = at(p, q + 2) + wv * dz;
    p[a] = at(p, a) - wa * sa * dx;
    p[a + 1] = at(p, a + 1) - wa * sa * dy;
    p[a + 2] = at(p, a + 2) - wa * sa * dz;
    p[b] = at(p, b) - wb * sb * dx;
    p[b + 1] = at(p, b + 1) - wb * sb * dy;
    p[b + 2] = at(p, b + 2) - wb * sb * dz;
    p[c] = at(p, c) - wc * sc * dx;
    p[c + 1] = at(p, c + 1) - wc * sc * dy;
    p[c + 2] = at(p, c + 2) - wc * sc * dz;
  }
}
