import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** A rectangle of a pattern with a multiple, its two ends drawn in by working three together, both alike. */
export const mufflePouch: DemoBag = {
  name: 'Muffle pouch',
  note: 'The leather muffles go in one by one. Three together along both ends, then a band straight up from each.',
  brief: {
    width: { value: 315, tolerance: 25 },
    height: { value: 131, tolerance: 12 },
  },
  yarns: yarns('staithe', 'reed', 'peat'),
  fabrics: [
    {
      id: 'puffs',
      name: 'Puffs set apart',
      terms: 'us',
      rows: [
        'Row 1: hdc across',
        'Row 2: 2 hdc, (puff, 3 hdc) to last 3 sts, puff, 2 hdc',
        'Row 3: hdc across',
        'Row 4: 4 hdc, (puff, 3 hdc) to last st, hdc',
      ].join('\n'),
    },
  ],
  swatches: [
    {
      id: 'puffed',
      name: 'Puffs set apart, Staithe',
      yarn: 'reed',
      hook: 5,
      stitch: 'mid',
      fabric: 'puffs',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 17, length: 119 },
      rows: { count: 16, length: 128 },
    },
    {
      id: 'band',
      name: 'Low stitch for the bands',
      yarn: 'peat',
      hook: 4.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 18, length: 118 },
      rows: { count: 18, length: 106 },
    },
  ],
  motifs: [],
  construction: {
    family: 'gathered',
    body: {
      of: 'worked',
      swatch: 'puffed',
      stitches: 45,
      rows: 41,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    together: 3,
    band: { swatch: 'band', rows: 5 },
    slit: 0,
  },
  joins: { method: 'mattress', yarn: 'peat', school: 'lines', flatFirst: true },
};
