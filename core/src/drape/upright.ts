import { type BagGraph, bodyRims, type Face, move } from '../bag/index.ts';
import { contains, groupBy, type Point3 } from '../geometry/index.ts';
import type { Cloth } from './cloth.ts';
import type { Mesh } from './mesh.ts';

export type Vector = readonly [number, number, number];

/** Which parts of the mesh are which face of the bag. */
export interface Faces {
  /** Triangles of each face, by the made-up state. */
  readonly faces: ReadonlyMap<Face, readonly number[]>;
  /** Vertices of flap and handles, which do not say where up is. */
  readonly hanging: ReadonlySet<number>;
  /** Vertices of the flap, with their places on the made-up bag as seen from the middle of its mouth, mm. */
  readonly flap: ReadonlyArray<{ readonly vertex: number; readonly place: Point3 }>;
}

/** What is looked at to say where up and front are. */
export type Standing = Pick<Cloth, 'position' | 'inverseMass' | 'rims' | 'count' | 'triangles' | 'unit'>;

export function facesOf(graph: BagGraph, mesh: Mesh): Faces {
  const facets = groupBy(graph.facets, (facet) => facet.piece);
  const owner = new Map<number, Face>();
  const hanging = new Set<number>();
  const flap: Array<{ vertex: number; place: Point3 }> = [];
  const rim = graph.facets.some(({ face }) => face === 'flap') ? (bodyRims(graph)[0] ?? []) : [];
  const mouth = middleOf(rim.map(({ from }) => from));
  for (const { piece, at, points } of mesh.grids) {
    const own = facets.get(piece.id) ?? [];
    at.forEach((vertex, k) => {
      const p = points[k];
      // Of a folded piece each part belongs to its own face.
      const facet = own.length === 1 ? own[0] : own.find(({ outline }) => p && contains(outline, p, 1e-3));
      if (!facet) return;
      owner.set(vertex, facet.face);
      if (facet.face === 'handle' || facet.face === 'flap') hanging.add(vertex);
      if (facet.face !== 'flap' || !p) return;
      const at = move(facet.motion, p);
      flap.push({ vertex, place: { x: at.x - mouth.x, y: at.y - mouth.y, z: at.z - mouth.z } });
    });
  }
  const faces = new Map<Face, number[]>();
  for (let t = 0; t < mesh.holding.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => owner.get(mesh.holding[t + k] ?? -1));
    // What lies across a fold says nothing about either side.
    if (!a || a !== b || b !== c) continue;
    const list = faces.get(a);
    if (list) list.push(t);
    else faces.set(a, [t]);
  }
  return { faces, hanging, flap };
}

export function middleOf(points: readonly Point3[]): Point3 {
  const n = Math.max(1, points.length);
  return points.reduce((sum, p) => ({ x: sum.x + p.x / n, y: sum.y + p.y / n, z: sum.z + p.z / n }), {
    x: 0,
    y: 0,
    z: 0,
  });
}

function normalOf(cloth: Standing, triangles: readonly number[]): Vector {
  const { position: p, triangles: tri } = cloth;
  let [x, y, z] = [0, 0, 0];
  const at = (v: number, axis: number) => p[3 * v + axis] ?? 0;
  for (const t of triangles) {
    const [a, b, c] = [tri[t] ?? 0, tri[t + 1] ?? 0, tri[t + 2] ?? 0];
    const [ux, uy, uz] = [at(b, 0) - at(a, 0), at(b, 1) - at(a, 1), at(b, 2) - at(a, 2)];
    const [sx, sy, sz] = [at(c, 0) - at(a, 0), at(c, 1) - at(a, 1), at(c, 2) - at(a, 2)];
    x += uy * sz - uz * sy;
    y += uz * sx - ux * sz;
    z += ux * sy - uy * sx;
  }
  return [x, y, z];
}

const unitVector = ([x, y, z]: Vector): Vector => {
  const length = Math.hypot(x, y, z) || 1;
  return [x / length, y / length, z / length];
};

