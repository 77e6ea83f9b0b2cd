import type { DemoBag } from '../demo-bag.ts';
import { knittingKeeper } from './knitting-keeper.ts';

/**
 * Made of the squares left over from the knitting keeper. An odd number of columns: one side folds on a
 * join, the other down the middle of a column.
 */
export const ropeRoll: DemoBag = {
  ...knittingKeeper,
  name: 'Rope roll',
  note: 'For the spare tail ends. Seven columns were what the Loosestrife allowed.',
  brief: {
    width: { value: 290, tolerance: 12 },
    height: { value: 250, tolerance: 12 },
  },
  construction: {
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'cluster', rounds: 4, columns: 7, rows: 3 },
  },
};
