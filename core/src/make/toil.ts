import { motifOf, panelOf, swatchOf } from '../document/index.ts';
import type { Plan } from '../plan/index.ts';
import { panelTops, roundWork, type SizedTops, TIME_OF_TOP, writtenTops } from '../yarn/index.ts';
import { rowsOf } from './rows.ts';
import type { PieceTask } from './task.ts';

/** What a row takes, in low stitches: a tall one takes longer, a bobble much longer. By the same figures as the hours of the plan. */
export function toilOf(plan: Plan, task: PieceTask): (row: number) => number {
  const { document, graph } = plan;
  const piece = graph.pieces.find(({ id }) => id === task.pieces[0]);
  if (piece?.make.of === 'motif') {
    const motif = motifOf(document, piece.make.motif);
    const { stitch } = swatchOf(document, motif.swatch);
    return (row) => roundWork(motif, row, stitch).time;
  }
  if (piece) {
    const tops = panelTops(document, piece);
    return (row) => ofTops(tops(row));
  }
  const own = task.id === 'strap' ? document.finish?.straps?.panel : undefined;
  if (own !== undefined) {
    const panel = panelOf(document, own);
    const tops = writtenTops(panel, swatchOf(document, panel.swatch));
    return (row) => ofTops(tops(row));
  }
  const rows = rowsOf(plan, task);
  return (row) => {
    const at = rows[row - 1];
    return at ? (at.stitches ?? 0) * TIME_OF_TOP[at.stitch] : 0;
  };
}

const ofTops = (all: readonly SizedTops[]): number =>
  all.reduce(
    (sum, { tops }) => sum + [...tops].reduce((own, [kind, many]) => own + many * TIME_OF_TOP[kind], 0),
    0,
  );

/** What the first so many rows take together. */
export function toilUpTo(toil: (row: number) => number, rows: number): number {
  let sum = 0;
  for (let row = 1; row <= rows; row++) sum += toil(row);
  return sum;
}
