import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { motifOf } from '../document/look-up.ts';

/**
 * Which colourway each motif of the bag is worked in, by piece id. Colourways take turns along a knight's
 * step, so that with three or more no square lies beside its twin within a sheet.
 */
export function designsOf(document: BagDocument, graph: BagGraph): ReadonlyMap<string, string> {
  const designs = new Map<string, string>();
  for (const { id, make, cell } of graph.pieces) {
    if (make.of !== 'motif') continue;
    const ways = motifOf(document, make.motif).colourways;
    const n = Math.max(1, ways.length);
    // Cells may be counted from anywhere: the place in the turn is never negative.
    const way = ways[(((cell.column + 2 * cell.row) % n) + n) % n];
    if (way) designs.set(id, way.id);
  }
  return designs;
}
