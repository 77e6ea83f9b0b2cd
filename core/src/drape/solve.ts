import type { Cloth } from './cloth.ts';

/** What acts on the fabric during one frame. */
export interface Acting {
  /** Share of its first gap a closing seam may still keep, 1 to 0. */
  readonly gap: number;
  /** Push of the filling outwards, per unit of area. */
  readonly pressure: number;
  /** Loss of speed per second. */
  readonly damping: number;
  /** Weight, per unit of mass. */
  readonly gravity: number;
  /** Vertices that carry the weight; the whole rim when there are none. */
  readonly carriers: readonly number[];
  /** Pull towards the middle plane, per unit of mass. */
  readonly flatten: number;
  /** Directions of up and of the front; unit vectors. */
  readonly up: readonly [number, number, number];
  readonly front: readonly [number, number, number];
}

export const FRAME = 1 / 60;
const SUBSTEPS = 10;
/** What is tucked away is drawn inside by this share of the pressure. */
const TUCKED = -0.25;

const at = (list: Float64Array | Int32Array, i: number): number => list[i] ?? 0;

/** Moves the cloth on by one frame: position-based dynamics with compliance, in small substeps. */
export function stepFrame(cloth: Cloth, acting: Acting, scratch: Float64Array): void {
  const h = FRAME / SUBSTEPS;
  for (let k = 0; k < SUBSTEPS; k++) {
    push(cloth, acting, h);
    scratch.set(cloth.position);
    drift(cloth.position, cloth.velocity, h);
    const { position: p, inverseMass: w, stretch, shear, bend, grownBend, flat, closing } = cloth;
    // The order stays as it is: the other way round feeds energy in.
    keepLengths(p, w, stretch, acting.gap, 1 / (h * h));
    keepLengths(p, w, shear, acting.gap, 1 / (h * h));
    straighten(p, w, bend.ends, bend.weights, bend.compliance, 1 / (h * h));
    if (acting.gap === 0)
      straighten(p, w, grownBend.ends, grownBend.weights, grownBend.compliance, 1 / (h * h));
    drawTogether(p, w, flat.ends, flat.share, flat.rest, 0);
    drawTogether(p, w, closing.ends, closing.share, closing.rest, acting.gap);
    settleSpeed(cloth, scratch, h, Math.max(0, 1 - acting.damping * h));
  }
  stopDrift(cloth);
}

function drift(p: Float64Array, v: Float64Array, h: number): void {
  for (let i = 0; i < p.length; i++) p[i] = at(p, i) + h * at(v, i);
}

function settleSpeed(
  { position: p, velocity: v }: Cloth,
  before: Float64Array,
  h: number,
  keep: number,
): void {
  for (let i = 0; i < p.length; i++) v[i] = (keep * (at(p, i) - at(before, i))) / h;
}

/** Pressure along the right side of every triangle. */
function inflate(
  { position: p, velocity: v, inverseMass: w }: Cloth,
  triangles: Int32Array,
  impulse: number,
): void {
  const force = impulse / 6;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * at(triangles, t), 3 * at(triangles, t + 1), 3 * at(triangles, t + 2)];
    const [ax, ay, az] = [at(p, a), at(p, a + 1), at(p, a + 2)];
    const [ux, uy, uz] = [at(p, b) - ax, at(p, b + 1) - ay, at(p, b + 2) - az];
    const [sx, sy, sz] = [at(p, c) - ax, at(p, c + 1) - ay, at(p, c + 2) - az];
    const [fx, fy, fz] = [
      (uy * sz - uz * sy) * force,
      (uz * sx - ux * sz) * force,
      (ux * sy - uy * sx) * force,
    ];
    for (const i of [a, b, c]) {
      const own = at(w, i / 3);
      v[i] = at(v, i) + fx * own;
      v[i + 1] = at(v, i + 1) + fy * own;
      v[i + 2] = at(v, i + 2) + fz * own;
    }
  }
}

