import {
  type BagGraph,
  cornersOf,
  edgeOf,
  type Interval,
  inNet,
  type Piece,
  type RimPart,
  type Seam,
} from '../bag/index.ts';

/** A piece's own grid: which vertex stands at which crossing of its lines. */
export interface PieceGrid {
  readonly piece: Piece;
  /** Positions of the upright and the level lines, mm, from the outline's origin. */
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  /** Vertex at line i of xs and j of ys: `at[j * xs.length + i]`. */
  readonly at: Int32Array;
}

/** A vertex held onto a point between two others: x = (1 - share) b0 + share b1. */
export interface VertexHold {
  readonly a: number;
  readonly b0: number;
  readonly b1: number;
  readonly share: number;
  readonly kind: Seam['kind'];
}

/** The bag's pieces as one mesh in the open net. Lengths in mm. */
export interface Mesh {
  /** x, y of every vertex in the net, two numbers each. */
  readonly net: Float64Array;
  readonly count: number;
  readonly grids: readonly PieceGrid[];
  /** Corner triples, counter-clockwise as seen from the right side. */
  readonly triangles: Int32Array;
  readonly holds: readonly VertexHold[];
  /** Vertices round each opening, in the direction of the outlines; the mouth, which is the longest, first. */
  readonly rims: readonly (readonly number[])[];
}

/** Line positions nearer than this share of a cell are one line. */
const SAME = 0.2;

/** Positions along a length: the given stops, with the stretches between them divided evenly. */
function divided(length: number, stops: readonly number[], spacing: number, least: number): number[] {
  const near = SAME * spacing;
  const apart = [0];
  for (const stop of [...stops].sort((p, q) => p - q)) {
    if (stop - (apart.at(-1) ?? 0) > near && length - stop > near) apart.push(stop);
  }
  apart.push(length);
  const cells = Math.max(least, Math.round(length / spacing));
  const size = length / cells;
  return apart.flatMap((to, i) => {
    const from = apart[i - 1];
    if (from === undefined) return [to];
    const n = Math.max(1, Math.round((to - from) / size));
    return Array.from({ length: n }, (_, k) => from + ((to - from) * (k + 1)) / n);
  });
}

/**
 * Lays a grid over every (rectangular) piece, with lines through its folds and the ends of its seams, and
 * joins what is joined flat.
 *
 * @param spacing wanted distance of lines, mm.
 */
export function meshOf(graph: BagGraph, spacing: number): Mesh {
  const stops = stopsOf(graph);
  const grids: PieceGrid[] = [];
  const net: number[] = [];
  for (const piece of graph.pieces) {
    const { xs: stopsX, ys: stopsY } = stops(piece);
    const corner = piece.outline[2] ?? { x: 1, y: 1 };
    // Two cells at least, so that a piece can bend; an even number keeps a line through the middle.
    const xs = divided(corner.x, stopsX, spacing, 2);
    const ys = divided(corner.y, stopsY, spacing, 2);
    const at = new Int32Array(xs.length * ys.length);
    ys.forEach((y, j) => {
      xs.forEach((x, i) => {
        const p = inNet(piece, { x, y });
        at[j * xs.length + i] = net.length / 2;
        net.push(p.x, p.y);
      });
    });
    grids.push({ piece, xs, ys, at });
  }
  const byId = new Map(grids.map((grid) => [grid.piece.id, grid]));
  const gridOf = (id: string) => {
    const grid = byId.get(id);
    if (!grid) throw new Error(`The bag has no piece ${id}.`);
    return grid;
  };
  const holds = graph.seams.flatMap((seam) => holdsOf(seam, gridOf));

  return {
    net: Float64Array.from(net),
    count: net.length / 2,
    grids,
    triangles: trianglesOf(grids),
    holds,
    rims: cornersOf(graph)
      .rims()
      .sort((p, q) => lengthOf(q) - lengthOf(p))
      .map((rim) =>
        rim.flatMap(({ interval }) =>
          along(gridOf(interval.piece), interval)
            .slice(1)
            .map((v) => v.vertex),
        ),
      ),
  };
}

const lengthOf = (rim: readonly RimPart[]) =>
  rim.reduce((sum, { interval }) => sum + interval.to - interval.from, 0);

