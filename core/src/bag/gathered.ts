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
    if (kind !== 'grown') continue;
    for (const [wide, narrow] of [
      [a, b],
      [b, a],
    ] as const) {
      if (intervalLength(wide) < GATHERED * intervalLength(narrow)) continue;
      sheets.add(piece(wide.piece).cell.sheet);
      bands.add(narrow.piece);
    }
  }
  return { sheets, bands };
}
