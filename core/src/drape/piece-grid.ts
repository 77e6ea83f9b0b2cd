import {
  edgeEnds,
  edgeOf,
  type Fold,
  type Interval,
  type Piece,
  pointOnEdge,
  type Stretch,
  stretchesOf,
} from '../bag/index.ts';
import { along, extent, type Point } from '../geometry/index.ts';

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

export interface OnEdge {
  /** mm along the edge. */
  readonly position: number;
  readonly vertex: number;
}

/** Where a piece's lines must pass: ends of seams on its edges, and folds across it. */
export interface Stops {
  /** Positions on each edge, mm. */
  readonly edges: Map<number, number[]>;
  readonly folds: Fold[];
}

/** Line positions nearer than this share of a cell are one line. */
export const SAME = 0.2;

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
 * Lays a grid over a piece, with vertices at its corners, its stops and along its upright and level folds.
 *
 * @param spacing wanted distance of lines, mm.
 * @param first number of its first vertex.
 */
export function gridOn(piece: Piece, stops: Stops, spacing: number, first: number): PieceGrid {
  const lay = isRectangle(piece) ? rectangleGrid : hasRows(piece) ? rowGrid : roundGrid;
  return lay(piece, stops, spacing, first);
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

/** Whether it is a shaped panel: four edges, of which the first rises along its right side. */
function hasRows(piece: Piece): boolean {
  if (piece.edges.length !== 4) return false;
  const [start, end] = edgeEnds(piece, 0);
  return end.y > start.y;
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
 * Rows from side to side of a panel that widens and narrows: its edges are the right side, the upper side, the
 * left side and the lower side. Lines run through every bend.
 */
function rowGrid(piece: Piece, stops: Stops, spacing: number, first: number): PieceGrid {
  const right = stretchesOf(piece, 0);
  const left = stretchesOf(piece, 2);
  const box = extent(piece.outline);
  const levels = right.slice(1).map(({ p }) => p.y);
  for (const [edge, side] of [
    [0, right],
    [2, left],
  ] as const) {
    for (const at of stops.edges.get(edge) ?? []) levels.push(pointOn(side, at).y);
  }
  const ys = [...cells([0, ...levels], box.height, spacing).flatMap(spread), box.height];
  const columns = Math.max(2, Math.round(box.width / spacing));
  const shares = Array.from({ length: columns + 1 }, (_, i) => i / columns);
  const rows = ys.map((y) => ({ y, from: atHeight(left, y), to: atHeight(right, y) }));
  const [w, h] = [shares.length, ys.length];
  const vertex = (i: number, j: number) => first + j * w + i;
  const [low, high] = [rows[0], rows.at(-1)];
  const wide = (row: (typeof rows)[number] | undefined) => (row ? row.to.x - row.from.x : 0);
  return {
    piece,
    w,
    h,
    at: Int32Array.from({ length: w * h }, (_, k) => first + k),
    points: rows.flatMap(({ y, from, to }) => shares.map((s) => ({ x: from.x + (to.x - from.x) * s, y }))),
    edges: [
      rows.map(({ to }, j) => ({ position: to.position, vertex: vertex(w - 1, j) })),
      shares.map((s, i) => ({ position: (1 - s) * wide(high), vertex: vertex(i, h - 1) })).reverse(),
      rows.map(({ from }, j) => ({ position: from.position, vertex: vertex(0, j) })).reverse(),
      shares.map((s, i) => ({ position: s * wide(low), vertex: vertex(i, 0) })),
    ],
  };
}

/** The point so far along some stretches. */
function pointOn(stretches: readonly Stretch[], position: number): Point {
  const on = stretches.find(({ to }) => position <= to) ?? stretches.at(-1);
  return on ? along(on.p, on.q, (position - on.from) / (on.to - on.from)) : { x: 0, y: 0 };
}

/** Where a side that rises or falls all the way passes a height, and how far along it that is. */
function atHeight(side: readonly Stretch[], y: number): { x: number; position: number } {
  const between = (a: number, b: number) => y >= Math.min(a, b) - 1e-9 && y <= Math.max(a, b) + 1e-9;
  const on = side.find(({ p, q }) => between(p.y, q.y)) ?? side.at(-1);
  if (!on) return { x: 0, position: 0 };
  const share = (y - on.p.y) / (on.q.y - on.p.y);
  return { x: along(on.p, on.q, share).x, position: on.from + (on.to - on.from) * share };
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
  // The border has a vertex at every corner and seam end.
  const wanted = edges.flatMap((_, edge) =>
    [...stretchesOf(piece, edge).map(({ from }) => from), ...(stops.edges.get(edge) ?? [])].map(
      (at) => (starts[edge] ?? 0) + at,
    ),
  );
  const border = ringOf(wanted, round, spacing);
  const n = border.length / 4;
  const places = border.map((at) => {
    const edge = starts.findLastIndex((start) => start <= at + 1e-9);
    return pointOnEdge(piece, edge, Math.min(edges[edge]?.length ?? 0, at - (starts[edge] ?? 0)));
  });
  const centre = middleOf(piece.outline);
  /** Where on the border, in vertices, the ray from the centre through (i, j) ends, and how far out it lies. */
  const ray = (i: number, j: number) => {
    const [s, t] = [2 * i - n, 2 * j - n];
    const out = Math.max(Math.abs(s), Math.abs(t));
    if (out === 0) return { k: 0, out: 0 };
    // Along the border, counter-clockwise from the lower left corner.
    const way = t === -out ? s + out : s === out ? 2 * out + t + out : t === out ? 5 * out - s : 7 * out - t;
    return { k: (way / (2 * out)) * n, out: out / n };
  };
  const points = Array.from({ length: (n + 1) ** 2 }, (_, index): Point => {
    const { k, out } = ray(index % (n + 1), Math.floor(index / (n + 1)));
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

/**
 * Positions on a closed way of the given length: at all the stops, evenly between them, about `spacing` apart,
 * and as many as go round a square grid with a line through its middle.
 */
function ringOf(stops: readonly number[], round: number, spacing: number): number[] {
  const gaps = cells(stops, round, spacing);
  for (let sum = gaps.reduce((s, { many }) => s + many, 0); sum % 8 !== 0 || sum < 16; sum++) {
    const widest = gaps.reduce((a, b) => (b.length / b.many > a.length / a.many ? b : a));
    widest.many++;
  }
  return gaps.flatMap(spread);
}

interface Gap {
  readonly from: number;
  readonly length: number;
  /** Cells it is divided into. */
  many: number;
}

/** The stretches between stops (the first of them at 0), each in cells of about the spacing. */
function cells(stops: readonly number[], length: number, spacing: number): Gap[] {
  const apart: number[] = [];
  for (const stop of [...stops].sort((p, q) => p - q)) {
    if (stop - (apart.at(-1) ?? -1) > 1e-3 && length - stop > 1e-3) apart.push(stop);
  }
  return apart.map((from, i) => {
    const own = (apart[i + 1] ?? length) - from;
    return { from, length: own, many: Math.max(1, Math.round(own / spacing)) };
  });
}

/** Where the cells of a stretch begin. */
const spread = ({ from, length, many }: Gap): number[] =>
  Array.from({ length: many }, (_, i) => from + (length * i) / many);

function middleOf(outline: readonly Point[]): Point {
  const box = extent(outline);
  return { x: box.width / 2, y: box.height / 2 };
}

/** The vertices along part of an edge, in the interval's direction, with the edge position of each. */
export function onEdge({ piece, edges }: PieceGrid, { edge, from, to }: Interval): readonly OnEdge[] {
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
