import { cross, dot, type Point3, unit } from '../../geometry/index.ts';
import { type Crossing, crossings, passes, type Sides, sidesOf } from './crossings.ts';
import { overTriangle } from './over-triangle.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Fabric that has passed through fabric, and is led back out. */
export interface Tangle {
  readonly sides: Sides;
  readonly thick: number;
  /** Where it passes through now. */
  found: readonly Crossing[];
  /** 1 for nodes of what is crossed: on which side of one another they lie, says nothing. */
  readonly tangled: Uint8Array;
  /** Frames until it is looked for again. */
  wait: number;
}

/** Where nothing was found, it is looked for again after so many frames. */
const EVERY = 4;
/** No step moves farther than this share of a thickness. */
const GENTLE = 0.25;
/** A side that lies flatter in a triangle than this sine is not led along by where it would leave it. */
const LEAST_SINE = 0.01;

/**
 * @param triangles nodes of every triangle, three numbers each.
 * @param cell about as long as their sides are.
 */
export const tangleOf = (count: number, triangles: Int32Array, thick: number, cell: number): Tangle => ({
  sides: sidesOf(triangles, cell),
  thick,
  found: [],
  tangled: new Uint8Array(count),
  wait: 0,
});

/**
 * Looks where fabric passes through fabric now: every frame where it did, else now and then.
 *
 * @returns whether it does, or did until now.
 */
export function lookForTangles(tangle: Tangle, p: Float64Array): boolean {
  if (tangle.wait > 0) {
    tangle.wait--;
    return false;
  }
  const { sides, tangled } = tangle;
  const did = tangle.found.length > 0;
  tangle.found = crossings(sides, p);
  tangle.wait = tangle.found.length > 0 ? 0 : EVERY - 1;
  tangled.fill(0);
  for (const { side, triangle } of tangle.found) {
    for (let k = 0; k < 2; k++) tangled[nth(sides.ends, 2 * side + k)] = 1;
    for (let k = 0; k < 3; k++) tangled[nth(sides.triangles, 3 * triangle + k)] = 1;
  }
  return did || tangle.found.length > 0;
}

const times = (a: Point3, by: number): Point3 => ({ x: by * a.x, y: by * a.y, z: by * a.z });
const plus = (a: Point3, b: Point3): Point3 => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
const from = (p: Float64Array, a: number, b: number): Point3 => ({
  x: at(p, 3 * b) - at(p, 3 * a),
  y: at(p, 3 * b + 1) - at(p, 3 * a + 1),
  z: at(p, 3 * b + 2) - at(p, 3 * a + 2),
});

/** Where a side meets a triangle, as it was last found. */
const where = new Float64Array(3);

/**
 * Moves every side that goes through a triangle the way in which the line along which the two fabrics cross becomes
 * shorter, until there is none: so nothing need be known of which side each came from. With e along the side, n across
 * the triangle, and r from the side along that line into a triangle the side belongs to: where the side is moved by d,
 * it meets the plane at d − (d·n / e·n) e from before, and the line becomes shorter by r·d − (d·n / e·n) (e·r). So it
 * is moved along the sum of r − (e·r / e·n) n over its triangles. Inside flat fabric the two cancel: a line is drawn in
 * from its ends.
 */
export function untangle({ sides, thick, found }: Tangle, p: Float64Array, w: Float64Array): void {
  const { triangles, ends, apexes } = sides;
  for (const { side, triangle } of found) {
    const [a, b] = [nth(ends, 2 * side), nth(ends, 2 * side + 1)];
    const c = nth(triangles, 3 * triangle);
    const d = nth(triangles, 3 * triangle + 1);
    const e = nth(triangles, 3 * triangle + 2);
    if (!passes(p, a, b, c, d, e)) continue;
    const along = unit(from(p, a, b));
    const across = unit(cross(from(p, c, d), from(p, c, e)));
    const slope = dot(along, across);
    let way: Point3 = { x: 0, y: 0, z: 0 };
    for (let k = 0; k < 2; k++) {
      const apex = nth(apexes, 2 * side + k);
      if (apex < 0) continue;
      const inward = from(p, a, apex);
      let line = unit(cross(across, cross(along, inward)));
      if (dot(line, inward) - dot(along, inward) * dot(line, along) < 0) line = times(line, -1);
      way = plus(way, line);
      if (Math.abs(slope) > LEAST_SINE) way = plus(way, times(across, -dot(along, line) / slope));
    }
    const size = Math.hypot(way.x, way.y, way.z);
    if (size < 1e-3) continue;
    const by = times(way, (GENTLE * thick) / Math.max(1, size));
    const height = dot(from(p, c, a), across);
    const s = height / (height - dot(from(p, c, b), across));
    const [x = 0, y = 0, z = 0] = [0, 1, 2].map(
      (axis) => (1 - s) * at(p, 3 * a + axis) + s * at(p, 3 * b + axis),
    );
    if (!overTriangle(p, c, d, e, x, y, z, thick, where)) continue;
    const [sd, se] = [at(where, 1), at(where, 2)];
    // Moved where they cross, the one forwards, the other back: what both weigh together stays where it is.
    const nodes = [a, b, c, d, e];
    const shares = [1 - s, s, sd + se - 1, -sd, -se];
    const all = nodes.reduce((sum, v, k) => sum + at(w, v) * (shares[k] ?? 0) ** 2, 0);
    if (all === 0) continue;
    nodes.forEach((v, k) => {
      const move = (at(w, v) * (shares[k] ?? 0)) / all;
      p[3 * v] = at(p, 3 * v) + move * by.x;
      p[3 * v + 1] = at(p, 3 * v + 1) + move * by.y;
      p[3 * v + 2] = at(p, 3 * v + 2) + move * by.z;
    });
  }
}
