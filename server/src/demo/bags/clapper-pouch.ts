import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

const row = (y: number) =>
  [0, 1, 2].map((x) => ({ x, y, of: (x + y) % 3 === 1 ? ('panel' as const) : ('square' as const) }));

/** Laid piece by piece, squares and panels by turns. One pair of edges is not closed yet. */
export const clapperPouch: DemoBag = {
  name: 'Clapper pouch',
  note: 'Laid out on the vestry floor, panels where the squares ran out. Which edge is still open?',
  brief: {
    width: { value: 260, tolerance: 12 },
    height: { value: 175, tolerance: 12 },
    contents: [{ shape: 'cylinder', id: 'clapper', name: 'Clapper', height: 150, diameter: 60 }],
  },
  yarns: yarns('tollbar', 'rust', 'foam', 'kingfisher', 'lichen'),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Tollbar',
      yarn: 'kingfisher',
      hook: 4,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 20, length: 112 },
      rows: { count: 10, length: 104 },
    },
  ],
  motifs: [
    {
      id: 'square',
      name: 'Clapper square',
      kind: 'solid',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways(
        ['rust', 'foam', 'lichen', 'kingfisher'],
        ['foam', 'rust', 'foam', 'kingfisher'],
      ),
      measured: [{ rounds: 4, size: 86 }],
    },
  ],
  construction: {
    family: 'own',
    motif: 'square',
    rounds: 4,
    swatch: 'tall',
    grid: 'straight',
    cells: [0, 1, 2, 3].flatMap(row),
    folds: [{ lies: 'level', at: 4, angle: 180 }],
    pairs: [
      { a: { x: 0, y: 0, side: 3 }, b: { x: 0, y: 3, side: 3 } },
      { a: { x: 0, y: 1, side: 3 }, b: { x: 0, y: 2, side: 3 } },
      { a: { x: 2, y: 1, side: 1 }, b: { x: 2, y: 2, side: 1 } },
    ],
  },
  joins: { method: 'flat-slip', yarn: 'kingfisher', school: 'lines', flatFirst: true },
};