/** Where a piece's lines must pass: ends of seams, and folds along its sides. */
function stopsOf(graph: BagGraph) {
  const marks = new Map<string, { xs: number[]; ys: number[] }>();
  const of = (id: string) => {
    const found = marks.get(id) ?? { xs: [], ys: [] };
    marks.set(id, found);
    return found;
  };
  const put = ({ piece, edge, from, to }: Interval, length: number) => {
    const own = of(piece);
    for (const position of [from, to]) {
      if (edge === 0) own.xs.push(position);
      if (edge === 2) own.xs.push(length - position);
      if (edge === 1) own.ys.push(position);
      if (edge === 3) own.ys.push(length - position);
    }
  };
  const byId = new Map(graph.pieces.map((piece) => [piece.id, piece]));
  for (const { a, b } of graph.seams) {
    for (const side of [a, b]) {
      const piece = byId.get(side.piece);
      if (piece) put(side, edgeOf(piece, side.edge).length);
    }
  }
  for (const { piece, from, to } of graph.folds) {
    if (Math.abs(from.x - to.x) < 1e-6) of(piece).xs.push(from.x);
    if (Math.abs(from.y - to.y) < 1e-6) of(piece).ys.push(from.y);
  }
  return (piece: Piece) => of(piece.id);
}

interface OnEdge {
  readonly position: number;
  readonly vertex: number;
}

/** The vertices along part of an edge, in the interval's direction, with the edge position of each. */
function along({ piece, xs, ys, at }: PieceGrid, { edge, from, to }: Interval): OnEdge[] {
  const { length } = edgeOf(piece, edge);
  const [w, h] = [xs.length, ys.length];
  const vertex = (i: number, j: number) => at[j * w + i] ?? 0;
  const whole: OnEdge[] =
    edge === 0
      ? xs.map((x, i) => ({ position: x, vertex: vertex(i, 0) }))
      : edge === 1
        ? ys.map((y, j) => ({ position: y, vertex: vertex(w - 1, j) }))
        : edge === 2
          ? xs.map((x, i) => ({ position: length - x, vertex: vertex(i, h - 1) })).reverse()
          : ys.map((y, j) => ({ position: length - y, vertex: vertex(0, j) })).reverse();
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const slack = (SAME * length) / Math.max(1, whole.length - 1);
  const part = whole.filter(({ position }) => position > low - slack && position < high + slack);
  if (part.length === 0) {
    // A stretch shorter than a cell: the nearest line stands for it.
    const middle = (low + high) / 2;
    return [whole.reduce((a, b) => (Math.abs(b.position - middle) < Math.abs(a.position - middle) ? b : a))];
  }
  return from <= to ? part : part.reverse();
}

/** Holds the vertices of either side of a seam onto the other side. */
function holdsOf(seam: Seam, gridOf: (id: string) => PieceGrid): VertexHold[] {
  const share = (interval: Interval, position: number) =>
    (position - interval.from) / (interval.to - interval.from);
  const a = along(gridOf(seam.a.piece), seam.a).map((v) => ({ ...v, t: share(seam.a, v.position) }));
  const b = along(gridOf(seam.b.piece), seam.b).map((v) => ({ ...v, t: share(seam.b, v.position) }));
  const even = a.length === b.length;
  if (even)
    return a.map((v, i) => ({
      a: v.vertex,
      b0: b[i]?.vertex ?? 0,
      b1: b[i]?.vertex ?? 0,
      share: 0,
      kind: seam.kind,
    }));
  const onto = (from: typeof a, to: typeof b): VertexHold[] =>
    from.map((v) => {
      const next = to.findIndex(({ t }) => t >= v.t - 1e-6);
      const [b1, b0] = [to[next < 0 ? to.length - 1 : next], to[next < 1 ? 0 : next - 1]];
      if (!b0 || !b1) throw new Error('A seam without vertices.');
      const span = b1.t - b0.t;
      const at = Math.abs(span) < 1e-9 ? 0 : Math.min(1, Math.max(0, (v.t - b0.t) / span));
      return { a: v.vertex, b0: b0.vertex, b1: b1.vertex, share: at, kind: seam.kind };
    });
  return [...onto(a, b), ...onto(b, a)];
}

/** Two triangles a cell, with diagonals through the piece's centre, so that diagonal folds lie on them. */
function trianglesOf(grids: readonly PieceGrid[]): Int32Array {
  const corners: number[] = [];
  for (const { xs, ys, at } of grids) {
    const w = xs.length;
    const [midX, midY] = [(xs.length - 1) / 2, (ys.length - 1) / 2];
    for (let j = 0; j < ys.length - 1; j++) {
      for (let i = 0; i < w - 1; i++) {
        const [p, q, r, s] = [at[j * w + i], at[j * w + i + 1], at[(j + 1) * w + i + 1], at[(j + 1) * w + i]];
        if (p === undefined || q === undefined || r === undefined || s === undefined) continue;
        const rising = i + 0.5 < midX === j + 0.5 < midY;
        if (rising) corners.push(p, q, r, p, r, s);
        else corners.push(p, q, s, q, r, s);
      }
    }
  }
  return Int32Array.from(corners);
}
