import {
  type Affine,
  type BagDocument,
  extent,
  type Piece,
  panelOf,
  panelPiece,
  rowColours,
  sizeTable,
  swatchOf,
  yarnOf,
} from '@fennot/core';
import { painted } from './canvas.ts';
import { after, paintPiece } from './piece-paint.ts';

/** Pixels of the longest side of a picture, and of a millimetre where there is room. */
const MOST_PIXELS = 1400;
const PER_MM = 5;

/** A piece by its rows, each stitch where it stands, as a picture that is stretched over its outline; nothing for others. */
export function rowsPicture(document: BagDocument, piece: Piece): string | undefined {
  const { make } = piece;
  if (make.of === 'motif' || make.panel === undefined || !make.placed) return undefined;
  const panel = panelOf(document, make.panel);
  const { sizes } = sizeTable(document);
  const { piece: worked } = panelPiece(document, panel, swatchOf(document, make.swatch), sizes);
  if (!worked) return undefined;
  const { width, height } = extent(piece.outline);
  const perMm = Math.min(PER_MM, MOST_PIXELS / Math.max(width, height));
  const yarns = rowColours(document, piece);
  const colours = worked.rows.map(({ layer }) => yarnOf(document, yarns(layer.number)).colour);
  const key = [
    'rows',
    panel.terms,
    panel.rows,
    JSON.stringify(worked.outline),
    perMm,
    make.placed,
    colours.join(),
  ];
  return painted(key.join(' '), { width: width * perMm, height: height * perMm }, (context) => {
    // Pictures are drawn y down.
    const onto: Affine = after([perMm, 0, 0, -perMm, 0, height * perMm], make.placed ?? [1, 0, 0, 1, 0, 0]);
    const byRow = new Map(worked.rows.map(({ layer }, i) => [layer.number, colours[i] ?? '#888888']));
    paintPiece(context, worked, { onto, colour: (row) => byRow.get(row) ?? '#888888' });
  });
}
