import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { motifOf } from '../document/look-up.ts';
import { WAYS_TO_LIE } from '../motif/index.ts';
import type { Plan } from './plan.ts';

/** One-way motifs whose place on the bag shows them on their head unless they are laid upside down, where their shape can be. */
export function onHeadPieces(document: Pick<BagDocument, 'motifs'>, graph: BagGraph): ReadonlySet<string> {
  const oneWay = new Set(
    document.motifs.filter((motif) => motif.oneWay && WAYS_TO_LIE[motif.kind] % 2 === 0).map(({ id }) => id),
  );
  const onHead = new Set(graph.facets.filter(({ motion }) => motion.v.y < -0.5).map(({ piece }) => piece));
  return new Set(
    graph.pieces
      .filter(({ id, make }) => make.of === 'motif' && oneWay.has(make.motif) && onHead.has(id))
      .map(({ id }) => id),
  );
}

/** One-way motifs that are laid upside down: where they hang upright so, or where their maker has turned them by half. */
export function turnedPieces({
  document,
  graph,
  cells,
}: Pick<Plan, 'document' | 'graph' | 'cells'>): ReadonlySet<string> {
  const onHead = onHeadPieces(document, graph);
  return new Set(
    cells
      .filter(({ motif }) => motifOf(document, motif).oneWay)
      .filter(({ piece, turn, steps }) => onHead.has(piece) !== (2 * turn === steps))
      .map(({ piece }) => piece),
  );
}

/** What each motif's design is called, by piece; nothing of motifs that come in one design only. */
export const designNames = ({
  document,
  cells,
}: Pick<Plan, 'document' | 'cells'>): ReadonlyMap<string, string> =>
  new Map(
    cells.flatMap(({ piece, motif, design }) => {
      const { colourways } = motifOf(document, motif);
      const way = colourways.length > 1 && colourways.find(({ id }) => id === design);
      return way ? [[piece, way.name] as const] : [];
    }),
  );
