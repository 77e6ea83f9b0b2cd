import type { Cloth } from '../cloth/cloth.ts';
import { overTriangle } from '../contact/over-triangle.ts';
import { type Body, back, edgePlaces, outside, pushBody, turned, type Vec, yielding } from './body.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Which nodes and triangles lie near a body. */
export interface NearBody {
  readonly nodes: readonly number[];
  /** Places on its edges, each with a triangle that holds and the shares of its second and third corner. */
  readonly held: ReadonlyArray<{
    readonly place: Vec;
    readonly triangle: number;
    readonly sb: number;
    readonly sc: number;
  }>;
}

/** No step pushes farther apart than this share of a thickness. */
const GENTLE = 0.2;

/** How far a body reaches from its middle. */
export const reachOf = ({ form }: Body): number =>
  form.is === 'box' ? Math.hypot(...form.half) : Math.hypot(form.radius, form.half);

/** Looks what fabric lies near a body now. */
export function nearBody(cloth: Cloth, body: Body, thick: number, spacing: number): NearBody {
  const {
    position: p,
    count,
    membrane: { triangles },
    holding,
  } = cloth;
  const far = reachOf(body) + 2 * spacing;
  const reach = 4 * thick;
  const [x, y, z] = body.at;
  const within = (v: number) =>
    Math.abs(at(p, 3 * v) - x) < far &&
    Math.abs(at(p, 3 * v + 1) - y) < far &&
    Math.abs(at(p, 3 * v + 2) - z) < far;
  const nodes: number[] = [];
  for (let v = 0; v < count; v++) {
    if (!within(v)) continue;
    const local = turned(back(body.turn), [at(p, 3 * v) - x, at(p, 3 * v + 1) - y, at(p, 3 * v + 2) - z]);
    if (outside(body.form, local).off < 3 * thick) nodes.push(v);
  }
  const found = new Float64Array(3);
  const held: Array<NearBody['held'][number]> = [];
  const places = edgePlaces(body.form, spacing);
  const inSpace = Float64Array.from(
    places.flatMap((place) => {
      const [a, b, c] = turned(body.turn, place);
      return [x + a, y + b, z + c];
    }),
  );
  for (let t = 0; t < holding.length; t++) {
    if (nth(holding, t) === 0) continue;
    const [a, b, c] = [nth(triangles, 3 * t), nth(triangles, 3 * t + 1), nth(triangles, 3 * t + 2)];
    if (!within(a)) continue;
    const lowX = Math.min(at(p, 3 * a), at(p, 3 * b), at(p, 3 * c)) - reach;
    const lowY = Math.min(at(p, 3 * a + 1), at(p, 3 * b + 1), at(p, 3 * c + 1)) - reach;
    const lowZ = Math.min(at(p, 3 * a + 2), at(p, 3 * b + 2), at(p, 3 * c + 2)) - reach;
    const highX = Math.max(at(p, 3 * a), at(p, 3 * b), at(p, 3 * c)) + reach;
    const highY = Math.max(at(p, 3 * a + 1), at(p, 3 * b + 1), at(p, 3 * c + 1)) + reach;
    const highZ = Math.max(at(p, 3 * a + 2), at(p, 3 * b + 2), at(p, 3 * c + 2)) + reach;
    places.forEach((place, k) => {
      const px = at(inSpace, 3 * k);
      const py = at(inSpace, 3 * k + 1);
      const pz = at(inSpace, 3 * k + 2);
      if (px < lowX || px > highX || py < lowY || py > highY || pz < lowZ || pz > highZ) return;
      if (overTriangle(p, a, b, c, px, py, pz, reach, found))
        held.push({ place, triangle: t, sb: at(found, 1), sc: at(found, 2) });
    });
  }
  return { nodes, held };
}

