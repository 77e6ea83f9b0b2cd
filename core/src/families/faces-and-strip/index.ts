import { bodyOfSize } from '../control/control.ts';
import { each } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { buildFacesAndStrip, settle } from './build.ts';
import { facesAndStripControls } from './controls.ts';
import { facesAndStripSchema } from './schema.ts';

export { facesAndStripSchema };

/** A strip of fewer stitches is an edging, not a side. */
const LEAST_STRIP = 5;

export const facesAndStrip = defineFamily(facesAndStripSchema)({
  name: 'Faces and strip',
  about: 'Two equal faces, and one strip that runs down one side, along the bottom and up the other.',
  drawing: {
    pieces: 'M8 6h24v26H8zM40 6h24v26H40zM4 40h64v10H4z',
    folds: 'M24 38v14M48 38v14',
  },
  deep: true,
  ofMotifs: false,
  build: buildFacesAndStrip,
  settle,
  controls: facesAndStripControls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    const join = materials.join();
    sheetsWithin(ranges, materials, [1, 0.5], (width, height, squares, make) => {
      for (const swatch of ranges.strips) {
        const pitch = materials.pitch(swatch);
        each(LEAST_STRIP, ranges.strip, (depth) => {
          Object.assign(size, { width, height, depth: depth * pitch + join, squares: 2 * squares });
          if (!offer(size)) return;
          take({
            family: 'faces-and-strip',
            face: make(),
            strip: {
              swatch,
              worked: 'across',
              depth,
              length: { by: 'way' },
              multiple: { multiple: 1, extra: 0 },
            },
          });
        });
      }
    });
  },
  begin: (size, body, materials) => {
    const swatch = body.of === 'worked' ? body.swatch : materials.stripSwatch();
    return {
      family: 'faces-and-strip',
      face: bodyOfSize(size, body, materials),
      strip: {
        swatch,
        worked: 'across',
        depth: Math.max(1, Math.round(size.depth / materials.pitch(swatch))),
        length: { by: 'way' },
        multiple: { multiple: 1, extra: 0 },
      },
    };
  },
});
