import type { Piece } from '../bag/index.ts';
import { type BagDocument, panelOf, swatchOf } from '../document/index.ts';
import { countedPanel, type TopCounts, type TopKind, topsOfRows } from '../fabric/index.ts';
import { fabricOf } from '../fit/index.ts';
import { area } from '../geometry/index.ts';
import { panelStitches } from './stitches-of.ts';

/**
 * The tops of each row of a panel, from 1: as its rows say, or as its fabric has them, or all of one stitch. A panel
 * that is no rectangle has as much of each row as of its box.
 */
export function panelTops(document: BagDocument, piece: Piece): (row: number) => TopCounts {
  const { make } = piece;
  if (make.of === 'motif') throw new Error(`${piece.name} is worked in rounds.`);
  const swatch = swatchOf(document, make.swatch);
  if (make.panel !== undefined) {
    const { rows } = countedPanel(panelOf(document, make.panel), swatch);
    return (row) => {
      const counts = new Map<TopKind, number>();
      for (const kind of rows[row - 1]?.tops.kind ?? []) counts.set(kind, (counts.get(kind) ?? 0) + 1);
      return counts;
    };
  }
  const share = panelStitches(piece, area) / (make.stitches * make.rows);
  const fabric = fabricOf(document, swatch);
  const tops = fabric && topsOfRows(fabric, make.stitches);
  const plain = new Map<TopKind, number>([[swatch.stitch, make.stitches * share]]);
  return (row) => {
    if (!tops) return plain;
    return new Map([...tops(row)].map(([kind, many]) => [kind, many * share]));
  };
}
