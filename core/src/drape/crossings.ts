import { cellGrid, slotOf, sortInto } from './contact/cell-grid.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/**
 * Sides of triangles that go through other triangles: where fabric passes through fabric. Each is given as the side's
 * two nodes and the triangle.
 */
export function crossings(
  p: Float64Array,
  triangles: Int32Array,
  cell: number,
): Array<readonly [number, number, number]> {
  const sides: number[] = [];
  const seen = new Set<string>();
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [nth(triangles, t + k), nth(triangles, t + ((k + 1) % 3))];
      const key = a < b ? `${a}/${b}` : `${b}/${a}`;
      if (!seen.has(key)) sides.push(a, b);
      seen.add(key);
    }
  const middles = Float64Array.from({ length: (sides.length / 2) * 3 }, (_, i) => {
    const [s, axis] = [Math.floor(i / 3), i % 3];
    return (at(p, 3 * (sides[2 * s] ?? 0) + axis) + at(p, 3 * (sides[2 * s + 1] ?? 0) + axis)) / 2;
  });
  let half = 0;
  for (let s = 0; s < sides.length; s += 2)
    half = Math.max(half, apart(p, sides[s] ?? 0, sides[s + 1] ?? 0) / 2);
  // Long sides are not looked for in cells much shorter than they are.
  const size = Math.max(cell, half);
  const grid = cellGrid(sides.length / 2, size);
  sortInto(grid, middles);
  const slots = grid.starts.length - 1;
  const found = new Map<string, readonly [number, number, number]>();
  for (let t = 0; t < triangles.length; t += 3) {
    const own = [nth(triangles, t), nth(triangles, t + 1), nth(triangles, t + 2)];
    const reach = (axis: number, way: 1 | -1) =>
      Math.floor((way * Math.max(...own.map((v) => way * at(p, 3 * v + axis))) + way * half) / size);
    for (let i = reach(0, -1); i <= reach(0, 1); i++)
      for (let j = reach(1, -1); j <= reach(1, 1); j++)
        for (let k = reach(2, -1); k <= reach(2, 1); k++) {
          const slot = slotOf(slots, i, j, k);
          for (let n = nth(grid.starts, slot); n < nth(grid.starts, slot + 1); n++) {
            const s = nth(grid.points, n);
            const [a, b] = [sides[2 * s] ?? 0, sides[2 * s + 1] ?? 0];
            if (own.includes(a) || own.includes(b)) continue;
            if (passes(p, a, b, own)) found.set(`${s}/${t}`, [a, b, t / 3]);
          }
        }
  }
  return [...found.values()];
}

const apart = (p: Float64Array, a: number, b: number) =>
  Math.hypot(
    at(p, 3 * a) - at(p, 3 * b),
    at(p, 3 * a + 1) - at(p, 3 * b + 1),
    at(p, 3 * a + 2) - at(p, 3 * b + 2),
  );

/** Whether the side a to b goes through a triangle: by the signs of the volumes its ends span. */
function passes(p: Float64Array, a: number, b: number, [c = 0, d = 0, e = 0]: readonly number[]): boolean {
  const volume = (f: number, g: number, h: number, k: number) => {
    const on = (v: number, axis: number) => at(p, 3 * v + axis) - at(p, 3 * f + axis);
    return (
      on(g, 0) * (on(h, 1) * on(k, 2) - on(h, 2) * on(k, 1)) +
      on(g, 1) * (on(h, 2) * on(k, 0) - on(h, 0) * on(k, 2)) +
      on(g, 2) * (on(h, 0) * on(k, 1) - on(h, 1) * on(k, 0))
    );
  };
  if (volume(c, d, e, a) * volume(c, d, e, b) >= 0) return false;
  const [x, y, z] = [volume(a, b, c, d), volume(a, b, d, e), volume(a, b, e, c)];
  return (x > 0 && y > 0 && z > 0) || (x < 0 && y < 0 && z < 0);
}
