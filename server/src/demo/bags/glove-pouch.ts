import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** Two textured faces with boxed corners. The pattern asks for a multiple of 4 plus 1, and 48 is not one. */
export const glovePouch: DemoBag = {
  name: 'Glove pouch',
  note: 'Six pairs of white gloves. The texture repeats over 4 stitches, plus 1.',
  brief: {
    width: { value: 220, tolerance: 10 },
    height: { value: 165, tolerance: 10 },
    depth: { value: 50, tolerance: 8 },
  },
  yarns: yarns('tollbar', 'kingfisher', 'foam'),
  swatches: [
    {
      id: 'texture',
      name: 'Textured low stitch',
      yarn: 'kingfisher',
      hook: 3.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 24, length: 130 },
      rows: { count: 24, length: 122 },
      blocked: { stitches: { count: 24, length: 134 }, rows: { count: 24, length: 126 } },
    },
  ],
  motifs: [],
  construction: {
    family: 'two-faces',
    face: {
      of: 'worked',
      swatch: 'texture',
      stitches: 48,
      rows: 36,
      multiple: { multiple: 4, extra: 1 },
      rowsRun: 'across',
    },
    tuck: 50,
  },
  finish: { closure: { of: 'zip' } },
  joins: { method: 'mattress', yarn: 'kingfisher', school: 'lines', flatFirst: true },
};
