import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** Bobble rows on both faces, and the same bobble rows round the strip: markers are counted in them. */
export const tuneCardCase: DemoBag = {
  name: 'Tune-card case',
  note: 'The laminated cards for the handbell tunes. Is the strip four rows short? Bobble rows on the faces meet bobble rows on the strip.',
  brief: {
    width: { value: 230, tolerance: 12 },
    height: { value: 250, tolerance: 12 },
    depth: { value: 82, tolerance: 8 },
    contents: [{ shape: 'box', id: 'cards', name: 'Tune cards', height: 215, width: 155, thickness: 40 }],
  },
  yarns: yarns('sluice', 'marigold', 'ink'),
  fabrics: [
    {
      id: 'bobbles',
      name: 'Bobble rows, two plain between',
      terms: 'us',
      rows: [
        'Row 1: sc across',
        'Row 2: sc across',
        'Row 3: sc across',
        'Row 4: 2 sc, (bobble, 3 sc) to last 3 sts, bobble, 2 sc',
      ].join('\n'),
    },
  ],
  swatches: [
    {
      id: 'bobbled',
      name: 'Bobble rows, Sluice',
      yarn: 'marigold',
      hook: 4.5,
      stitch: 'low',
      fabric: 'bobbles',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 21, length: 130 },
      rows: { count: 24, length: 136 },
    },
  ],
  motifs: [],
  construction: {
    family: 'faces-and-strip',
    face: {
      of: 'worked',
      swatch: 'bobbled',
      stitches: 37,
      rows: 44,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    strip: {
      swatch: 'bobbled',
      worked: 'across',
      depth: 13,
      length: { by: 'count', count: 125 },
      multiple: { multiple: 1, extra: 0 },
    },
  },
  finish: { straps: { kind: 'rows', swatch: 'bobbled', many: 1, drop: 280, wide: 5 } },
  joins: { method: 'ridge', yarn: 'ink', school: 'fewest', flatFirst: true },
};
