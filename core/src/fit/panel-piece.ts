import type { BagDocument, Panel, Swatch } from '../document/index.ts';
import { type CountedProgram, countedPanel, sizedPiece, type WorkedPiece } from '../fabric/index.ts';
import { rateOf, usualHeight } from './swatch-fabric.ts';

/**
 * What the rows of a panel come to in its swatch.
 *
 * @param sizes stitch pitch and row height of the swatch, mm.
 * @returns the piece as well, unless no row makes a stitch.
 */
export function panelPiece(
  document: Pick<BagDocument, 'fabrics'>,
  panel: Pick<Panel, 'rows' | 'terms'>,
  swatch: Swatch,
  sizes: { readonly pitch: number; readonly row: number },
): { readonly program: CountedProgram; readonly piece: WorkedPiece | undefined } {
  const program = countedPanel(panel, swatch);
  const piece = sizedPiece(
    program,
    { ...sizes, usual: usualHeight(document, swatch) },
    rateOf(document, swatch),
  );
  return { program, piece };
}
