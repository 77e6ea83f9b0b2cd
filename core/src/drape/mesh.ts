import {
  along,
  type BagGraph,
  cornersOf,
  edgeOf,
  extent,
  type Fold,
  type Interval,
  inNet,
  type Piece,
  type Point,
  pointOnEdge,
  type RimPart,
  type Seam,
} from '../bag/index.ts';

/**
 * A piece's own grid of `w` by `h` vertices. On a rectangle its lines run level and upright; on any other
 * shape it is a square grid drawn out to the outline.
 */
export interface PieceGrid {
  readonly piece: Piece;
  readonly w: number;
  readonly h: number;
  /** Vertex at column i of row j: `at[j * w + i]`. */
  readonly at: Int32Array;
  /** Where each of them lies on the piece, mm, in the order of `at`. */
  readonly points: readonly Point[];
  /** The vertices along each edge, from its start to its end. */
  readonly edges: ReadonlyArray<readonly OnEdge[]>;
}

interface OnEdge {
  /** mm along the edge. */
  readonly position: number;
  readonly vertex: number;
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
 * Lays a grid over every piece, with lines through its folds and the ends of its seams, and joins what is
 * joined flat.
 *
 * @param spacing wanted distance of lines, mm.
 */
export function meshOf(graph: BagGraph, spacing: number): Mesh {
  const stops = stopsOf(graph);
  const grids: PieceGrid[] = [];
  const net: number[] = [];
  for (const piece of graph.pieces) {
    const first = net.length / 2;
    const grid = isRectangle(piece)
      ? rectangleGrid(piece, stops(piece), spacing, first)
      : roundGrid(piece, stops(piece), spacing, first);
    for (const point of grid.points) {
      const p = inNet(piece, point);
      net.push(p.x, p.y);
    }
    grids.push(grid);
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
          onEdge(gridOf(interval.piece), interval)
            .slice(1)
            .map((v) => v.vertex),
        ),
      ),
  };
}

const lengthOf = (rim: readonly RimPart[]) =>
  rim.reduce((sum, { interval }) => sum + interval.to - interval.from, 0);

/** Where a piece's lines must pass: ends of seams on its edges, and folds across it. */
interface Stops {
  /** Positions on each edge, mm. */
  readonly edges: Map<number, number[]>;
  readonly folds: Fold[];
}

function stopsOf(graph: BagGraph): (piece: Piece) => Stops {
  const marks = new Map<string, Stops>();
  const of = (id: string) => {
    const found = marks.get(id) ?? { edges: new Map<number, number[]>(), folds: [] };
    marks.set(id, found);
    return found;
  };
  for (const { a, b } of graph.seams) {
    for (const { piece, edge, from, to } of [a, b]) {
      const { edges } = of(piece);
      edges.set(edge, [...(edges.get(edge) ?? []), from, to]);
    }
  }
  for (const fold of graph.folds) of(fold.piece).folds.push(fold);
  return (piece) => of(piece.id);
}

/** Whether the outline is an upright rectangle with an edge on each side. */
function isRectangle({ outline, edges }: Piece): boolean {
  const [a, b, c, d] = outline;
  return (
    outline.length === 4 &&
    edges.length === 4 &&
    a?.y === b?.y &&
    b?.x === c?.x &&
    c?.y === d?.y &&
    d?.x === a?.x
  );
}

function rectangleGrid(piece: Piece, stops: Stops, spacing: number, first: number): PieceGrid {
  const corner = piece.outline[2] ?? { x: 1, y: 1 };
  const on = (edge: number, length: number, against: boolean) =>
    (stops.edges.get(edge) ?? []).map((position) => (against ? length - position : position));
  const level = (fold: Fold) => Math.abs(fold.from.y - fold.to.y) < 1e-6;
  const upright = (fold: Fold) => Math.abs(fold.from.x - fold.to.x) < 1e-6;
  const stopsX = stops.folds.filter(upright).map(({ from }) => from.x);
  const stopsY = stops.folds.filter(level).map(({ from }) => from.y);
  // Two cells at least, so that a piece can bend; an even number keeps a line through the middle.
  const xs = divided(corner.x, [...stopsX, ...on(0, corner.x, false), ...on(2, corner.x, true)], spacing, 2);
  const ys = divided(corner.y, [...stopsY, ...on(1, corner.y, false), ...on(3, corner.y, true)], spacing, 2);
  const [w, h] = [xs.length, ys.length];
  const vertex = (i: number, j: number) => first + j * w + i;
  return {
    piece,
    w,
    h,
    at: Int32Array.from({ length: w * h }, (_, k) => first + k),
    points: ys.flatMap((y) => xs.map((x) => ({ x, y }))),
    edges: [
      xs.map((x, i) => ({ position: x, vertex: vertex(i, 0) })),
      ys.map((y, j) => ({ position: y, vertex: vertex(w - 1, j) })),
      xs.map((x, i) => ({ position: corner.x - x, vertex: vertex(i, h - 1) })).reverse(),
      ys.map((y, j) => ({ position: corner.y - y, vertex: vertex(0, j) })).reverse(),
    ],
  };
}

