import type { Family } from '../family.ts';
import { panelOfSize, squaresOfSize } from '../shared/control.ts';
import { buildWrapRound } from './build.ts';
import { wrapRoundControls } from './controls.ts';
import { type WrapRound, wrapRoundSchema } from './schema.ts';

export { wrapRoundSchema };

export const wrapRound: Family<WrapRound> = {
  id: 'wrap-round',
  name: 'Wrap-round',
  about: 'A sheet of squares, or one panel, goes once round the bag and is closed at the bottom.',
  drawing: {
    pieces: 'M6 14h60v34H6zM36 14v34M6 31h60M21 14v34M51 14v34',
    folds: 'M36 10v42',
  },
  ofMotifs: false,
  build: buildWrapRound,
  settle: (params) => params,
  controls: wrapRoundControls,
  begin: ({ width, height }, body, materials) => ({
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body:
      body.of === 'motifs'
        ? squaresOfSize({ width: width * 2, height }, body.motif, materials, 2)
        : panelOfSize({ width: width * 2, height }, body.swatch, materials),
  }),
};