/** Up runs from the middle of all to the middle of the mouth; front from the back's normal to the front's. */
export function axesOf(cloth: Standing, { faces, hanging }: Faces): { up: Vector; front: Vector } {
  const { position: p, inverseMass: w, rims, count } = cloth;
  const middle = [0, 0, 0];
  let mass = 0;
  for (let i = 0; i < count; i++) {
    if (hanging.has(i)) continue;
    const m = 1 / (w[i] ?? 1);
    mass += m;
    for (let axis = 0; axis < 3; axis++) middle[axis] = (middle[axis] ?? 0) + m * (p[3 * i + axis] ?? 0);
  }
  const rim = [0, 0, 0];
  const mouth = rims[0] ?? [];
  const onBody = mouth.filter((v) => !hanging.has(v));
  const round = onBody.length > 2 ? onBody : mouth;
  for (const i of round)
    for (let axis = 0; axis < 3; axis++) rim[axis] = (rim[axis] ?? 0) + (p[3 * i + axis] ?? 0) / round.length;
  const up = unitVector([
    (rim[0] ?? 0) - (middle[0] ?? 0) / mass,
    (rim[1] ?? 0) - (middle[1] ?? 0) / mass,
    (rim[2] ?? 0) - (middle[2] ?? 0) / mass,
  ]);
  const [f, b] = [normalOf(cloth, faces.get('front') ?? []), normalOf(cloth, faces.get('back') ?? [])];
  const [dx, dy, dz] = [f[0] - b[0], f[1] - b[1], f[2] - b[2]];
  const lean = dx * up[0] + dy * up[1] + dz * up[2];
  return { up, front: unitVector([dx - lean * up[0], dy - lean * up[1], dz - lean * up[2]]) };
}

/** A rotation as a quaternion x, y, z, w from its rows; Shepperd's method for the largest component. */
function quaternion(r: Vector, u: Vector, f: Vector): [number, number, number, number] {
  const trace = r[0] + u[1] + f[2];
  if (trace > 0) {
    const s = 2 * Math.sqrt(trace + 1);
    return [(f[1] - u[2]) / s, (r[2] - f[0]) / s, (u[0] - r[1]) / s, s / 4];
  }
  if (r[0] > u[1] && r[0] > f[2]) {
    const s = 2 * Math.sqrt(1 + r[0] - u[1] - f[2]);
    return [s / 4, (r[1] + u[0]) / s, (r[2] + f[0]) / s, (f[1] - u[2]) / s];
  }
  if (u[1] > f[2]) {
    const s = 2 * Math.sqrt(1 + u[1] - r[0] - f[2]);
    return [(r[1] + u[0]) / s, s / 4, (u[2] + f[1]) / s, (r[2] - f[0]) / s];
  }
  const s = 2 * Math.sqrt(1 + f[2] - r[0] - u[1]);
  return [(r[2] + f[0]) / s, (u[2] + f[1]) / s, s / 4, (u[0] - r[1]) / s];
}

/** Part of a rotation: from none at 0 to the whole at 1. Its rows. */
function partly(r: Vector, u: Vector, f: Vector, share: number): [Vector, Vector, Vector] {
  const [qx, qy, qz, qw] = quaternion(r, u, f);
  const sign = qw < 0 ? -share : share;
  const mixed = [qx * sign, qy * sign, qz * sign, 1 - share + qw * sign] as const;
  const length = Math.hypot(...mixed) || 1;
  const [x, y, z, w] = [mixed[0] / length, mixed[1] / length, mixed[2] / length, mixed[3] / length];
  return [
    [1 - 2 * (y * y + z * z), 2 * (x * y - z * w), 2 * (x * z + y * w)],
    [2 * (x * y + z * w), 1 - 2 * (x * x + z * z), 2 * (y * z - x * w)],
    [2 * (x * z - y * w), 2 * (y * z + x * w), 1 - 2 * (x * x + y * y)],
  ];
}

export function uprightOf(cloth: Standing, faces: Faces, share: number): Float32Array {
  const axes = axesOf(cloth, faces);
  const across: Vector = [
    axes.up[1] * axes.front[2] - axes.up[2] * axes.front[1],
    axes.up[2] * axes.front[0] - axes.up[0] * axes.front[2],
    axes.up[0] * axes.front[1] - axes.up[1] * axes.front[0],
  ];
  const [right, up, front] = partly(across, axes.up, axes.front, share);
  const { position: p, count, unit } = cloth;
  const turned = new Float32Array(3 * count);
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < count; i++) {
    [right, up, front].forEach((axis, k) => {
      const value =
        unit * (axis[0] * (p[3 * i] ?? 0) + axis[1] * (p[3 * i + 1] ?? 0) + axis[2] * (p[3 * i + 2] ?? 0));
      turned[3 * i + k] = value;
      low[k] = Math.min(low[k] ?? 0, value);
      high[k] = Math.max(high[k] ?? 0, value);
    });
  }
  const shift = [((low[0] ?? 0) + (high[0] ?? 0)) / 2, low[1] ?? 0, ((low[2] ?? 0) + (high[2] ?? 0)) / 2];
  for (let i = 0; i < turned.length; i++) turned[i] = (turned[i] ?? 0) - (shift[i % 3] ?? 0);
  return turned;
}

/** The vertices of the mouth that lie on the body. */
export const mouthOf = ({ rims }: Standing, { hanging }: Faces): number[] =>
  (rims[0] ?? []).filter((i) => !hanging.has(i));