/**
 * A square grid drawn out to any outline that its middle sees the whole of: the grid's border goes onto the
 * outline, and every ring inside it is the outline made smaller towards the middle.
 */
function roundGrid(piece: Piece, stops: Stops, spacing: number, first: number): PieceGrid {
  const { edges } = piece;
  const starts: number[] = [];
  let round = 0;
  for (const { length } of edges) {
    starts.push(round);
    round += length;
  }
  const n = Math.max(4, 2 * Math.round(round / spacing / 8));
  const border = Array.from({ length: 4 * n }, (_, k) => (round * k) / (4 * n));
  // Edge ends and seam ends each pull the nearest border vertex onto them.
  const wanted = edges
    .flatMap((_, edge) => [0, ...(stops.edges.get(edge) ?? [])].map((at) => (starts[edge] ?? 0) + at))
    .sort((p, q) => p - q);
  for (const stop of wanted) {
    const k = Math.round((stop / round) * border.length) % border.length;
    if (Math.abs((border[k] ?? 0) - stop) < round / border.length) border[k] = stop;
  }
  const edgeAt = (at: number) => {
    const edge = starts.findLastIndex((start) => start <= at + 1e-9);
    return pointOnEdge(piece, edge, Math.min(edges[edge]?.length ?? 0, at - (starts[edge] ?? 0)));
  };
  const places = border.map(edgeAt);
  const centre = middleOf(piece.outline);
  /** The border vertex k of the ring through (i, j), and how far out the ring lies. */
  const ring = (i: number, j: number) => {
    const [s, t] = [2 * i - n, 2 * j - n];
    const out = Math.max(Math.abs(s), Math.abs(t));
    if (out === 0) return { k: 0, out: 0 };
    // Along the border, counter-clockwise from the lower left corner, in shares of a side.
    const share =
      t === -out
        ? (s + out) / 2
        : s === out
          ? out + (t + out) / 2
          : t === out
            ? 2 * out + (out - s) / 2
            : 3 * out + (out - t) / 2;
    return { k: (share / out) * n, out: out / n };
  };
  const points = Array.from({ length: (n + 1) ** 2 }, (_, index): Point => {
    const { k, out } = ring(index % (n + 1), Math.floor(index / (n + 1)));
    const [p, q] = [places[Math.floor(k) % places.length], places[(Math.floor(k) + 1) % places.length]];
    const on = p && q ? along(p, q, k - Math.floor(k)) : centre;
    return along(centre, on, out);
  });
  const vertex = (k: number) => {
    const [side, step] = [Math.floor(k / n) % 4, k % n];
    const [i, j] =
      side === 0 ? [step, 0] : side === 1 ? [n, step] : side === 2 ? [n - step, n] : [0, n - step];
    return first + j * (n + 1) + i;
  };
  return {
    piece,
    w: n + 1,
    h: n + 1,
    at: Int32Array.from({ length: (n + 1) ** 2 }, (_, k) => first + k),
    points,
    edges: edges.map(({ length }, edge) => {
      const start = starts[edge] ?? 0;
      const own = border.flatMap((at, k) =>
        at > start - 1e-6 && at < start + length + 1e-6 ? [{ position: at - start, vertex: vertex(k) }] : [],
      );
      // The last edge ends where the outline began.
      return start + length > round - 1e-6 ? [...own, { position: length, vertex: vertex(0) }] : own;
    }),
  };
}

function middleOf(outline: readonly Point[]): Point {
  const box = extent(outline);
  return { x: box.width / 2, y: box.height / 2 };
}

/** The vertices along part of an edge, in the interval's direction, with the edge position of each. */
function onEdge({ piece, edges }: PieceGrid, { edge, from, to }: Interval): readonly OnEdge[] {
  const { length } = edgeOf(piece, edge);
  const whole = edges[edge] ?? [];
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
  const a = onEdge(gridOf(seam.a.piece), seam.a).map((v) => ({ ...v, t: share(seam.a, v.position) }));
  const b = onEdge(gridOf(seam.b.piece), seam.b).map((v) => ({ ...v, t: share(seam.b, v.position) }));
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
  for (const { w, h, at } of grids) {
    const [midX, midY] = [(w - 1) / 2, (h - 1) / 2];
    for (let j = 0; j < h - 1; j++) {
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