/** Pressure of the filling, weight with the lift of the rim against it, and the pull to flatness. */
function push(cloth: Cloth, { pressure, gravity, carriers, flatten, up, front }: Acting, h: number): void {
  const { position: p, velocity: v, inverseMass: w, rims, count } = cloth;
  inflate(cloth, cloth.triangles, pressure * h);
  inflate(cloth, cloth.tucked, TUCKED * pressure * h);
  if (gravity === 0 && flatten === 0) return;
  let [mass, cx, cy, cz] = [0, 0, 0, 0];
  for (let i = 0; i < count; i++) {
    const m = 1 / at(w, i);
    mass += m;
    cx += m * at(p, 3 * i);
    cy += m * at(p, 3 * i + 1);
    cz += m * at(p, 3 * i + 2);
  }
  const middle = (cx * front[0] + cy * front[1] + cz * front[2]) / mass;
  for (let i = 0; i < count; i++) {
    const off = at(p, 3 * i) * front[0] + at(p, 3 * i + 1) * front[1] + at(p, 3 * i + 2) * front[2] - middle;
    for (let axis = 0; axis < 3; axis++) {
      const pull = -gravity * (up[axis] ?? 0) - flatten * off * (front[axis] ?? 0);
      v[3 * i + axis] = at(v, 3 * i + axis) + h * pull;
    }
  }
  const held = carriers.length > 0 ? [carriers] : rims;
  const lift =
    (gravity * mass) /
    Math.max(
      1,
      held.reduce((sum, list) => sum + list.length, 0),
    );
  for (const list of held) {
    for (const i of list) {
      // A light vertex would be shot off: the lift is shared by what hangs on it.
      const own = Math.min(at(w, i), (4 * count) / mass);
      for (let axis = 0; axis < 3; axis++)
        v[3 * i + axis] = at(v, 3 * i + axis) + h * lift * own * (up[axis] ?? 0);
    }
  }
}

/** @param gap how much of what is to be drawn in has not been yet. */
function keepLengths(
  p: Float64Array,
  w: Float64Array,
  { ends, rest, slack, compliance }: Cloth['stretch'],
  gap: number,
  perStep: number,
): void {
  const alpha = compliance * perStep;
  for (let k = 0; k < rest.length; k++) {
    const [i, j] = [at(ends, 2 * k), at(ends, 2 * k + 1)];
    const [a, b] = [3 * i, 3 * j];
    const [dx, dy, dz] = [at(p, a) - at(p, b), at(p, a + 1) - at(p, b + 1), at(p, a + 2) - at(p, b + 2)];
    const length = Math.sqrt(dx * dx + dy * dy + dz * dz);
    if (length < 1e-12) continue;
    const [wi, wj] = [at(w, i), at(w, j)];
    const move = (at(rest, k) + gap * at(slack, k) - length) / ((wi + wj + alpha) * length);
    p[a] = at(p, a) + wi * move * dx;
    p[a + 1] = at(p, a + 1) + wi * move * dy;
    p[a + 2] = at(p, a + 2) + wi * move * dz;
    p[b] = at(p, b) - wj * move * dx;
    p[b + 1] = at(p, b + 1) - wj * move * dy;
    p[b + 2] = at(p, b + 2) - wj * move * dz;
  }
}

function straighten(
  p: Float64Array,
  w: Float64Array,
  ends: Int32Array,
  weights: Float64Array,
  compliance: Float64Array,
  perStep: number,
): void {
  for (let k = 0; k < compliance.length; k++) {
    const [i, j, l] = [at(ends, 3 * k), at(ends, 3 * k + 1), at(ends, 3 * k + 2)];
    const [ga, gb, gc] = [at(weights, 3 * k), at(weights, 3 * k + 1), at(weights, 3 * k + 2)];
    const [wi, wj, wl] = [at(w, i), at(w, j), at(w, l)];
    const sum = wi * ga * ga + wj * gb * gb + wl * gc * gc + at(compliance, k) * perStep;
    for (let axis = 0; axis < 3; axis++) {
      const [a, b, c] = [3 * i + axis, 3 * j + axis, 3 * l + axis];
      const move = -(ga * at(p, a) + gb * at(p, b) + gc * at(p, c)) / sum;
      p[a] = at(p, a) + wi * ga * move;
      p[b] = at(p, b) + wj * gb * move;
      p[c] = at(p, c) + wl * gc * move;
    }
  }
}

