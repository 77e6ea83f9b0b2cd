import type { Family } from '../family.ts';
import { squaresOfSize } from '../shared/control.ts';
import { buildWrapRound } from './build.ts';
import { wrapRoundControls } from './controls.ts';
import { type WrapRound, wrapRoundSchema } from './schema.ts';

export { wrapRoundSchema };

export const wrapRound: Family<WrapRound> = {
  id: 'wrap-round',
  name: 'Wrap-round',
  about: 'A sheet of squares, or one panel, goes once round the bag and is closed at the bottom.',
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
        ? evenColumns(squaresOfSize({ width: width * 2, height }, body.motif, materials, body.rounds))
        : { ...body, stitches: Math.round((width * 2) / materials.pitch(body.swatch)) },
  }),
};

function evenColumns(body: ReturnType<typeof squaresOfSize>) {
  return body.of === 'motifs' ? { ...body, columns: Math.max(2, 2 * Math.round(body.columns / 2)) } : body;
}
