import type { BagGraph } from '../bag/index.ts';
import type { BagDocument, Cell } from '../document/index.ts';
import { motifOf } from '../document/look-up.ts';
import { WAYS_TO_LIE } from '../motif/index.ts';

/** A motif's place on the bag, with what is laid there. */
export interface LaidCell {
  /** The piece: its lasting name. */
  readonly piece: string;
  readonly motif: string;
  readonly rounds: number;
  /** Colourway of the motif. */
  readonly design: string;
  /** Steps against the clock, as its maker has turned it, of so many that are a whole turn. */
  readonly turn: number;
  readonly steps: number;
  readonly locked: boolean;
}

/**
 * What is laid in every cell of a bag, in the bag's order. A cell that nobody has laid is dealt: colourways take turns
 * along a knight's step, so that with three or more none lies beside its twin within a sheet. What is laid with a
 * colourway that is there no longer is dealt, too.
 */
export function cellsOf(document: BagDocument, graph: BagGraph): LaidCell[] {
  const laid = document.arrangement?.cells ?? {};
  return graph.pieces.flatMap(({ id, make, cell }): LaidCell[] => {
    if (make.of !== 'motif') return [];
    const { colourways: ways, kind } = motifOf(document, make.motif);
    const steps = WAYS_TO_LIE[kind];
    const own: Cell = laid[id] ?? {};
    const n = Math.max(1, ways.length);
    // Cells may be counted from anywhere: the place in the turn is never negative.
    const dealt = ways[(((cell.column + 2 * cell.row) % n) + n) % n];
    const design = ways.find((way) => way.id === own.design) ?? dealt;
    if (!design) return [];
    return [
      {
        piece: id,
        motif: make.motif,
        rounds: make.rounds,
        design: design.id,
        turn: (own.turn ?? 0) % steps,
        steps,
        locked: own.locked ?? false,
      },
    ];
  });
}
