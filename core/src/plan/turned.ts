import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';

/** One-way motifs whose place on the bag shows them on their head unless they are laid upside down. */
export function turnedPieces(document: BagDocument, graph: BagGraph): ReadonlySet<string> {
  const oneWay = new Set(document.motifs.filter((motif) => motif.oneWay).map(({ id }) => id));
  const onHead = new Set(graph.facets.filter(({ motion }) => motion.v.y < -0.5).map(({ piece }) => piece));
  return new Set(
    graph.pieces
      .filter(({ id, make }) => make.of === 'motif' && oneWay.has(make.motif) && onHead.has(id))
      .map(({ id }) => id),
  );
}
