import { addTo, banded, decomposed, solve } from './banded.ts';
import type { Net, Part } from './net.ts';

/** How stiff fabric is against leaning, beside being pulled. */
const SHEAR = 0.1;
const TURNS = 500;
/** So much farther than to the best of each turn. */
const BEYOND = 1.8;
/** How firmly the whole is held in its place: it need only not drift. */
const PINNED = 1e-3;
/** It lies still when no node moves farther in a turn, as a share of half the height of a row. */
const STILL = 1e-7;

/**
 * In turns: how each part is turned, as it is now; then where all nodes lie best for parts so turned, which is one
 * system of equations, always the same. Neither makes the sum of squares larger.
 */
export function relax({ count, parts }: Net, x: Float64Array, y: Float64Array): void {
  const pulls = parts.flatMap(pullsOf);
  const apart = pulls.map(({ nodes }) => (nodes.at(-1) ?? 0) - (nodes[0] ?? 0));
  const matrix = banded(count, Math.max(1, ...apart));
  for (const { nodes, factors } of pulls)
    nodes.forEach((i, p) => {
      for (let q = 0; q <= p; q++) addTo(matrix, i, nodes[q] ?? i, (factors[p] ?? 0) * (factors[q] ?? 0));
    });
  // Where the whole of it lies is not said: its first node stays about where it is.
  addTo(matrix, 0, 0, PINNED);
  const system = decomposed(matrix);
  if (!system) return;
  const corners = flattened(parts, pulls);
  const scale = parts[0]?.rest[0]?.y ?? 1;
  const [bx, by] = [new Float64Array(count), new Float64Array(count)];
  for (let turn = 0; turn < TURNS; turn++) {
    bx.fill(0);
    by.fill(0);
    bx[0] = PINNED * at(x, 0);
    by[0] = PINNED * at(y, 0);
    for (let part = 0; part < parts.length; part++) pullOn(corners, part, x, y, bx, by);
    solve(system, bx);
    solve(system, by);
    let most = 0;
    for (let i = 0; i < count; i++)
      most = Math.max(most, Math.abs(at(bx, i) - at(x, i)), Math.abs(at(by, i) - at(y, i)));
    // Farther than to the best of this turn: the next would go on the same way.
    for (let i = 0; i < count; i++) {
      x[i] = at(x, i) + BEYOND * (at(bx, i) - at(x, i));
      y[i] = at(y, i) + BEYOND * (at(by, i) - at(y, i));
    }
    if (most < STILL * scale) break;
  }
}

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Four corners of every part: the rest of each, and the nodes it is a sum of. */
interface Corners {
  readonly restX: Float64Array;
  readonly restY: Float64Array;
  /** Where the nodes of each corner begin; one number more than there are corners. */
  readonly starts: Int32Array;
  readonly nodes: Int32Array;
  readonly factors: Float64Array;
}

function flattened(parts: readonly Part[], pulls: readonly Pull[]): Corners {
  const rest = parts.flatMap((part) => part.rest);
  const starts = [0];
  for (const { nodes } of pulls) starts.push((starts.at(-1) ?? 0) + nodes.length);
  return {
    restX: Float64Array.from(rest, (p) => p.x),
    restY: Float64Array.from(rest, (p) => p.y),
    starts: Int32Array.from(starts),
    nodes: Int32Array.from(pulls.flatMap(({ nodes }) => nodes)),
    factors: Float64Array.from(pulls.flatMap(({ factors }) => factors)),
  };
}

const CORNERS = 4;
/** Corners of the part at hand, from its middle. */
const [nowX, nowY] = [new Float64Array(CORNERS), new Float64Array(CORNERS)];

/** Adds what a part pulls at its nodes, turned and leaning as it now is: the turning and leaning that fit it best. */
function pullOn(
  { restX, restY, starts, nodes, factors }: Corners,
  part: number,
  x: Float64Array,
  y: Float64Array,
  bx: Float64Array,
  by: Float64Array,
): void {
  let [cos, sin] = [0, 0];
  const first = CORNERS * part;
  for (let c = 0; c < CORNERS; c++) {
    let [px, py] = [0, 0];
    for (let k = nth(starts, first + c); k < nth(starts, first + c + 1); k++) {
      px += at(factors, k) * at(x, nth(nodes, k));
      py += at(factors, k) * at(y, nth(nodes, k));
    }
    nowX[c] = px;
    nowY[c] = py;
    cos += at(restX, first + c) * px + at(restY, first + c) * py;
    sin += at(restX, first + c) * py - at(restY, first + c) * px;
  }
  let long = Math.hypot(cos, sin) || 1;
  let lean = 0;
  for (let c = 0; c < CORNERS; c++) {
    const slid = (cos * at(nowX, c) + sin * at(nowY, c)) / long - at(restX, first + c);
    lean += ((1 - SHEAR) / CORNERS) * (at(restY, first + c) > 0 ? slid : -slid);
  }
  // Turned anew as it leans: what pulls a part pulls it nowhere round.
  for (let c = 0; c < CORNERS; c++) {
    const more = at(restY, first + c) > 0 ? lean : -lean;
    cos += more * at(nowX, c);
    sin += more * at(nowY, c);
  }
  long = Math.hypot(cos, sin) || 1;
  cos /= long;
  sin /= long;
  for (let c = 0; c < CORNERS; c++) {
    const v = at(restY, first + c);
    const u = at(restX, first + c) + (v > 0 ? lean : -lean);
    const [px, py] = [cos * u - sin * v, sin * u + cos * v];
    for (let k = nth(starts, first + c); k < nth(starts, first + c + 1); k++) {
      const node = nth(nodes, k);
      bx[node] = at(bx, node) + at(factors, k) * px;
      by[node] = at(by, node) + at(factors, k) * py;
    }
  }
}

/** A corner of a part from the part's middle, as a sum of nodes, each once, times factors. */
interface Pull {
  readonly nodes: readonly number[];
  readonly factors: readonly number[];
}

function pullsOf({ corners }: Part): Pull[] {
  return corners.map((_, own) => {
    const sum = new Map<number, number>();
    corners.forEach(({ a, b, t }, c) => {
      const share = (c === own ? 1 : 0) - 1 / corners.length;
      sum.set(a, (sum.get(a) ?? 0) + share * (1 - t));
      sum.set(b, (sum.get(b) ?? 0) + share * t);
    });
    const nodes = [...sum.keys()].sort((i, j) => i - j);
    return { nodes, factors: nodes.map((node) => sum.get(node) ?? 0) };
  });
}
