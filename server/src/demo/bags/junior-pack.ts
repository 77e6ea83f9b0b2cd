import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** A pack with worked faces and a strip along them, as first crocheted: the strip is 4 rows short. */
export const juniorPack: DemoBag = {
  name: 'Junior ringer’s pack',
  note: 'The strip was worked while travelling and counted from memory. It comes out short: lengthen it before joining.',
  brief: {
    width: { value: 250, tolerance: 12 },
    height: { value: 300, tolerance: 15 },
    depth: { value: 100, tolerance: 10 },
  },
  yarns: yarns('sluice', 'kingfisher', 'marigold', 'foam'),
  swatches: [
    {
      id: 'body',
      name: 'Mid stitch, Sluice',
      yarn: 'kingfisher',
      hook: 5,
      stitch: 'mid',
      turning: 'counts',
      strands: 1,
      stitches: { count: 20, length: 143 },
      rows: { count: 12, length: 111 },
    },
    {
      id: 'strip',
      name: 'Mid stitch, Marigold strip',
      yarn: 'marigold',
      hook: 5,
      stitch: 'mid',
      turning: 'counts',
      strands: 1,
      stitches: { count: 20, length: 142 },
      rows: { count: 12, length: 112 },
    },
  ],
  motifs: [],
  construction: {
    family: 'pack',
    body: {
      family: 'faces-and-strip',
      face: {
        of: 'worked',
        swatch: 'body',
        stitches: 35,
        rows: 32,
        multiple: { multiple: 1, extra: 0 },
        rowsRun: 'across',
      },
      strip: {
        swatch: 'strip',
        worked: 'across',
        depth: 14,
        length: { by: 'count', count: 87 },
        multiple: { multiple: 1, extra: 0 },
      },
    },
    worn: {
      on: 'back',
      flap: {
        of: 'shaped',
        swatch: 'strip',
        chain: 12,
        parts: [
          { rows: 10, stitches: 26 },
          { rows: 12, stitches: 26 },
        ],
      },
      eyelets: 16,
      strap: 620,
    },
  },
  joins: { method: 'ridge', yarn: 'marigold', school: 'lines', flatFirst: true },
};
