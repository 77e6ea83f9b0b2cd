import type { Cloth } from './cloth.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Something soft that fills the bag: it pushes outwards, most at the bottom. */
export interface Softness {
  /** Push at the bottom of the bag, per unit of area. */
  readonly push: number;
  /** Share of it that is felt everywhere, however near the mouth. */
  readonly even: number;
  /** The way from the bottom to the mouth: up, or along the table to the back. */
  readonly mouth: 'up' | 'back';
}

/** How far along its way to the mouth something lies: which number of a place tells it, and with which sign. */
export const wayTo = (mouth: Softness['mouth']) =>
  mouth === 'up' ? ({ axis: 1, sign: 1 } as const) : ({ axis: 2, sign: -1 } as const);

/**
 * Adds to the speed of every node what the filling pushes in a step: as a liquid would, more the deeper in the bag, and a
 * part of it alike everywhere.
 *
 * @param low, high where the bottom and the mouth are on the way to the mouth.
 */
export function inflate(
  { position: p, velocity: v, inverseMass: w, membrane: { triangles }, holding }: Cloth,
  { push, even, mouth }: Softness,
  low: number,
  high: number,
  h: number,
): void {
  const deep = Math.max(1e-6, high - low);
  const { axis, sign } = wayTo(mouth);
  for (let t = 0, n = holding.length; t < n; t++) {
    if (nth(holding, t) === 0) continue;
    const a = 3 * nth(triangles, 3 * t);
    const b = 3 * nth(triangles, 3 * t + 1);
    const c = 3 * nth(triangles, 3 * t + 2);
    const ax = at(p, a);
    const ay = at(p, a + 1);
    const az = at(p, a + 2);
    const bx = at(p, b);
    const by = at(p, b + 1);
    const bz = at(p, b + 2);
    const cx = at(p, c);
    const cy = at(p, c + 1);
    const cz = at(p, c + 2);
    const along = (sign * (at(p, a + axis) + at(p, b + axis) + at(p, c + axis))) / 3;
    const below = Math.min(1, Math.max(0, (high - along) / deep));
    const force = (push * (even + (1 - even) * below) * h) / 6;
    const ux = bx - ax;
    const uy = by - ay;
    const uz = bz - az;
    const sx = cx - ax;
    const sy = cy - ay;
    const sz = cz - az;
    const fx = (uy * sz - uz * sy) * force;
    const fy = (uz * sx - ux * sz) * force;
    const fz = (ux * sy - uy * sx) * force;
    const wa = at(w, a / 3);
    const wb = at(w, b / 3);
    const wc = at(w, c / 3);
    v[a] = at(v, a) + fx * wa;
    v[a + 1] = at(v, a + 1) + fy * wa;
    v[a + 2] = at(v, a + 2) + fz * wa;
    v[b] = at(v, b) + fx * wb;
    v[b + 1] = at(v, b + 1) + fy * wb;
    v[b + 2] = at(v, b + 2) + fz * wb;
    v[c] = at(v, c) + fx * wc;
    v[c + 1] = at(v, c + 1) + fy * wc;
    v[c + 2] = at(v, c + 2) + fz * wc;
  }
}
