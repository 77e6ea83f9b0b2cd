import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** A body of squares whose corner columns run on as handles, the longer to slip through the shorter. */
export const knittingKeeper: DemoBag = {
  name: 'Slip-through knitting keeper',
  note: 'Hangs on the arm while knitting in the bell chamber. The Loosestrife just reached.',
  brief: {
    width: { value: 330, tolerance: 12 },
    height: { value: 250, tolerance: 12 },
    contents: [
      { shape: 'cylinder', id: 'needles', name: 'Needles in their tube', height: 360, diameter: 40 },
    ],
  },
  yarns: yarns('tollbar', 'loosestrife', 'foam', 'marigold', 'reed', 'kingfisher'),
  swatches: [
    {
      id: 'dk',
      name: 'Tall stitch, Tollbar',
      yarn: 'foam',
      hook: 4,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 20, length: 118 },
      rows: { count: 10, length: 92 },
    },
  ],
  motifs: [
    {
      id: 'cluster',
      name: 'Cluster square',
      kind: 'cluster',
      cornerChains: 3,
      gapChains: 1,
      turning: 'counts',
      swatch: 'dk',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'loosestrife', 'foam', 'loosestrife'],
        ['foam', 'reed', 'marigold', 'loosestrife'],
        ['kingfisher', 'foam', 'reed', 'loosestrife'],
        ['reed', 'marigold', 'kingfisher', 'loosestrife'],
      ),
      measured: [
        { rounds: 4, size: 82 },
        { rounds: 4, size: 83 },
        { rounds: 4, size: 81 },
        { rounds: 4, size: 84 },
        { rounds: 4, size: 82 },
        { rounds: 4, size: 82 },
        { rounds: 2, size: 45 },
      ],
    },
  ],
  construction: {
    family: 'slip-through',
    motif: 'cluster',
    rounds: 4,
    columns: 4,
    rows: 3,
    short: 2,
    long: 5,
  },
  joins: { method: 'whip', yarn: 'loosestrife', school: 'lines', flatFirst: true },
};
