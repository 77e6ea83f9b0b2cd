import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Two hexagons whose borders go on as walls. */
export const sixBellPurse: DemoBag = {
  name: 'Six-bell purse',
  note: 'One side for each bell. The walls grow out of the last round, so there is only one seam.',
  brief: {
    width: { value: 205, tolerance: 10 },
    height: { value: 180, tolerance: 10 },
    depth: { value: 60, tolerance: 8 },
    contents: [{ shape: 'box', id: 'book', name: 'Method book', height: 150, width: 105, thickness: 12 }],
  },
  yarns: yarns('tollbar', 'reed', 'lichen', 'rust', 'foam', 'marigold'),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Tollbar',
      yarn: 'lichen',
      hook: 4,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 20, length: 112 },
      rows: { count: 10, length: 104 },
    },
    {
      id: 'wall',
      name: 'Low stitch for the walls',
      yarn: 'reed',
      hook: 3.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 22, length: 118 },
      rows: { count: 22, length: 112 },
    },
  ],
  motifs: [
    {
      id: 'hexagon',
      name: 'Bell hexagon',
      kind: 'hexagon',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'rust', 'foam', 'lichen', 'lichen', 'rust', 'foam', 'reed'],
        ['rust', 'marigold', 'foam', 'reed', 'reed', 'marigold', 'foam', 'reed'],
      ),
      measured: [{ rounds: 8, size: 178 }],
    },
  ],
  construction: {
    family: 'grown-sides',
    face: { of: 'one', motif: 'hexagon', rounds: 8, open: 30 },
    swatch: 'wall',
    rounds: 6,
  },
  joins: { method: 'mattress', yarn: 'reed', school: 'lines', flatFirst: true },
};