/** Keeps the fabric outside a body, by half the thickness of it. */
export function keepOutside(cloth: Cloth, body: Body, { nodes, held }: NearBody, thick: number): void {
  const {
    position: p,
    inverseMass: w,
    membrane: { triangles },
  } = cloth;
  const skin = thick / 2;
  for (const v of nodes) {
    const i = 3 * v;
    const arm: Vec = [at(p, i) - body.at[0], at(p, i + 1) - body.at[1], at(p, i + 2) - body.at[2]];
    const { off, way } = outside(body.form, turned(back(body.turn), arm));
    const short = Math.min(skin - off, GENTLE * thick);
    if (short <= 0) continue;
    const out = turned(body.turn, way);
    const size = short / (at(w, v) + yielding(body, arm, out));
    p[i] = at(p, i) + at(w, v) * size * out[0];
    p[i + 1] = at(p, i + 1) + at(w, v) * size * out[1];
    p[i + 2] = at(p, i + 2) + at(w, v) * size * out[2];
    pushBody(body, arm, out, -size);
  }
  for (const { place, triangle, sb, sc } of held) {
    const arm = turned(body.turn, place);
    const [a, b, c] = [
      nth(triangles, 3 * triangle),
      nth(triangles, 3 * triangle + 1),
      nth(triangles, 3 * triangle + 2),
    ];
    const [ia, ib, ic] = [3 * a, 3 * b, 3 * c];
    const sa = 1 - sb - sc;
    const e: Vec = [at(p, ib) - at(p, ia), at(p, ib + 1) - at(p, ia + 1), at(p, ib + 2) - at(p, ia + 2)];
    const f: Vec = [at(p, ic) - at(p, ia), at(p, ic + 1) - at(p, ia + 1), at(p, ic + 2) - at(p, ia + 2)];
    const n: Vec = [e[1] * f[2] - e[2] * f[1], e[2] * f[0] - e[0] * f[2], e[0] * f[1] - e[1] * f[0]];
    const long = Math.hypot(...n);
    if (long < 1e-12) continue;
    const out: Vec = [n[0] / long, n[1] / long, n[2] / long];
    // The fabric's right side looks out: how far the body stands out of it, with half a thickness.
    let over = skin;
    for (const k of [0, 1, 2] as const)
      over += out[k] * (body.at[k] + arm[k] - sa * at(p, ia + k) - sb * at(p, ib + k) - sc * at(p, ic + k));
    const short = Math.min(over, GENTLE * thick);
    if (short <= 0) continue;
    const [wa, wb, wc] = [at(w, a), at(w, b), at(w, c)];
    const size = short / (wa * sa * sa + wb * sb * sb + wc * sc * sc + yielding(body, arm, out));
    for (const k of [0, 1, 2] as const) {
      p[ia + k] = at(p, ia + k) + wa * sa * size * out[k];
      p[ib + k] = at(p, ib + k) + wb * sb * size * out[k];
      p[ic + k] = at(p, ic + k) + wc * sc * size * out[k];
    }
    pushBody(body, arm, out, -size);
  }
}

/** Keeps a body above the table and the fabric under it. */
export function restBody(body: Body, places: readonly Vec[], height: number, most: number): void {
  for (const place of places) {
    const arm = turned(body.turn, place);
    const short = Math.min(most, height - body.at[1] - arm[1]);
    if (short > 0) pushBody(body, arm, [0, 1, 0], short / yielding(body, arm, [0, 1, 0]));
  }
}

/** Keeps two bodies out of one another: the edges of each out of the other. */
export function partBodies(a: Body, b: Body, edges: readonly Vec[], most: number): void {
  for (const place of edges) {
    const armA = turned(a.turn, place);
    const p: Vec = [a.at[0] + armA[0], a.at[1] + armA[1], a.at[2] + armA[2]];
    const armB: Vec = [p[0] - b.at[0], p[1] - b.at[1], p[2] - b.at[2]];
    const { off, way } = outside(b.form, turned(back(b.turn), armB));
    if (off >= 0) continue;
    const out = turned(b.turn, way);
    const size = Math.min(-off, most) / (yielding(a, armA, out) + yielding(b, armB, out));
    pushBody(a, armA, out, size);
    pushBody(b, armB, out, -size);
  }
}
