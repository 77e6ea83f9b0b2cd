import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** One textured piece, both ends drawn in onto a band. */
export const rosettePurse: DemoBag = {
  name: 'Rosette purse',
  note: 'For the rosettes of the striking contest. Two together at the top, then the band straight up.',
  brief: {
    width: { value: 220, tolerance: 10 },
    height: { value: 200, tolerance: 12 },
    opening: { value: 230, tolerance: 20 },
    contents: [
      { shape: 'cylinder', id: 'rosette', name: 'Rosette', height: 12, diameter: 90 },
      { shape: 'box', id: 'notes', name: 'Note book', height: 150, width: 120, thickness: 10 },
    ],
  },
  yarns: yarns('tollbar', 'loosestrife', 'marigold'),
  swatches: [
    {
      id: 'mid',
      name: 'Middle stitch, Tollbar',
      yarn: 'loosestrife',
      hook: 4,
      stitch: 'mid',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 20, length: 116 },
      rows: { count: 14, length: 108 },
    },
    {
      id: 'band',
      name: 'Low stitch for the band',
      yarn: 'marigold',
      hook: 3.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 22, length: 120 },
      rows: { count: 22, length: 112 },
    },
  ],
  motifs: [],
  construction: {
    family: 'gathered',
    body: {
      of: 'worked',
      swatch: 'mid',
      stitches: 38,
      rows: 54,
      multiple: { multiple: 2, extra: 0 },
      rowsRun: 'across',
    },
    together: 2,
    band: { swatch: 'band', rows: 6 },
    slit: 0,
  },
  joins: { method: 'mattress', yarn: 'loosestrife', school: 'lines', flatFirst: true },
};
