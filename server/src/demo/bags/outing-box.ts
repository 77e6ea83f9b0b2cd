import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Squares in front, behind and below, worked sides between them: stands on the handbell table. */
export const outingBox: DemoBag = {
  name: 'Outing box for the handbell table',
  note: 'Carries the small bells and the gloves. Solid squares, so that no clapper catches.',
  brief: {
    width: { value: 380, tolerance: 15 },
    height: { value: 255, tolerance: 12 },
    depth: { value: 125, tolerance: 10 },
  },
  yarns: yarns('quern', 'ink', 'foam', 'rust', 'lichen'),
  swatches: [
    {
      id: 'jersey',
      name: 'Tall stitch, Quern',
      yarn: 'ink',
      hook: 7,
      stitch: 'tall',
      turning: 'standing',
      strands: 1,
      stitches: { count: 12, length: 118 },
      rows: { count: 6, length: 108 },
    },
    {
      id: 'stripe',
      name: 'Low stitch for the sides',
      yarn: 'rust',
      hook: 6.5,
      stitch: 'low',
      turning: 'standing',
      strands: 1,
      stitches: { count: 12, length: 116 },
      rows: { count: 12, length: 106 },
    },
  ],
  motifs: [
    {
      id: 'tile',
      name: 'Solid tile',
      kind: 'solid',
      cornerChains: 2,
      gapChains: 0,
      turning: 'standing',
      swatch: 'jersey',
      oneWay: false,
      colourways: colourways(['foam', 'ink', 'ink'], ['rust', 'foam', 'ink'], ['ink', 'lichen', 'ink']),
      measured: [{ rounds: 3, size: 122 }],
    },
  ],
  construction: {
    family: 'boxed',
    front: { of: 'motifs', motif: 'tile', rounds: 3, columns: 3, rows: 2 },
    side: {
      of: 'worked',
      swatch: 'stripe',
      stitches: 13,
      rows: 28,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    bottom: { of: 'motifs', motif: 'tile', rounds: 3, columns: 3, rows: 1 },
  },
  features: { edge: { swatch: 'stripe', rounds: 1, growth: 0 } },
  finish: {
    straps: { kind: 'edge', swatch: 'stripe', many: 2, drop: 110, wide: 5 },
    lining: { of: 'cloth', allowance: 12 },
  },
  joins: { method: 'ridge', yarn: 'ink', school: 'fewest', flatFirst: true },
};
