import type { BagGraph } from './graph.ts';
import { intervalLength, pieceIndex } from './place.ts';

/** An edge so many times as long as what is worked onto it is gathered by that. */
const GATHERED = 1.15;

/** What is drawn in by working something narrower onto it. */
export interface Gathered {
  /** Sheets whose edges are drawn in. */
  readonly sheets: ReadonlySet<string>;
  /** Pieces worked onto them: the bands. */
  readonly bands: ReadonlySet<string>;
}

/** The sheets of a bag that are gathered onto bands, and the bands. */
export function gatheredSheets(graph: BagGraph): Gathered {
  const piece = pieceIndex(graph);
  const [sheets, bands] = [new Set<string>(), new Set<string>()];
  for (const { a, b, kind } of graph.seams) {
    // The second piece is worked out of the first: where it is the wider one it flares, and draws nothing in.
    if (kind !== 'grown' || intervalLength(a) < GATHERED * intervalLength(b)) continue;
    sheets.add(piece(a.piece).cell.sheet);
    bands.add(b.piece);
  }
  return { sheets, bands };
}
