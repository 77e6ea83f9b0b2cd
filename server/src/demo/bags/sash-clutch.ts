import type { DemoBag } from '../demo-bag.ts';
import { readyFabric, yarns } from '../ready.ts';

/**
 * A plaited fabric whose middle is worked in a tighter stitch, drawn in there by a thread, and wrapped by a band that
 * carries a clasp.
 */
export const sashClutch: DemoBag = {
  name: 'Sash clutch',
  note: 'Drawn in at the middle with a doubled thread, then the band is sewn round it. The clasp is 34 mm high.',
  brief: { width: { value: 240, tolerance: 15 }, height: { value: 135, tolerance: 10 } },
  yarns: yarns('tollbar', 'loosestrife', 'foam'),
  fabrics: [
    readyFabric('braid'),
    { id: 'snug', name: 'Slip stitch in the back loop', terms: 'us', rows: 'Row 1: blo sl st across' },
  ],
  swatches: [
    {
      id: 'plait',
      name: 'Laid braid, Tollbar',
      yarn: 'loosestrife',
      hook: 5,
      stitch: 'low',
      fabric: 'braid',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 20, length: 120 },
      rows: { count: 32, length: 108 },
    },
    {
      id: 'snug',
      name: 'Slip stitch, snug',
      yarn: 'loosestrife',
      hook: 5,
      stitch: 'low',
      fabric: 'snug',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 20, length: 112 },
      rows: { count: 40, length: 98 },
    },
    {
      id: 'band',
      name: 'Low stitch for the band',
      yarn: 'foam',
      hook: 3.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 22, length: 118 },
      rows: { count: 22, length: 110 },
    },
  ],
  motifs: [],
  panels: [
    {
      id: 'face',
      name: 'Braid with a narrow middle',
      swatch: 'plait',
      terms: 'us',
      rows: ['ch 23', 'Row 1: 8 yo sl st, 7 blo sl st, 8 yo sl st (23)', 'Rows 2-71: repeat row 1'].join(
        '\n',
      ),
      sections: [
        { stitches: 8, swatch: 'plait' },
        { stitches: 7, swatch: 'snug' },
        { stitches: 8, swatch: 'plait' },
      ],
    },
  ],
  construction: {
    family: 'two-faces',
    face: { of: 'rows', panel: 'face', open: 30, upright: true },
    tuck: 0,
  },
  features: { waist: { at: 50, draw: 20, band: { swatch: 'band', wide: 6, clasp: 34 } } },
  finish: { closure: { of: 'zip' } },
  joins: { method: 'whip', yarn: 'loosestrife', school: 'lines', flatFirst: true },
};
