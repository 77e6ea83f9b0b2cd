import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Holds ring binders. The strip is worked across and left as many rows as it takes. */
export const folderSatchel: DemoBag = {
  name: 'Folder satchel',
  note: 'For the ringing books in their A4 ring binders. The strap must stand the weight of four of them.',
  brief: {
    width: { value: 340, tolerance: 12 },
    height: { value: 340, tolerance: 12 },
    depth: { value: 90, tolerance: 8 },
    strapDrop: { value: 550, tolerance: 30 },
  },
  yarns: yarns('staithe', 'peat', 'lichen', 'marigold', 'kingfisher', 'rust', 'foam'),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Staithe',
      yarn: 'peat',
      hook: 5,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 18, length: 128 },
      rows: { count: 9, length: 109 },
    },
    {
      id: 'strip',
      name: 'Low stitch for the strip',
      yarn: 'kingfisher',
      hook: 4.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 20, length: 137 },
      rows: { count: 20, length: 130 },
    },
  ],
  motifs: [
    {
      id: 'square',
      name: 'Ringing square',
      kind: 'cluster',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'rust', 'kingfisher', 'foam'],
        ['foam', 'kingfisher', 'marigold', 'foam'],
        ['rust', 'lichen', 'peat', 'foam'],
      ),
      measured: [
        { rounds: 4, size: 112 },
        { rounds: 4, size: 110 },
        { rounds: 4, size: 113 },
      ],
    },
  ],
  construction: {
    family: 'faces-and-strip',
    face: { of: 'motifs', motif: 'square', rounds: 4, columns: 3, rows: 3 },
    strip: {
      swatch: 'strip',
      worked: 'across',
      depth: 13,
      length: { by: 'way' },
      multiple: { multiple: 1, extra: 0 },
    },
  },
  features: {
    flap: {
      of: 'worked',
      swatch: 'tall',
      stitches: 42,
      rows: 22,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
  },
  finish: {
    straps: { kind: 'along', swatch: 'strip', many: 1, drop: 550, wide: 7 },
    closure: { of: 'magnet' },
    lining: { of: 'cloth', allowance: 12 },
  },
  joins: { method: 'flat-slip', yarn: 'peat', school: 'lines', flatFirst: true },
};
