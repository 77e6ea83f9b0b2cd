import { type BagDocument, type Panel, type Swatch, swatchOf } from '../document/index.ts';
import {
  type CountedProgram,
  countedPanel,
  type Sizes,
  sizedPiece,
  type WorkedPiece,
} from '../fabric/index.ts';
import { rateOf, usualHeight } from './swatch-fabric.ts';

/**
 * What the rows of a panel come to in its swatch, and in those of its sections.
 *
 * @param sizeOf stitch pitch and row height of a swatch, mm.
 * @returns the piece as well, unless no row makes a stitch.
 */
export function panelPiece(
  document: Pick<BagDocument, 'fabrics' | 'swatches'>,
  panel: Pick<Panel, 'rows' | 'terms' | 'sections'>,
  swatch: Swatch,
  sizeOf: (swatch: string) => { readonly pitch: number; readonly row: number },
): { readonly program: CountedProgram; readonly piece: WorkedPiece | undefined } {
  const program = countedPanel(panel, swatch);
  const sizesOf = (own: Swatch): Sizes => ({ ...sizeOf(own.id), usual: usualHeight(document, own) });
  const sections = (panel.sections ?? []).map(({ stitches, swatch: id }) => ({
    stitches,
    ...sizesOf(swatchOf(document, id)),
  }));
  return { program, piece: sizedPiece(program, sizesOf(swatch), rateOf(document, swatch), sections) };
}
