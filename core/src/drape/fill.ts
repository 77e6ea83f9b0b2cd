import { type BagGraph, type Face, measure } from '../bag/index.ts';
import { type Cloth, clothOf } from './cloth.ts';
import { type Mesh, meshOf } from './mesh.ts';
import { type Acting, FRAME, stepFrame } from './solve.ts';

/** Cells along the side of a typical square. */
const CELLS = 6;
/** Beyond this many vertices the grid is made coarser. */
const MOST_VERTICES = 2400;

/** Seconds over which the seams draw together, and the filling comes in. */
export const RAMP = 3;
const PRESSURE = 8;
/**
 * Share of the pressure that acts while the seams draw together. With much less, nets with long arms (handles)
 * can come to rest crumpled.
 */
const EARLY = 0.6;
const FLATTEN = 12;
const GRAVITY = 2;
/** The fill is over when the fastest vertex is slower than this, units a second, or after this long. */
const STILL = 0.06;
const LONGEST = 7;

type Vector = readonly [number, number, number];

/** What can be done to a filled bag: hang it by its straps, press it flat, or fill it again. */
export const HANDLINGS = ['fill', 'lift', 'flatten'] as const;
export type Handling = (typeof HANDLINGS)[number];

/** Longest time one of them takes, seconds. */
const HANDLED = 2.5;
/** A loaded bag hangs heavier than an empty one stands. */
const LOAD = 7;
const PRESS = 60;

/** A bag being filled, a frame at a time. */
export interface Filling {
  readonly mesh: Mesh;
  readonly cloth: Cloth;
  /** Seconds of the cloth's own time. */
  readonly time: number;
  readonly settled: boolean;
  /** Moves on by one frame of 1/60 s. */
  step(): void;
  /** Begins something else with the bag, once it is filled. */
  handle(handling: Handling): void;
  /**
   * Vertices in mm, standing on y = 0: x to the right, y up, z to the front once the bag has come together;
   * before that the net turns from how it lies towards that.
   */
  upright(): Float32Array;
}

/** The length, mm, that the solver counts as 1: a square of a bag three across. */
export function unitOf(graph: BagGraph): number {
  const { width, height, depth } = measure(graph);
  return Math.max(20, (width + height + depth) / 7);
}

/** Begins to fill a bag from its open net. The same bag always fills the same way. */
export function fillBag(graph: BagGraph): Filling {
  const unit = unitOf(graph);
  let spacing = unit / CELLS;
  let mesh = meshOf(graph, spacing);
  while (mesh.count > MOST_VERTICES && spacing < unit) {
    spacing *= 1.25;
    const coarser = meshOf(graph, spacing);
    if (coarser.count === mesh.count) break;
    mesh = coarser;
  }
  const cloth = clothOf(mesh, unit);
  const faces = facesOf(graph, mesh);
  const scratch = new Float64Array(cloth.position.length);
  // A bag as deep as wide has no flat front to be pulled to.
  const size = measure(graph);
  const flatFaced = size.depth < 0.75 * size.width;
  let frame = 0;
  let settled = false;
  let handled:
    | { readonly as: Handling; readonly since: number; readonly carriers: readonly number[] }
    | undefined;
  return {
    mesh,
    cloth,
    get time() {
      return frame * FRAME;
    },
    get settled() {
      return settled;
    },
    step() {
      const filling = actingAt(frame * FRAME, cloth, faces, flatFaced);
      stepFrame(cloth, handled ? handledActing(filling, handled) : filling, scratch);
      frame++;
      const time = frame * FRAME;
      const begun = handled?.since ?? RAMP + 1.4;
      const least = handled ? begun + 0.5 : begun;
      settled = time > (handled ? begun + HANDLED : LONGEST) || (time > least && fastest(cloth) < STILL);
    },
    handle(as) {
      handled = { as, since: frame * FRAME, carriers: as === 'lift' ? carriersOf(cloth, faces) : [] };
      settled = false;
    },
    upright: () => uprightOf(cloth, faces, smooth((frame * FRAME) / RAMP)),
  };
}

const smooth = (t: number) => {
  const x = Math.min(1, Math.max(0, t));
  return x * x * (3 - 2 * x);
};

