import type { Mesh } from './mesh.ts';
import type { PieceGrid } from './piece-grid.ts';
import { restLengths } from './rest-length.ts';

/** Distances between pairs of vertices that the fabric keeps. */
interface Links {
  readonly ends: Int32Array;
  readonly rest: Float64Array;
  /** How much longer each is before anything is drawn in or gathered. */
  readonly slack: Float64Array;
  readonly compliance: number;
}

/** Rows of three vertices that want to lie straight: wa a + wb b + wc c = 0. */
interface Bends {
  readonly ends: Int32Array;
  readonly weights: Float64Array;
  readonly compliance: Float64Array;
}

/** Vertices held onto points between two others, with the gap they may keep. */
interface Holds {
  readonly ends: Int32Array;
  readonly share: Float64Array;
  readonly rest: Float64Array;
}

/** The fabric as points and constraints, in units of `unit` mm. */
export interface Cloth {
  readonly unit: number;
  readonly count: number;
  readonly position: Float64Array;
  readonly velocity: Float64Array;
  readonly inverseMass: Float64Array;
  readonly stretch: Links;
  readonly shear: Links;
  readonly bend: Bends;
  /** Where one piece is grown out of another: straight on, once they have come together. */
  readonly grownBend: Bends;
  /** Flat joins: closed from the start. */
  readonly flat: Holds;
  /** Closing seams: drawn together. */
  readonly closing: Holds;
  /** Corners of the triangles that the filling pushes out, and of those folded away inside. */
  readonly triangles: Int32Array;
  readonly tucked: Int32Array;
  readonly rims: readonly (readonly number[])[];
}

const STRETCH = 1e-6;
const SHEAR = 1e-4;
/** Bending stiffness inside a piece, and across a flat join. */
const STIFF = 1;
const STIFF_JOIN = 0.05;
/** Three vertices whose ends lie nearer than this share of the way between them do not lie in a line. */
const STRAIGHT = 0.99;

const distanceOf = (p: Float64Array, a: number, b: number) =>
  Math.hypot(
    (p[3 * a] ?? 0) - (p[3 * b] ?? 0),
    (p[3 * a + 1] ?? 0) - (p[3 * b + 1] ?? 0),
    (p[3 * a + 2] ?? 0) - (p[3 * b + 2] ?? 0),
  );

/** A repeatable pseudo-random number in -1 .. 1 for each seed. */
function noise(seed: number): number {
  const x = Math.sin(seed * 127.1 + 311.7) * 43758.5453;
  return 2 * (x - Math.floor(x)) - 1;
}

/** Makes fabric out of a mesh: flat at rest, with the small bend that lets it fold the right way. */
export function clothOf(mesh: Mesh, unit: number): Cloth {
  const { count, net } = mesh;
  const position = new Float64Array(3 * count);
  for (let i = 0; i < count; i++) {
    position[3 * i] = (net[2 * i] ?? 0) / unit;
    position[3 * i + 1] = (net[2 * i + 1] ?? 0) / unit;
  }
  const gap = (a: number, b: number) => distanceOf(position, a, b);
  const kept = restLengths(mesh, unit);
  const threads = (compliance: number) => {
    const [ends, rest, slack]: [number[], number[], number[]] = [[], [], []];
    return {
      put(grid: PieceGrid, a: number, b: number) {
        const length = kept(grid, a, b);
        ends.push(a, b);
        rest.push(length);
        slack.push(gap(a, b) - length);
      },
      made: (): Links => ({
        ends: Int32Array.from(ends),
        rest: Float64Array.from(rest),
        slack: Float64Array.from(slack),
        compliance,
      }),
    };
  };
  const stretch = threads(STRETCH);
  const shear = threads(SHEAR);
  const bends = rowsOfThree();
  const grownBends = rowsOfThree();
  const tucked = new Set(mesh.tucked);
  /**
   * Inside a piece: where a drawn-out grid bends round a corner, or fabric is folded away, nothing asks for a straight
   * line.
   */
  const inside = (a: number, b: number, c: number) => {
    if (tucked.has(b)) return;
    const [before, after] = [gap(a, b), gap(b, c)];
    if (gap(a, c) > STRAIGHT * (before + after)) bends.put(a, b, c, before, after, STIFF);
  };
  for (const grid of mesh.grids) {
    const { w, h, at } = grid;
    const vertex = (i: number, j: number) => at[j * w + i] ?? 0;
    for (let j = 0; j < h; j++) {
      for (let i = 0; i < w; i++) {
        if (i + 1 < w) stretch.put(grid, vertex(i, j), vertex(i + 1, j));
        if (j + 1 < h) stretch.put(grid, vertex(i, j), vertex(i, j + 1));
        // What is folded away is creased across its cells.
        const cell = i + 1 < w && j + 1 < h;
        if (cell && ![vertex(i, j), vertex(i + 1, j + 1)].every((v) => tucked.has(v))) {
          shear.put(grid, vertex(i, j), vertex(i + 1, j + 1));
          shear.put(grid, vertex(i + 1, j), vertex(i, j + 1));
        }
        if (i + 2 < w) inside(vertex(i, j), vertex(i + 1, j), vertex(i + 2, j));
        if (j + 2 < h) inside(vertex(i, j), vertex(i, j + 1), vertex(i, j + 2));
      }
    }
  }
  const inward = inwardNeighbours(mesh);
  for (const hold of mesh.holds) {
    if (hold.kind === 'closing' || (hold.kind === 'flat' && hold.b0 !== hold.b1)) continue;
    const b = hold.share < 0.5 ? hold.b0 : hold.b1;
    const [a, c] = [inward.get(hold.a), inward.get(b)];
    if (a === undefined || c === undefined) continue;
    const [before, after] = [gap(a, hold.a), gap(c, b)];
    const rows = hold.kind === 'flat' ? bends : grownBends;
    rows.put(a, hold.a, c, before, after, STIFF_JOIN);
  }

  const mass = massOf(mesh.triangles, position, count);
  const holds = (kind: 'flat' | 'closing'): Holds => {
    // What is grown lies apart in the net and comes together like a closing seam.
    const own = mesh.holds.filter((hold) => (hold.kind === 'flat') === (kind === 'flat'));
    return {
      ends: Int32Array.from(own.flatMap(({ a, b0, b1 }) => [a, b0, b1])),
      share: Float64Array.from(own.map(({ share }) => share)),
      rest: Float64Array.from(
        own.map(({ a, b0, b1, share }) => {
          const at = (axis: number) =>
            (1 - share) * (position[3 * b0 + axis] ?? 0) + share * (position[3 * b1 + axis] ?? 0);
          return kind === 'flat'
            ? 0
            : Math.hypot((position[3 * a] ?? 0) - at(0), (position[3 * a + 1] ?? 0) - at(1));
        }),
      ),
    };
  };
  const closing = holds('closing');
  preBend(position, count, closing);
  return {
    unit,
    count,
    position,
    velocity: new Float64Array(3 * count),
    inverseMass: mass.map((m) => 1 / m),
    stretch: stretch.made(),
    shear: shear.made(),
    bend: bends.made(),
    grownBend: grownBends.made(),
    flat: holds('flat'),
    closing,
    triangles: mesh.holding,
    tucked: mesh.tucked,
    rims: mesh.rims,
  };
}

