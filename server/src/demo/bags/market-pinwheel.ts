import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Wings of 5, 4, 5, 4: their ends line up into two long slopes and two points. */
export const marketPinwheel: DemoBag = {
  name: 'Market pinwheel',
  note: 'Stood on the stall last summer and was asked for twice. Eighteen squares.',
  brief: {
    width: { value: 215, tolerance: 12 },
    depth: { value: 215, tolerance: 12 },
    height: { value: 530, tolerance: 25 },
  },
  yarns: yarns('sluice', 'reed', 'loosestrife', 'marigold', 'foam', 'kingfisher'),
  swatches: [
    {
      id: 'sluice',
      name: 'Tall stitch, Sluice',
      yarn: 'reed',
      hook: 5.5,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 16, length: 121 },
      rows: { count: 8, length: 104 },
    },
  ],
  motifs: [
    {
      id: 'wheel',
      name: 'Five-round square',
      kind: 'cluster',
      cornerChains: 2,
      gapChains: 1,
      turning: 'counts',
      swatch: 'sluice',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'loosestrife', 'foam', 'kingfisher', 'reed'],
        ['foam', 'marigold', 'loosestrife', 'foam', 'reed'],
        ['kingfisher', 'foam', 'marigold', 'loosestrife', 'reed'],
      ),
      measured: [
        { rounds: 5, size: 150 },
        { rounds: 5, size: 152 },
        { rounds: 5, size: 149 },
      ],
    },
  ],
  construction: { family: 'pinwheel', motif: 'wheel', rounds: 5, wings: [5, 4, 5, 4] },
  joins: { method: 'ridge', yarn: 'reed', school: 'fewest', flatFirst: true },
};
