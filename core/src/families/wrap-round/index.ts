import { panelOfSize, squaresOfSize } from '../control/control.ts';
import { defineFamily } from '../family.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { buildWrapRound } from './build.ts';
import { wrapRoundControls } from './controls.ts';
import { wrapRoundSchema } from './schema.ts';

export { wrapRoundSchema };

export const wrapRound = defineFamily(wrapRoundSchema)({
  name: 'Wrap-round',
  about: 'A sheet of squares, or one panel, goes once round the bag and is closed at the bottom.',
  drawing: {
    pieces: 'M6 14h60v34H6zM36 14v34M6 31h60M21 14v34M51 14v34',
    folds: 'M36 10v42',
  },
  deep: false,
  ofMotifs: false,
  build: buildWrapRound,
  settle: (params) => params,
  controls: wrapRoundControls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    // A tube is joined at both its sides and, by half, at the bottom.
    sheetsWithin(ranges, materials, [1, 0.5], (width, height, squares, make) => {
      Object.assign(size, { width: width / 2, height, depth: 0, squares });
      const flat = { family: 'wrap-round', laid: 'tube', bottom: 'seam', sides: 'joins' } as const;
      if (offer(size)) take({ ...flat, body: make() });
      if (squares === 0) return;
      const body = make();
      if (body.of !== 'motifs' || body.columns < 4 || body.columns % 2 === 1) return;
      const pitch = width / body.columns;
      Object.assign(size, {
        width: (body.columns / 2 - 1) * pitch,
        depth: pitch,
        squares: squares + body.columns / 2 - 1,
      });
      if (offer(size)) take({ ...flat, bottom: 'row', body });
    });
  },
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
});
