import type { DemoBag } from '../demo-bag.ts';
import { readyFabric, yarns } from '../ready.ts';

/** A ground of woven blocks: a front, a back that folds over as flap, and a trim worked along between them. */
export const methodWallet: DemoBag = {
  name: 'Method wallet',
  note: 'For the method cards. Blocks of three before and behind the post; the trim takes a stitch for each row end.',
  brief: {
    width: { value: 160, tolerance: 10 },
    height: { value: 134, tolerance: 10 },
    depth: { value: 20, tolerance: 8 },
    contents: [{ shape: 'box', id: 'cards', name: 'Method cards', height: 110, width: 140, thickness: 12 }],
  },
  yarns: yarns('tollbar', 'lichen', 'peat'),
  fabrics: [readyFabric('blocks')],
  swatches: [
    {
      id: 'woven',
      name: 'Woven blocks, Tollbar',
      yarn: 'lichen',
      hook: 4,
      stitch: 'tall',
      fabric: 'blocks',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 24, length: 127 },
      rows: { count: 12, length: 122 },
    },
    {
      id: 'trim',
      name: 'Low stitch for the trim',
      yarn: 'peat',
      hook: 3.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 22, length: 112 },
      rows: { count: 22, length: 106 },
    },
  ],
  motifs: [],
  construction: {
    family: 'fold-over',
    body: {
      of: 'worked',
      swatch: 'woven',
      stitches: 30,
      rows: 21,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    flap: 8,
    apart: {
      front: 13,
      strip: {
        swatch: 'trim',
        worked: 'along',
        depth: 4,
        length: { by: 'loops' },
        multiple: { multiple: 1, extra: 0 },
      },
    },
  },
  joins: { method: 'whip', yarn: 'peat', school: 'lines', flatFirst: true },
};
