import { type BagDocument, type Panel, type Swatch, swatchOf } from '../document/index.ts';
import {
  type CountedProgram,
  countedPanel,
  type SizedSection,
  type Sizes,
  sizedPiece,
  type WorkedPiece,
} from '../fabric/index.ts';
import { rateOf, usualHeight } from './swatch-fabric.ts';

/** How large a panel's stitches come out: in its swatch, in those of its sections, and at its row ends. */
export interface PanelSizes {
  readonly sizes: Sizes;
  readonly rowEndRate: number;
  readonly sections: readonly SizedSection[];
}

/** @param sizeOf stitch pitch and row height of a swatch, mm. */
export function panelSizes(
  document: Pick<BagDocument, 'fabrics' | 'swatches'>,
  { sections = [] }: Pick<Panel, 'sections'>,
  swatch: Swatch,
  sizeOf: (swatch: string) => { readonly pitch: number; readonly row: number },
): PanelSizes {
  const sizesOf = (own: Swatch): Sizes => ({ ...sizeOf(own.id), usual: usualHeight(document, own) });
  return {
    sizes: sizesOf(swatch),
    rowEndRate: rateOf(document, swatch),
    sections: sections.map(({ stitches, swatch: id }) => ({
      stitches,
      ...sizesOf(swatchOf(document, id)),
    })),
  };
}

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
  const { sizes, rowEndRate, sections } = panelSizes(document, panel, swatch, sizeOf);
  return { program, piece: sizedPiece(program, sizes, rowEndRate, sections) };
}
