import { groupBy } from '../group-by.ts';
import { along, contains, cross, type Point, type Point3 } from './geometry.ts';
import type { BagGraph, Interval, Motion, Piece } from './graph.ts';

/** Applies a rigid motion to a point of a piece's plane. */
export const move = ({ origin, u, v }: Motion, p: Point): Point3 => ({
  x: origin.x + p.x * u.x + p.y * v.x,
  y: origin.y + p.x * u.y + p.y * v.y,
  z: origin.z + p.x * u.z + p.y * v.z,
});

/** The direction the right side of a facet looks in. */
export const outward = (motion: Motion): Point3 => cross(motion.u, motion.v);

/** Looks pieces up by id; asking for one that is not there is a mistake in a family. */
export function pieceIndex(graph: BagGraph): (id: string) => Piece {
  const byId = new Map(graph.pieces.map((piece) => [piece.id, piece]));
  return (id) => {
    const piece = byId.get(id);
    if (!piece) throw new Error(`The bag has no piece ${id}.`);
    return piece;
  };
}

/** Start and end of edge `edge` in the piece's own coordinates. */
export function edgeEnds(piece: Piece, edge: number): readonly [Point, Point] {
  const start = piece.outline[edge];
  const end = piece.outline[(edge + 1) % piece.outline.length];
  if (!start || !end) throw new Error(`${piece.name} has no edge ${edge}.`);
  return [start, end];
}

/** The edge's record; the companion of `edgeEnds`. */
export function edgeOf(piece: Piece, edge: number): Piece['edges'][number] {
  const found = piece.edges[edge];
  if (!found) throw new Error(`${piece.name} has no edge ${edge}.`);
  return found;
}

/** The point `position` mm along an edge, in the piece's own coordinates. */
export function pointOnEdge(piece: Piece, edge: number, position: number): Point {
  const [start, end] = edgeEnds(piece, edge);
  return along(start, end, position / edgeOf(piece, edge).length);
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