function actingAt(time: number, cloth: Cloth, faces: Faces, flatFaced: boolean): Acting {
  const full = smooth((time - RAMP) / 0.5);
  const hanging = time > RAMP + 0.4;
  const { up, front } = hanging
    ? axesOf(cloth, faces)
    : { up: [0, 1, 0] as Vector, front: [0, 0, 1] as Vector };
  return {
    gap: 1 - smooth(time / RAMP),
    pressure: PRESSURE * (EARLY + (1 - EARLY) * full),
    damping: time < RAMP ? 3 : 5,
    gravity: hanging ? GRAVITY : 0,
    carriers: [],
    flatten: hanging && flatFaced ? FLATTEN : 0,
    up,
    front,
  };
}

/** What acts while the bag is handled: as when it was filled, but for what the hand does. */
function handledActing(
  filling: Acting,
  { as, carriers }: { readonly as: Handling; readonly carriers: readonly number[] },
): Acting {
  if (as === 'lift') return { ...filling, gravity: LOAD, carriers };
  if (as === 'flatten') return { ...filling, pressure: 0, flatten: PRESS, damping: 12 };
  return filling;
}

/** Vertices of the mouth where two straps would be fixed: a quarter in from either side, in front and behind. */
function carriersOf(cloth: Cloth, faces: Faces): number[] {
  const { up, front } = axesOf(cloth, faces);
  const across: Vector = [
    up[1] * front[2] - up[2] * front[1],
    up[2] * front[0] - up[0] * front[2],
    up[0] * front[1] - up[1] * front[0],
  ];
  const { position: p, rims } = cloth;
  const along = (i: number, axis: Vector) =>
    (p[3 * i] ?? 0) * axis[0] + (p[3 * i + 1] ?? 0) * axis[1] + (p[3 * i + 2] ?? 0) * axis[2];
  const mouth = (rims[0] ?? []).map((i) => ({ i, x: along(i, across), z: along(i, front) }));
  const xs = mouth.map(({ x }) => x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const middle = mouth.reduce((sum, { z }) => sum + z / mouth.length, 0);
  return [0.25, 0.75].flatMap((share) =>
    [1, -1].flatMap((side) =>
      mouth
        .filter(({ z }) => (z - middle) * side >= 0)
        .map((v) => ({ i: v.i, off: Math.abs(v.x - left - share * (right - left)) }))
        .sort((a, b) => a.off - b.off)
        .slice(0, 3)
        .map(({ i }) => i),
    ),
  );
}

interface Faces {
  /** Triangles of each face, by the made-up state. */
  readonly faces: ReadonlyMap<Face, readonly number[]>;
  /** Vertices of flap and handles, which do not say where up is. */
  readonly hanging: ReadonlySet<number>;
}

function facesOf(graph: BagGraph, mesh: Mesh): Faces {
  const most = new Map<string, Face>();
  for (const { piece, face } of graph.facets) if (!most.has(piece)) most.set(piece, face);
  const owner = new Map<number, Face>();
  for (const { piece, at } of mesh.grids) {
    const face = most.get(piece.id);
    // A folded piece belongs to no face alone.
    const folded = graph.facets.filter((facet) => facet.piece === piece.id).length > 1;
    if (face && !folded) for (const vertex of at) owner.set(vertex, face);
  }
  const faces = new Map<Face, number[]>();
  for (let t = 0; t < mesh.triangles.length; t += 3) {
    const face = owner.get(mesh.triangles[t] ?? -1);
    if (!face) continue;
    const list = faces.get(face);
    if (list) list.push(t);
    else faces.set(face, [t]);
  }
  const hanging = new Set<number>();
  for (const { piece, at } of mesh.grids) {
    const face = most.get(piece.id);
    if (face === 'handle' || face === 'flap') for (const vertex of at) hanging.add(vertex);
  }
  return { faces, hanging };
}

function normalOf(cloth: Cloth, triangles: readonly number[]): Vector {
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
function axesOf(cloth: Cloth, { faces, hanging }: Faces): { up: Vector; front: Vector } {
  const { position: p, inverseMass: w, rims, count } = cloth;
  const middle = [0, 0, 0];
  let mass = 0;
  for (let i = 0; i < count; i++) {
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

function uprightOf(cloth: Cloth, faces: Faces, share: number): Float32Array {
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

function fastest({ velocity: v }: Cloth): number {
  let most = 0;
  for (let i = 0; i < v.length; i += 3)
    most = Math.max(most, Math.hypot(v[i] ?? 0, v[i + 1] ?? 0, v[i + 2] ?? 0));
  return most;
}
