import type { Piece } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { panelOf, swatchOf } from '../document/look-up.ts';
import { countedPanel } from '../fabric/index.ts';
import { type Carrying, carrying } from './carried.ts';
import { type ColourRun, colourRuns, rowColours, stripesOf } from './row-colours.ts';

/** A panel of several colours: its stripes, and how each colour gets to the next of its own. */
export interface PanelColours extends Carrying {
  readonly piece: string;
  readonly name: string;
  readonly rows: number;
  readonly runs: readonly ColourRun[];
  /** Stripes and rows of each colour, in the order they begin. */
  readonly colours: ReadonlyArray<{ readonly yarn: string; readonly stripes: number; readonly rows: number }>;
}

/** The colours of a panel by its rows. Every panel has one at least. */
export function panelColours(document: BagDocument, piece: Piece): PanelColours {
  const { id, name, make } = piece;
  if (make.of === 'motif') throw new Error(`${name} is worked in rounds.`);
  const runs = colourRuns(rowColours(document, piece), make.rows);
  const round =
    make.panel !== undefined &&
    countedPanel(panelOf(document, make.panel), swatchOf(document, make.swatch)).rows.some(
      (row) => row.round,
    );
  const totals = new Map<string, { stripes: number; rows: number }>();
  for (const { yarn, first, last } of runs) {
    const before = totals.get(yarn) ?? { stripes: 0, rows: 0 };
    totals.set(yarn, { stripes: before.stripes + 1, rows: before.rows + last - first + 1 });
  }
  return {
    piece: id,
    name,
    rows: make.rows,
    runs,
    colours: [...totals].map(([yarn, total]) => ({ yarn, ...total })),
    ...carrying(runs, stripesOf(document, id)?.carried ?? false, round),
  };
}
