import type { Panel, Swatch } from '../document/index.ts';
import { type CountedProgram, countedPanel, sizedPiece, type WorkedPiece } from '../fabric/index.ts';
import { heightByPitch, rowEndRate } from '../stitches/index.ts';

/** Insertions a row end of a swatch takes: the maker's own rate, or what is usual for the stitch. */
export const rateOf = ({ rowEnds, stitch }: Swatch): number => rowEnds ?? rowEndRate(stitch);

/**
 * What the rows of a panel come to in its swatch.
 *
 * @param sizes stitch pitch and row height of the swatch, mm.
 * @returns the piece as well, unless no row makes a stitch.
 */
export function panelPiece(
  panel: Pick<Panel, 'rows' | 'terms'>,
  swatch: Swatch,
  sizes: { readonly pitch: number; readonly row: number },
): { readonly program: CountedProgram; readonly piece: WorkedPiece | undefined } {
  const program = countedPanel(panel, swatch);
  const piece = sizedPiece(program, { ...sizes, usual: heightByPitch(swatch.stitch) }, rateOf(swatch));
  return { program, piece };
}
