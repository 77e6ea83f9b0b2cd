import { slotOf } from './cell-grid.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** The sides of all triangles, each once, and a hashed grid of cells to sort them into. */
export interface Sides {
  readonly triangles: Int32Array;
  /** Two nodes each. */
  readonly ends: Int32Array;
  /** The third corners of the one or two triangles each belongs to; -1 where there is none. */
  readonly apexes: Int32Array;
  readonly cell: number;
  /** Where each slot of the grid begins in `sorted`; one number more than there are slots. */
  readonly starts: Int32Array;
  /** Sides by the slots of the cells they reach into. */
  sorted: Int32Array;
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
    cell,
    starts: new Int32Array(2 ** Math.ceil(Math.log2(4 * sides.length + 64)) + 1),
    sorted: new Int32Array(0),
  };
}

/** The slots of the cells that a side reaches into, one after the other; how many there are. */
function slotsOf(
  { ends, starts }: Sides,
  p: Float64Array,
  cell: number,
  s: number,
  into: Int32Array,
): number {
  const [a, b] = [3 * nth(ends, 2 * s), 3 * nth(ends, 2 * s + 1)];
  const lastX = Math.floor(Math.max(at(p, a), at(p, b)) / cell);
  const lastY = Math.floor(Math.max(at(p, a + 1), at(p, b + 1)) / cell);
  const lastZ = Math.floor(Math.max(at(p, a + 2), at(p, b + 2)) / cell);
  let many = 0;
  for (let i = Math.floor(Math.min(at(p, a), at(p, b)) / cell); i <= lastX; i++)
    for (let j = Math.floor(Math.min(at(p, a + 1), at(p, b + 1)) / cell); j <= lastY; j++)
      for (let k = Math.floor(Math.min(at(p, a + 2), at(p, b + 2)) / cell); k <= lastZ; k++)
        into[many++] = slotOf(starts.length - 1, i, j, k);
  return many;
}

/** No side is longer than so many cells, so it reaches into no more than these. */
const LONGEST = 3;
const reached = new Int32Array((LONGEST + 2) ** 3);

/** The longest side there is now. */
function longestOf({ ends }: Sides, p: Float64Array): number {
  let most = 0;
  for (let s = 0; s < ends.length; s += 2) {
    const [a, b] = [3 * nth(ends, s), 3 * nth(ends, s + 1)];
    const [x, y, z] = [at(p, b) - at(p, a), at(p, b + 1) - at(p, a + 1), at(p, b + 2) - at(p, a + 2)];
    most = Math.max(most, x * x + y * y + z * z);
  }
  return Math.sqrt(most);
}

/** Sorts sides into the cells they reach into now. */
function sortSides(sides: Sides, p: Float64Array, cell: number): void {
  const { ends, starts } = sides;
  const many = ends.length / 2;
  starts.fill(0);
  for (let s = 0; s < many; s++) {
    const cells = slotsOf(sides, p, cell, s, reached);
    for (let n = 0; n < cells; n++) {
      const slot = nth(reached, n);
      starts[slot] = nth(starts, slot) + 1;
    }
  }
  for (let slot = 1; slot < starts.length; slot++) starts[slot] = nth(starts, slot) + nth(starts, slot - 1);
  const all = nth(starts, starts.length - 1);
  if (sides.sorted.length < all) sides.sorted = new Int32Array(2 * all);
  const { sorted } = sides;
  for (let s = 0; s < many; s++) {
    const cells = slotsOf(sides, p, cell, s, reached);
    for (let n = 0; n < cells; n++) {
      const slot = nth(reached, n);
      const place = nth(starts, slot) - 1;
      starts[slot] = place;
      sorted[place] = s;
    }
  }
}

/** Where fabric passes through fabric. */
export function crossings(sides: Sides, p: Float64Array): Crossing[] {
  const cell = Math.max(sides.cell, longestOf(sides, p) / LONGEST);
  sortSides(sides, p, cell);
  const { triangles, ends, starts, sorted } = sides;
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
    const lastX = Math.floor(highX / cell);
    const lastY = Math.floor(highY / cell);
    const lastZ = Math.floor(highZ / cell);
    for (let i = Math.floor(lowX / cell); i <= lastX; i++)
      for (let j = Math.floor(lowY / cell); j <= lastY; j++)
        for (let k = Math.floor(lowZ / cell); k <= lastZ; k++) {
          const slot = slotOf(slots, i, j, k);
          const end = nth(starts, slot + 1);
          for (let n = nth(starts, slot); n < end; n++) {
            const s = nth(sorted, n);
            const a = nth(ends, 2 * s);
            if (a === c || a === d || a === e) continue;
            const b = nth(ends, 2 * s + 1);
            if (b === c || b === d || b === e) continue;
            const az = at(p, 3 * a + 2);
            const bz = at(p, 3 * b + 2);
            if ((az < lowZ && bz < lowZ) || (az > highZ && bz > highZ)) continue;
            const ax = at(p, 3 * a);
            const bx = at(p, 3 * b);
            if ((ax < lowX && bx < lowX) || (ax > highX && bx > highX)) continue;
            const ay = at(p, 3 * a + 1);
            const by = at(p, 3 * b + 1);
            if ((ay < lowY && by < lowY) || (ay > highY && by > highY)) continue;
            if (!passes(p, a, b, c, d, e)) continue;
            // The same pair may be met in more than one cell.
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
  const x = at(p, 3 * f);
  const y = at(p, 3 * f + 1);
  const z = at(p, 3 * f + 2);
  const hx = at(p, 3 * h) - x;
  const hy = at(p, 3 * h + 1) - y;
  const hz = at(p, 3 * h + 2) - z;
  const kx = at(p, 3 * k) - x;
  const ky = at(p, 3 * k + 1) - y;
  const kz = at(p, 3 * k + 2) - z;
  return (
    (at(p, 3 * g) - x) * (hy * kz - hz * ky) +
    (at(p, 3 * g + 1) - y) * (hz * kx - hx * kz) +
    (at(p, 3 * g + 2) - z) * (hx * ky - hy * kx)
  );
}

/** Whether the side a to b goes through the triangle c, d, e: by the signs of the volumes its ends span. */
export function passes(p: Float64Array, a: number, b: number, c: number, d: number, e: number): boolean {
  if (volume(p, c, d, e, a) * volume(p, c, d, e, b) >= 0) return false;
  const x = volume(p, a, b, c, d);
  const y = volume(p, a, b, d, e);
  const z = volume(p, a, b, e, c);
  return (x > 0 && y > 0 && z > 0) || (x < 0 && y < 0 && z < 0);
}