/** Gathers rows of three vertices that want to lie straight. */
function rowsOfThree() {
  const [ends, weights, compliance]: [number[], number[], number[]] = [[], [], []];
  return {
    /** The middle one lies `before` and `after` away from the others. */
    put(a: number, b: number, c: number, before: number, after: number, stiff: number) {
      const mean = (before + after) / 2;
      ends.push(a, b, c);
      weights.push(mean / before, -(mean / before) - mean / after, mean / after);
      compliance.push((mean * mean) / stiff);
    },
    made: (): Bends => ({
      ends: Int32Array.from(ends),
      weights: Float64Array.from(weights),
      compliance: Float64Array.from(compliance),
    }),
  };
}

/** For each vertex on a piece's border (its corners left out) the neighbour inside the piece. */
function inwardNeighbours({ grids }: Mesh): Map<number, number> {
  const inward = new Map<number, number>();
  for (const { w, h, at } of grids) {
    const put = (i: number, j: number, k: number, l: number) =>
      inward.set(at[j * w + i] ?? 0, at[l * w + k] ?? 0);
    for (let i = 1; i < w - 1; i++) {
      put(i, 0, i, 1);
      put(i, h - 1, i, h - 2);
    }
    for (let j = 1; j < h - 1; j++) {
      put(0, j, 1, j);
      put(w - 1, j, w - 2, j);
    }
  }
  return inward;
}

/** A third of each triangle's area to each corner; density 1. */
function massOf(triangles: Int32Array, p: Float64Array, count: number): Float64Array {
  const mass = new Float64Array(count).fill(1e-6);
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t] ?? 0, triangles[t + 1] ?? 0, triangles[t + 2] ?? 0];
    const ux = (p[3 * b] ?? 0) - (p[3 * a] ?? 0);
    const uy = (p[3 * b + 1] ?? 0) - (p[3 * a + 1] ?? 0);
    const vx = (p[3 * c] ?? 0) - (p[3 * a] ?? 0);
    const vy = (p[3 * c + 1] ?? 0) - (p[3 * a + 1] ?? 0);
    const third = Math.abs(ux * vy - uy * vx) / 6;
    for (const v of [a, b, c]) mass[v] = (mass[v] ?? 0) + third;
  }
  return mass;
}

/**
 * Bends the flat start away from the right side, along the ways its seams must travel: z = -0.04 p' M p,
 * with M the covariance of the seam pairs' displacements scaled to trace 2. A strip so bends like a
 * cylinder, a pinwheel like a dome. A little fixed noise breaks ties.
 */
function preBend(position: Float64Array, count: number, { ends, share }: Holds): void {
  let [xx, xy, yy] = [0, 0, 0];
  for (let k = 0; k < share.length; k++) {
    const [a, b0, b1] = [ends[3 * k] ?? 0, ends[3 * k + 1] ?? 0, ends[3 * k + 2] ?? 0];
    const t = share[k] ?? 0;
    const dx = (position[3 * a] ?? 0) - (1 - t) * (position[3 * b0] ?? 0) - t * (position[3 * b1] ?? 0);
    const dy =
      (position[3 * a + 1] ?? 0) - (1 - t) * (position[3 * b0 + 1] ?? 0) - t * (position[3 * b1 + 1] ?? 0);
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
  }
  const trace = xx + yy || 1;
  [xx, xy, yy] = [(2 * xx) / trace, (2 * xy) / trace, (2 * yy) / trace];
  let [cx, cy] = [0, 0];
  for (let i = 0; i < count; i++) {
    cx += (position[3 * i] ?? 0) / count;
    cy += (position[3 * i + 1] ?? 0) / count;
  }
  for (let i = 0; i < count; i++) {
    const [x, y] = [(position[3 * i] ?? 0) - cx, (position[3 * i + 1] ?? 0) - cy];
    position[3 * i] = x;
    position[3 * i + 1] = y;
    position[3 * i + 2] = -0.04 * (xx * x * x + 2 * xy * x * y + yy * y * y) + 0.002 * noise(i);
  }
}
