import type { DemoBag } from '../demo-bag.ts';
import { readyFabric, yarns } from '../stash.ts';

/** A plaited fabric drawn in at the middle by a thread, and wrapped by a band that carries a clasp. */
export const sashClutch: DemoBag = {
  name: 'Sash clutch',
  note: 'Drawn in at the middle with a doubled thread, then the band is sewn round it. The clasp is 34 mm high.',
  brief: { width: { value: 240, tolerance: 15 }, height: { value: 135, tolerance: 10 } },
  yarns: yarns('tollbar', 'loosestrife', 'foam'),
  fabrics: [readyFabric('braid')],
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
  construction: {
    family: 'two-faces',
    face: {
      of: 'worked',
      swatch: 'plait',
      stitches: 23,
      rows: 71,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'upright',
    },
    tuck: 0,
  },
  features: { waist: { at: 50, draw: 40, band: { swatch: 'band', wide: 6, clasp: 34 } } },
  finish: { closure: { of: 'zip' } },
  joins: { method: 'whip', yarn: 'loosestrife', school: 'lines', flatFirst: true },
};
