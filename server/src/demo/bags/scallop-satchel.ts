import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** Two faces and a strip under a half round flap that ends in shells. */
export const scallopSatchel: DemoBag = {
  name: 'Scallop satchel',
  note: 'The flap grows by six a row; its last row is of shells, eight of five.',
  brief: {
    width: { value: 210, tolerance: 12 },
    height: { value: 190, tolerance: 12 },
    depth: { value: 60, tolerance: 8 },
  },
  yarns: yarns('sluice', 'rust', 'lichen'),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Sluice',
      yarn: 'lichen',
      hook: 5,
      stitch: 'tall',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 18, length: 126 },
      rows: { count: 10, length: 118 },
    },
    {
      id: 'low',
      name: 'Low stitch, Sluice',
      yarn: 'rust',
      hook: 4.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 20, length: 132 },
      rows: { count: 20, length: 126 },
    },
  ],
  motifs: [],
  panels: [
    {
      id: 'flap',
      name: 'Flap with shells',
      swatch: 'tall',
      terms: 'us',
      rows: [
        'Row 1: 7 dc in ring (7)',
        'Row 2: inc x3, inc, dc, inc x2 (13)',
        'Row 3: (dc, inc) x5, 2 dc, inc (19)',
        'Row 4: dc, inc, (2 dc, inc) x5, 2 dc (25)',
        'Row 5: (3 dc, inc) x5, 4 dc, inc (31)',
        'Row 6: 2 dc, inc, (4 dc, inc) x3, 5 dc, inc, 4 dc, inc, 2 dc (37)',
        'Row 7: inc, 6 dc, (inc, 5 dc) x5 (43)',
        'Row 8: 4 dc, inc, 7 dc, inc, (6 dc, inc) x4, 2 dc (49)',
        'Row 9: sc, (skip 2, 5 dc in next, skip 2, sc) x8',
      ].join('\n'),
    },
  ],
  construction: {
    family: 'faces-and-strip',
    face: {
      of: 'worked',
      swatch: 'low',
      stitches: 32,
      rows: 30,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    strip: {
      swatch: 'low',
      worked: 'across',
      depth: 9,
      length: { by: 'way' },
      multiple: { multiple: 1, extra: 0 },
    },
  },
  features: { flap: { of: 'rows', panel: 'flap', open: 30 } },
  finish: { closure: { of: 'button', diameter: 25, many: 1 } },
  joins: { method: 'ridge', yarn: 'rust', school: 'lines', flatFirst: true },
};
