import { NOTHING, SAME_PLACE } from '../geometry/index.ts';
import type { BagGraph, Interval } from './graph.ts';
import { edgeOf, pieceIndex } from './place.ts';

/**
 * Whole insertions on part of an edge. Both its ends are rounded along the whole edge, so that the parts of an edge add
 * up to the edge. Where an edge of an odd count is parted at its very middle, as by a fold, the stitch there is on
 * neither part: both sides of a bag must read the same.
 */
export function wholeLoops(graph: Pick<BagGraph, 'pieces'>): (interval: Interval) => number {
  const piece = pieceIndex(graph);
  return ({ piece: id, edge, from, to }) => {
    const { loops, length } = edgeOf(piece(id), edge);
    const [low, high] = [Math.min(from, to), Math.max(from, to)].map((at) => (loops * at) / length);
    // Places on an edge are told apart by no less than this.
    const slack = NOTHING + (loops * SAME_PLACE) / length;
    return Math.max(0, Math.round((high ?? 0) - slack) - Math.round((low ?? 0) + slack));
  };
}
