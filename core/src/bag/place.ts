import {
  along,
  contains,
  cross,
  distance,
  groupBy,
  NOTHING,
  onBorder,
  type Point,
  type Point3,
} from '../geometry/index.ts';
import type { BagGraph, Facet, Interval, Motion, Piece, Seam } from './graph.ts';

/** Applies a rigid motion to a point of a piece's plane. */
export const move = ({ origin, u, v }: Motion, p: Point): Point3 => ({
  x: origin.x + p.x * u.x + p.y * v.x,
  y: origin.y + p.x * u.y + p.y * v.y,
  z: origin.z + p.x * u.z + p.y * v.z,
});

/** The direction the right side of a facet looks in. */
export const outward = (motion: Motion): Point3 => cross(motion.u, motion.v);

/** Pieces never change, so they are put in order once, however often they are looked up. */
const indices = new WeakMap<BagGraph['pieces'], (id: string) => Piece>();

/** Looks pieces up by id; asking for one that is not there is a mistake in a family. */
export function pieceIndex(graph: Pick<BagGraph, 'pieces'>): (id: string) => Piece {
  const known = indices.get(graph.pieces);
  if (known) return known;
  const fresh = indexOf(graph);
  indices.set(graph.pieces, fresh);
  return fresh;
}

function indexOf(graph: Pick<BagGraph, 'pieces'>): (id: string) => Piece {
  const byId = new Map(graph.pieces.map((piece) => [piece.id, piece]));
  return (id) => {
    const piece = byId.get(id);
    if (!piece) throw new Error(`The bag has no piece ${id}.`);
    return piece;
  };
}

/** The corner of the outline an edge starts at. */
function firstCorner({ edges }: Piece, edge: number): number {
  let first = 0;
  for (let before = 0; before < edge; before++) first += edges[before]?.sides ?? 1;
  return first;
}

/** Corners of the outline an edge runs through, from its start to its end, in the piece's own coordinates. */
export function edgePath(piece: Piece, edge: number): readonly Point[] {
  const { sides = 1 } = edgeOf(piece, edge);
  const first = firstCorner(piece, edge);
  const path: Point[] = [];
  for (let i = first; i <= first + sides; i++) {
    const corner = piece.outline[i % piece.outline.length];
    if (corner) path.push(corner);
  }
  return path;
}

/** Start and end of edge `edge` in the piece's own coordinates. */
export function edgeEnds(piece: Piece, edge: number): readonly [Point, Point] {
  const first = firstCorner(piece, edge);
  const start = piece.outline[first];
  const end = piece.outline[(first + (piece.edges[edge]?.sides ?? 1)) % piece.outline.length];
  if (!start || !end) throw new Error(`${piece.name} has no edge ${edge}.`);
  return [start, end];
}

/** A straight stretch of an edge, with the positions (mm along the edge) of its ends. */
export interface Stretch {
  readonly p: Point;
  readonly q: Point;
  readonly from: number;
  readonly to: number;
}

/** The straight stretches of an edge in order. */
export function stretchesOf(piece: Piece, edge: number): Stretch[] {
  const path = edgePath(piece, edge);
  const { length, sides = 1 } = edgeOf(piece, edge);
  let at = 0;
  return path.slice(1).flatMap((q, i): Stretch[] => {
    const p = path[i];
    if (!p) return [];
    const from = at;
    // The last one ends where the edge ends, whatever rounding says.
    at = i === sides - 1 ? length : at + distance(p, q);
    return [{ p, q, from, to: at }];
  });
}

/** The edge's record; the companion of `edgeEnds`. */
export function edgeOf(piece: Piece, edge: number): Piece['edges'][number] {
  const found = piece.edges[edge];
  if (!found) throw new Error(`${piece.name} has no edge ${edge}.`);
  return found;
}

/** The point `position` mm along an edge, in the piece's own coordinates. */
export function pointOnEdge(piece: Piece, edge: number, position: number): Point {
  const { length, sides = 1 } = edgeOf(piece, edge);
  if (sides === 1) {
    const [start, end] = edgeEnds(piece, edge);
    return along(start, end, position / length);
  }
  const stretches = stretchesOf(piece, edge);
  // Where a path stands still there is nothing to be on.
  const on = stretches.find(({ from, to }) => position <= to && to > from) ?? stretches.at(-1);
  if (!on) throw new Error(`${piece.name} has no edge ${edge}.`);
  return along(on.p, on.q, (position - on.from) / (on.to - on.from));
}

/** The line along part of an edge, through its bends, in the interval's direction. */
export function pathOn(piece: Piece, { edge, from, to }: Omit<Interval, 'piece'>): Point[] {
  if ((edgeOf(piece, edge).sides ?? 1) === 1)
    return [pointOnEdge(piece, edge, from), pointOnEdge(piece, edge, to)];
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const bends = stretchesOf(piece, edge)
    .filter((stretch) => stretch.to > low + NOTHING && stretch.to < high - NOTHING)
    .map(({ q }) => q);
  const path = [pointOnEdge(piece, edge, low), ...bends, pointOnEdge(piece, edge, high)];
  return from <= to ? path : path.reverse();
}

/** A point of a piece, in the net. */
export function inNet({ at, turn }: Pick<Piece, 'at' | 'turn'>, p: Point): Point {
  if (turn === 0) return { x: at.x + p.x, y: at.y + p.y };
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return { x: at.x + p.x * cos - p.y * sin, y: at.y + p.x * sin + p.y * cos };
}

/** The motion of a piece whose net is moved by `net`: its own place in the net comes first. */
export function placed(net: Motion, { at, turn }: Pick<Piece, 'at' | 'turn'>): Motion {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const mix = (a: number, b: number): Point3 => ({
    x: net.u.x * a + net.v.x * b,
    y: net.u.y * a + net.v.y * b,
    z: net.u.z * a + net.v.z * b,
  });
  return { origin: move(net, at), u: mix(cos, sin), v: mix(-sin, cos) };
}

/** The part of a stretch p to q of a piece's outline that lies on one of its facets; as shares of the stretch. */
export const onFacet = (
  piece: Piece,
  { outline }: Facet,
  p: Point,
  q: Point,
): readonly [number, number] | undefined => (outline === piece.outline ? [0, 1] : onBorder(outline, p, q));

/** The seams that someone has to work: all but what is grown. */
export const joinedSeams = ({ seams }: Pick<BagGraph, 'seams'>): Seam[] =>
  seams.filter(({ kind }) => kind !== 'grown');

export const intervalLength = (interval: Interval): number => Math.abs(interval.to - interval.from);

/**
 * Finds where points of pieces lie on the made-up bag. Where a fold runs through the point either facet
 * gives the same place; `towards` picks the facet that also holds a second point.
 */
export function madeUpPlaces(graph: BagGraph): (piece: string, p: Point, towards?: Point) => Point3 {
  const facets = groupBy(graph.facets, (facet) => facet.piece);
  return (piece, p, towards = p) => {
    const own = facets.get(piece) ?? [];
    const facet =
      own.find(({ outline }) => contains(outline, p) && contains(outline, towards)) ??
      own.find(({ outline }) => contains(outline, p)) ??
      own[0];
    if (!facet) throw new Error(`Piece ${piece} has no place on the made-up bag.`);
    return move(facet.motion, p);
  };
}
