import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Two dozen squares of nine colourways, out of what was left; laid once on the floor, where nobody saw the side seam. */
export const nineBellTote: DemoBag = {
  name: 'Nine-bell tote',
  note: 'Squares from the whole band, nine colourways. Twenty-three are promised for twenty-four places. On the floor they looked well mixed.',
  brief: { width: { value: 340, tolerance: 15 }, height: { value: 450, tolerance: 20 } },
  yarns: yarns(
    'staithe',
    'peat',
    'lichen',
    'marigold',
    'kingfisher',
    'loosestrife',
    'reed',
    'rust',
    'foam',
    'ink',
  ),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Staithe',
      yarn: 'foam',
      hook: 5,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 18, length: 128 },
      rows: { count: 9, length: 109 },
    },
  ],
  motifs: [
    {
      id: 'square',
      name: 'Band square',
      kind: 'cluster',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'rust', 'kingfisher', 'foam'],
        ['kingfisher', 'foam', 'marigold', 'ink'],
        ['loosestrife', 'lichen', 'reed', 'foam'],
        ['rust', 'foam', 'ink', 'lichen'],
        ['reed', 'marigold', 'loosestrife', 'ink'],
        ['foam', 'kingfisher', 'rust', 'lichen'],
        ['ink', 'lichen', 'marigold', 'foam'],
        ['lichen', 'loosestrife', 'kingfisher', 'ink'],
        ['peat', 'marigold', 'foam', 'lichen'],
      ),
      measured: [
        { rounds: 4, size: 112 },
        { rounds: 4, size: 110 },
        { rounds: 4, size: 113 },
      ],
    },
  ],
  construction: {
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'square', rounds: 4, columns: 6, rows: 4 },
  },
  arrangement: {
    cells: {
      // Far apart on the floor; joined at the side they are neighbours.
      'body/0/5': { design: 'c1' },
      'body/2/0': { design: 'c5', locked: true },
      'body/2/5': { design: 'c5' },
      // And these meet at the bottom.
      'body/3/1': { design: 'c8', locked: true },
      'body/3/4': { design: 'c8' },
      'body/1/2': { design: 'c5', locked: true },
    },
    stock: [3, 3, 3, 2, 3, 2, 3, 2, 2].map((many, i) => ({ motif: 'square', design: `c${i + 1}`, many })),
  },
  finish: {
    straps: { kind: 'along', swatch: 'tall', many: 2, drop: 250, wide: 4 },
    lining: { of: 'cloth', allowance: 12 },
  },
  joins: { method: 'flat-slip', yarn: 'foam', school: 'lines', flatFirst: true },
};
