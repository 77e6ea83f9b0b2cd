import { type BagDocument, panelOf } from '../document/index.ts';
import { countedPanel } from '../fabric/index.ts';
import type { Materials } from '../families/index.ts';
import { isSquare, motifShape, ownHeight, roundsRange, sideLoops } from '../motif/index.ts';
import { mm } from '../units/index.ts';
import type { JoinMix } from './join-mix.ts';
import { panelPiece } from './panel-piece.ts';
import { remembered, type SizeTable, type SizeVariable } from './size-table.ts';
import { fabricOf, rateOf } from './swatch-fabric.ts';

/**
 * A length as builders ask for it: the sum of one or two sizes. What rests on a bag is found by nudging each such
 * length once, so sizes that only ever come together are nudged together.
 */
export type Asked = readonly SizeVariable[];

/** The lengths a document's builders can ask for, each the same list whenever it is asked for. */
export interface Lengths {
  readonly materials: (options?: MaterialOptions) => Materials;
}

export interface MaterialOptions {
  /** A length that is taken so many mm longer. */
  readonly nudged?: { readonly asked: Asked; readonly by: number };
  /** Every length that is asked for is put down here. */
  readonly used?: Set<Asked>;
  /** Every line whose join is asked for by name is put down here. */
  readonly named?: Set<string>;
  /** Sheets of squares as one piece: the bag measures the same, and is built in a fraction of the time. */
  readonly coarse?: boolean;
}

export function lengthsOf(table: SizeTable, document: BagDocument, mix?: JoinMix): Lengths {
  // Asked for with every piece of every candidate.
  const rowEnds = remembered((id: string) => rateOf(document, table.swatch(id).swatch));
  const rest = mix?.rest ?? table.join();
  const alone = remembered((size: SizeVariable): Asked => [size]);
  const withJoin = remembered((size: SizeVariable): Asked => [size, rest]);
  const materials = ({ nudged, used, named, coarse = false }: MaterialOptions = {}): Materials => {
    const ask = (asked: Asked) => {
      used?.add(asked);
      let length = nudged?.asked === asked ? nudged.by : 0;
      for (const { value } of asked) length += value;
      return mm(length);
    };
    const side = (motif: string, rounds: number) => ask(alone(table.side(motif, rounds)));
    const own: Materials = {
      coarse,
      get nominal() {
        return nudged ? materials({ coarse }) : own;
      },
      motifSide: side,
      joinedSide: (motif, rounds) => ask(withJoin(table.side(motif, rounds))),
      motifLoops: (motif, rounds) => sideLoops(table.motif(motif).motif, rounds),
      motifShape: (motif, rounds) => {
        const own = table.motif(motif).motif;
        const { stitch } = table.swatch(own.swatch).swatch;
        // The higher its rows are, the more insertions their ends take.
        const rows = own.making ? ownHeight(own.making, rounds, own.kind, stitch) : rounds;
        return motifShape(own, rounds, side(motif, rounds), Math.round(2 * rows * rowEnds(own.swatch)));
      },
      motifKind: (motif) => table.motif(motif).motif.kind,
      motifRounds: (motif) => roundsRange(table.motif(motif).motif),
      hasRows: (id) => {
        const panel = panelOf(document, id);
        return countedPanel(panel, table.swatch(panel.swatch).swatch).rows.some(({ makes }) => makes > 0);
      },
      panel: (id) => {
        const panel = panelOf(document, id);
        const { swatch } = table.swatch(panel.swatch);
        const { program, piece } = panelPiece(document, panel, swatch, (of) => ({
          pitch: own.pitch(of),
          row: own.rowHeight(of),
        }));
        if (!piece) throw new Error(`The panel “${panel.name}” has no rows.`);
        const stitches = Math.max(...program.rows.map(({ makes }) => makes));
        return { piece, swatch: swatch.id, stitches, rows: program.rows.length };
      },
      join: (line) => {
        if (line === undefined) return ask(alone(rest));
        named?.add(line);
        return ask(alone(mix?.line(line) ?? rest));
      },
      pitch: (swatch) => ask(alone(table.pitch(swatch))),
      rowHeight: (swatch) => ask(alone(table.row(swatch))),
      rowEndRate: rowEnds,
      fabric: (id) => fabricOf(document, table.swatch(id).swatch),
      anyMotif: () => document.motifs.find(({ kind }) => isSquare(kind))?.id,
      stripSwatch: () => {
        const [first] = document.swatches;
        if (!first) throw new Error('The bag has no swatch for a strip.');
        return first.id;
      },
    };
    return own;
  };
  return { materials };
}

/** The sizes of a document as builders see them. */
export const materialsOf = (table: SizeTable, document: BagDocument): Materials =>
  lengthsOf(table, document).materials();