/** Seams pull, and never push: nothing happens while the gap is smaller than it may be. */
function drawTogether(
  p: Float64Array,
  w: Float64Array,
  ends: Int32Array,
  share: Float64Array,
  rest: Float64Array,
  gap: number,
): void {
  for (let k = 0; k < share.length; k++) {
    const [i, j, l] = [at(ends, 3 * k), at(ends, 3 * k + 1), at(ends, 3 * k + 2)];
    const t = at(share, k);
    const [a, b, c] = [3 * i, 3 * j, 3 * l];
    const dx = at(p, a) - (1 - t) * at(p, b) - t * at(p, c);
    const dy = at(p, a + 1) - (1 - t) * at(p, b + 1) - t * at(p, c + 1);
    const dz = at(p, a + 2) - (1 - t) * at(p, b + 2) - t * at(p, c + 2);
    const length = Math.sqrt(dx * dx + dy * dy + dz * dz);
    const most = at(rest, k) * gap;
    if (length <= most || length < 1e-12) continue;
    const [wi, wj, wl] = [at(w, i), at(w, j), at(w, l)];
    const sum = i === j ? 0 : wi + (1 - t) * (1 - t) * wj + t * t * wl;
    if (sum === 0) continue;
    const move = (most - length) / (sum * length);
    p[a] = at(p, a) + wi * move * dx;
    p[a + 1] = at(p, a + 1) + wi * move * dy;
    p[a + 2] = at(p, a + 2) + wi * move * dz;
    p[b] = at(p, b) - wj * (1 - t) * move * dx;
    p[b + 1] = at(p, b + 1) - wj * (1 - t) * move * dy;
    p[b + 2] = at(p, b + 2) - wj * (1 - t) * move * dz;
    if (l === j) continue;
    p[c] = at(p, c) - wl * t * move * dx;
    p[c + 1] = at(p, c + 1) - wl * t * move * dy;
    p[c + 2] = at(p, c + 2) - wl * t * move * dz;
  }
}

/** Takes out the drift and the turning of the whole, which no force on it from outside would give. */
function stopDrift({ position: p, velocity: v, inverseMass: w, count }: Cloth): void {
  let [mass, cx, cy, cz, vx, vy, vz] = [0, 0, 0, 0, 0, 0, 0];
  for (let i = 0; i < count; i++) {
    const m = 1 / at(w, i);
    mass += m;
    cx += m * at(p, 3 * i);
    cy += m * at(p, 3 * i + 1);
    cz += m * at(p, 3 * i + 2);
    vx += m * at(v, 3 * i);
    vy += m * at(v, 3 * i + 1);
    vz += m * at(v, 3 * i + 2);
  }
  [cx, cy, cz, vx, vy, vz] = [cx / mass, cy / mass, cz / mass, vx / mass, vy / mass, vz / mass];
  let [lx, ly, lz, xx, yy, zz, xy, xz, yz] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (let i = 0; i < count; i++) {
    const m = 1 / at(w, i);
    const [x, y, z] = [at(p, 3 * i) - cx, at(p, 3 * i + 1) - cy, at(p, 3 * i + 2) - cz];
    const [a, b, c] = [at(v, 3 * i) - vx, at(v, 3 * i + 1) - vy, at(v, 3 * i + 2) - vz];
    lx += m * (y * c - z * b);
    ly += m * (z * a - x * c);
    lz += m * (x * b - y * a);
    xx += m * (y * y + z * z);
    yy += m * (x * x + z * z);
    zz += m * (x * x + y * y);
    xy -= m * x * y;
    xz -= m * x * z;
    yz -= m * y * z;
  }
  // Angular velocity from the inertia tensor by Cramer's rule.
  const det = xx * (yy * zz - yz * yz) - xy * (xy * zz - yz * xz) + xz * (xy * yz - yy * xz);
  if (Math.abs(det) < 1e-12) return;
  const ox = (lx * (yy * zz - yz * yz) - xy * (ly * zz - yz * lz) + xz * (ly * yz - yy * lz)) / det;
  const oy = (xx * (ly * zz - yz * lz) - lx * (xy * zz - yz * xz) + xz * (xy * lz - ly * xz)) / det;
  const oz = (xx * (yy * lz - ly * yz) - xy * (xy * lz - ly * xz) + lx * (xy * yz - yy * xz)) / det;
  for (let i = 0; i < count; i++) {
    const [x, y, z] = [at(p, 3 * i) - cx, at(p, 3 * i + 1) - cy, at(p, 3 * i + 2) - cz];
    v[3 * i] = at(v, 3 * i) - vx - (oy * z - oz * y);
    v[3 * i + 1] = at(v, 3 * i + 1) - vy - (oz * x - ox * z);
    v[3 * i + 2] = at(v, 3 * i + 2) - vz - (ox * y - oy * x);
  }
}
