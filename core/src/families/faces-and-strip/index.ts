import type { Family } from '../family.ts';
import { panelOfSize, squaresOfSize } from '../shared/control.ts';
import { buildFacesAndStrip, settle } from './build.ts';
import { facesAndStripControls } from './controls.ts';
import { type FacesAndStrip, facesAndStripSchema } from './schema.ts';

export { facesAndStripSchema };

export const facesAndStrip: Family<FacesAndStrip> = {
  id: 'faces-and-strip',
  name: 'Faces and strip',
  about: 'Two equal faces, and one strip that runs down one side, along the bottom and up the other.',
  drawing: {
    pieces: 'M8 6h24v26H8zM40 6h24v26H40zM4 40h64v10H4z',
    folds: 'M24 38v14M48 38v14',
  },
  ofMotifs: false,
  build: buildFacesAndStrip,
  settle,
  controls: facesAndStripControls,
  begin: (size, body, materials) => {
    const swatch = body.of === 'worked' ? body.swatch : materials.stripSwatch();
    return {
      family: 'faces-and-strip',
      face:
        body.of === 'motifs'
          ? squaresOfSize(size, body.motif, materials)
          : panelOfSize(size, body.swatch, materials),
      strip: {
        swatch,
        worked: 'across',
        depth: Math.max(1, Math.round(size.depth / materials.pitch(swatch))),
        length: { by: 'way' },
        multiple: { multiple: 1, extra: 0 },
      },
    };
  },
};
