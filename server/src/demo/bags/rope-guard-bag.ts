import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** A fabric of the maker's own, written down, measured, and used for the whole bag. */
export const ropeGuardBag: DemoBag = {
  name: 'Rope-guard bag',
  note: 'My own fabric, typed as I work it: a crossed pair, a gap, and a row of low stitches to hold it.',
  brief: {
    width: { value: 260, tolerance: 15 },
    height: { value: 280, tolerance: 15 },
  },
  yarns: yarns('eelgrass', 'peat', 'lichen'),
  fabrics: [
    {
      id: 'own',
      name: 'Gapped clusters',
      terms: 'uk',
      rows: [
        'ch 26',
        'Row 1: dc across',
        'Row 2: tr, (cluster, ch 1, skip 1, tr) to end',
        'Row 3: dc in each st across',
      ].join('\n'),
    },
  ],
  swatches: [
    {
      id: 'gapped',
      name: 'Gapped clusters, two strands',
      yarn: 'lichen',
      hook: 3.5,
      stitch: 'low',
      fabric: 'own',
      turning: 'does-not-count',
      strands: 2,
      stitches: { count: 25, length: 128 },
      rows: { count: 18, length: 122 },
    },
  ],
  motifs: [],
  construction: {
    family: 'wrap-round',
    body: {
      of: 'worked',
      swatch: 'gapped',
      stitches: 103,
      rows: 42,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
  },
  finish: { straps: { kind: 'rows', swatch: 'gapped', many: 1, drop: 320, wide: 7 } },
  joins: { method: 'mattress', yarn: 'peat', school: 'lines', flatFirst: true },
};
