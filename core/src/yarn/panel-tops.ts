import type { Piece } from '../bag/index.ts';
import { type BagDocument, type Panel, panelOf, type Swatch, swatchOf } from '../document/index.ts';
import {
  chainOf,
  countedPanel,
  sectionsOfRows,
  type TopCounts,
  type TopKind,
  topsOfRows,
} from '../fabric/index.ts';
import { fabricOf } from '../fit/index.ts';
import { area } from '../geometry/index.ts';
import { panelStitches } from './stitches-of.ts';

/** Tops of a row that are of one size: those of one swatch. */
export interface SizedTops {
  readonly swatch: string;
  readonly tops: TopCounts;
}

/**
 * The tops of each row of a panel, from 1: as its rows say, section by section, or as its fabric has them, or all of one
 * stitch. A panel that is no rectangle has as much of each row as of its box.
 */
export function panelTops(document: BagDocument, piece: Piece): (row: number) => readonly SizedTops[] {
  const { make } = piece;
  if (make.of === 'motif') throw new Error(`${piece.name} is worked in rounds.`);
  const swatch = swatchOf(document, make.swatch);
  if (make.panel !== undefined) return writtenTops(panelOf(document, make.panel), swatch);
  const share = panelStitches(piece, area) / (make.stitches * make.rows);
  const fabric = fabricOf(document, swatch);
  const tops = fabric && topsOfRows(fabric, make.stitches);
  const plain = new Map<TopKind, number>([[swatch.stitch, make.stitches * share]]);
  return (row) => {
    const own = tops ? new Map([...tops(row)].map(([kind, many]) => [kind, many * share])) : plain;
    return [{ swatch: swatch.id, tops: own }];
  };
}

/** The tops of a panel by its rows, each in the swatch of its section. */
export function writtenTops(panel: Panel, swatch: Swatch): (row: number) => SizedTops[] {
  const program = countedPanel(panel, swatch);
  const { sections = [] } = panel;
  const within = sectionsOfRows(
    program.rows,
    chainOf(program),
    sections.map(({ stitches }) => stitches),
  );
  return (row) => {
    const by = new Map<string, Map<TopKind, number>>();
    program.rows[row - 1]?.tops.kind.forEach((kind, i) => {
      const own = sections[within[row - 1]?.[i] ?? 0]?.swatch ?? swatch.id;
      const counts = by.get(own) ?? new Map<TopKind, number>();
      by.set(own, counts.set(kind, (counts.get(kind) ?? 0) + 1));
    });
    return [...by].map(([id, tops]) => ({ swatch: id, tops }));
  };
}
