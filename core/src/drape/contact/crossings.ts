import { type CellGrid, cellGrid, slotOf, sortInto } from './cell-grid.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** The sides of all triangles, each once, and a grid to sort them into. */
export interface Sides {
  readonly triangles: Int32Array;
  /** Two nodes each. */
  readonly ends: Int32Array;
  /** The third corners of the one or two triangles each belongs to; -1 where there is none. */
  readonly apexes: Int32Array;
  readonly middles: Float64Array;
  readonly grid: CellGrid;
}

/** A side that goes through a triangle. */
export interface Crossing {
  readonly side: number;
  readonly triangle: number;
}

/**
 * @param triangles nodes of every triangle, three numbers each.
 * @param cell about as long as sides are.
 */
export function sidesOf(triangles: Int32Array, cell: number): Sides {
  const seen = new Map<string, { readonly ends: readonly [number, number]; readonly apexes: number[] }>();
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b, apex] = [
        nth(triangles, t + k),
        nth(triangles, t + ((k + 1) % 3)),
        nth(triangles, t + ((k + 2) % 3)),
      ];
      const key = a < b ? `${a}/${b}` : `${b}/${a}`;
      const side = seen.get(key);
      if (side) side.apexes.push(apex);
      else seen.set(key, { ends: [a, b], apexes: [apex] });
    }
  const sides = [...seen.values()];
  return {
    triangles,
    ends: Int32Array.from(sides.flatMap(({ ends }) => ends)),
    apexes: Int32Array.from(sides.flatMap(({ apexes: [a = -1, b = -1] }) => [a, b])),
    middles: new Float64Array(3 * sides.length),
    grid: cellGrid(sides.length, cell),
  };
}

/** Where fabric passes through fabric. */
export function crossings({ triangles, ends, middles, grid }: Sides, p: Float64Array): Crossing[] {
  const { size, starts, points } = grid;
  const many = ends.length / 2;
  let half = 0;
  for (let s = 0; s < many; s++) {
    let square = 0;
    for (let axis = 0; axis < 3; axis++) {
      const [from, to] = [at(p, 3 * nth(ends, 2 * s) + axis), at(p, 3 * nth(ends, 2 * s + 1) + axis)];
      middles[3 * s + axis] = (from + to) / 2;
      square += (to - from) * (to - from);
    }
    half = Math.max(half, square);
  }
  half = Math.sqrt(half) / 2;
  sortInto(grid, middles);
  const slots = starts.length - 1;
  const found: Crossing[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const [c, d, e] = [nth(triangles, t), nth(triangles, t + 1), nth(triangles, t + 2)];
    const lowX = Math.min(at(p, 3 * c), at(p, 3 * d), at(p, 3 * e));
    const lowY = Math.min(at(p, 3 * c + 1), at(p, 3 * d + 1), at(p, 3 * e + 1));
    const lowZ = Math.min(at(p, 3 * c + 2), at(p, 3 * d + 2), at(p, 3 * e + 2));
    const highX = Math.max(at(p, 3 * c), at(p, 3 * d), at(p, 3 * e));
    const highY = Math.max(at(p, 3 * c + 1), at(p, 3 * d + 1), at(p, 3 * e + 1));
    const highZ = Math.max(at(p, 3 * c + 2), at(p, 3 * d + 2), at(p, 3 * e + 2));
    const before = found.length;
    const lastX = Math.floor((highX + half) / size);
    const lastY = Math.floor((highY + half) / size);
    const lastZ = Math.floor((highZ + half) / size);
    for (let i = Math.floor((lowX - half) / size); i <= lastX; i++)
      for (let j = Math.floor((lowY - half) / size); j <= lastY; j++)
        for (let k = Math.floor((lowZ - half) / size); k <= lastZ; k++) {
          const slot = slotOf(slots, i, j, k);
          const end = nth(starts, slot + 1);
          for (let n = nth(starts, slot); n < end; n++) {
            const s = nth(points, n);
            const [a, b] = [nth(ends, 2 * s), nth(ends, 2 * s + 1)];
            if (a === c || a === d || a === e || b === c || b === d || b === e) continue;
            const [ax, bx] = [at(p, 3 * a), at(p, 3 * b)];
            if (Math.max(ax, bx) < lowX || Math.min(ax, bx) > highX) continue;
            const [ay, by] = [at(p, 3 * a + 1), at(p, 3 * b + 1)];
            if (Math.max(ay, by) < lowY || Math.min(ay, by) > highY) continue;
            const [az, bz] = [at(p, 3 * a + 2), at(p, 3 * b + 2)];
            if (Math.max(az, bz) < lowZ || Math.min(az, bz) > highZ) continue;
            if (!passes(p, a, b, c, d, e)) continue;
            // The same pair may be met in two cells that share a slot.
            let known = false;
            for (let m = before; m < found.length && !known; m++) known = found[m]?.side === s;
            if (!known) found.push({ side: s, triangle: t / 3 });
          }
        }
  }
  return found;
}

/** Six times the volume that four nodes span. */
function volume(p: Float64Array, f: number, g: number, h: number, k: number): number {
  const [x, y, z] = [at(p, 3 * f), at(p, 3 * f + 1), at(p, 3 * f + 2)];
  const [gx, gy, gz] = [at(p, 3 * g) - x, at(p, 3 * g + 1) - y, at(p, 3 * g + 2) - z];
  const [hx, hy, hz] = [at(p, 3 * h) - x, at(p, 3 * h + 1) - y, at(p, 3 * h + 2) - z];
  const [kx, ky, kz] = [at(p, 3 * k) - x, at(p, 3 * k + 1) - y, at(p, 3 * k + 2) - z];
  return gx * (hy * kz - hz * ky) + gy * (hz * kx - hx * kz) + gz * (hx * ky - hy * kx);
}

/** Whether the side a to b goes through the triangle c, d, e: by the signs of the volumes its ends span. */
export function passes(p: Float64Array, a: number, b: number, c: number, d: number, e: number): boolean {
  if (volume(p, c, d, e, a) * volume(p, c, d, e, b) >= 0) return false;
  const x = volume(p, a, b, c, d);
  const y = volume(p, a, b, d, e);
  const z = volume(p, a, b, e, c);
  return (x > 0 && y > 0 && z > 0) || (x < 0 && y < 0 && z < 0);
}
