import type { BagDraft } from '@fennot/core';
import { colourways, yarns } from '../stash.ts';

/** A tube of squares on a row of squares: stands on the handbell table. */
export const outingBox: BagDraft = {
  format: 'fennot.bag',
  version: 1,
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
      school: 'standing',
      strands: 1,
      stitches: { count: 12, length: 118 },
      rows: { count: 6, length: 108 },
    },
  ],
  motifs: [
    {
      id: 'tile',
      name: 'Solid tile',
      kind: 'solid',
      cornerChains: 2,
      gapChains: 0,
      school: 'standing',
      swatch: 'jersey',
      oneWay: false,
      colourways: colourways(['foam', 'ink', 'ink'], ['rust', 'foam', 'ink'], ['ink', 'lichen', 'ink']),
      measured: [{ rounds: 3, size: 122 }],
    },
  ],
  construction: {
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'row',
    sides: 'joins',
    body: { of: 'motifs', motif: 'tile', rounds: 3, columns: 8, rows: 2 },
  },
  joins: { method: 'ridge', yarn: 'ink', school: 'fewest', flatFirst: true },
};
