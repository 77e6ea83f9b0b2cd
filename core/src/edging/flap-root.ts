import { type BagGraph, pieceIndex, wholeLoops } from '../bag/index.ts';

/**
 * Stitches of the body's edge that a flap hangs from: the edge round passes them by, but what is fixed along the back
 * is counted over them as well. As in an edge round each join between two of the body's pieces counts for one.
 */
export function flapRoot(graph: BagGraph): number {
  const loops = wholeLoops(graph);
  const piece = pieceIndex(graph);
  const flaps = new Set(
    graph.facets.filter(({ face }) => face === 'flap').map((facet) => piece(facet.piece).cell.sheet),
  );
  const onFlap = (id: string) => flaps.has(piece(id).cell.sheet);
  const root = graph.seams
    .filter(({ a, b }) => onFlap(a.piece) !== onFlap(b.piece))
    .map(({ a, b }) => (onFlap(a.piece) ? b : a));
  const along = root.reduce((sum, interval) => sum + loops(interval), 0);
  return along + Math.max(0, new Set(root.map((interval) => interval.piece)).size - 1);
}
