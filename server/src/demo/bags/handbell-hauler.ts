import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Squares on point: thirteen diamonds, peaks on either side of a notch. */
export const handbellHauler: DemoBag = {
  name: 'Handbell hauler',
  note: 'For one large bell in its cloth. The points are folded over the clapper guard.',
  brief: {
    width: { value: 330, tolerance: 12 },
    height: { value: 330, tolerance: 15 },
    contents: [
      { shape: 'cylinder', id: 'bell', name: 'Tenor handbell in its cloth', height: 290, diameter: 185 },
    ],
  },
  yarns: yarns('staithe', 'kingfisher', 'marigold', 'foam', 'rust', 'lichen'),
  swatches: [
    {
      id: 'aran',
      name: 'Tall stitch, Staithe',
      yarn: 'kingfisher',
      hook: 5,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 18, length: 128 },
      rows: { count: 9, length: 111 },
    },
  ],
  motifs: [
    {
      id: 'diamond',
      name: 'Bell square',
      kind: 'cluster',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'aran',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'foam', 'rust', 'kingfisher'],
        ['foam', 'marigold', 'lichen', 'kingfisher'],
        ['rust', 'foam', 'marigold', 'kingfisher'],
      ),
      measured: [
        { rounds: 4, size: 116 },
        { rounds: 4, size: 115 },
      ],
    },
  ],
  construction: { family: 'on-point', motif: 'diamond', rounds: 4, across: 2, rows: 3, bottom: 'tapered' },
  joins: { method: 'flat-slip', yarn: 'kingfisher', school: 'lines', flatFirst: true },
};
