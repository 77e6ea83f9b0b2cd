import type { Interval, Piece } from './graph.ts';
import { edgeOf, intervalLength } from './place.ts';

/** An edge from its start to its end. */
export const wholeEdge = (piece: Piece, edge: number): Interval => ({
  piece: piece.id,
  edge,
  from: 0,
  to: edgeOf(piece, edge).length,
});

/** The way along a chain of parts of edges, mm. */
export const chainLength = (chain: readonly Interval[]): number =>
  chain.reduce((sum, interval) => sum + intervalLength(interval), 0);

/** Insertions a chain gives to what is worked into it: of each edge as many as its part of the edge. */
export function chainLoops(chain: readonly Interval[], pieces: readonly Piece[]): number {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return chain.reduce((sum, interval) => {
    const edge = byId.get(interval.piece)?.edges[interval.edge];
    return sum + (edge ? (edge.loops * intervalLength(interval)) / edge.length : 0);
  }, 0);
}
