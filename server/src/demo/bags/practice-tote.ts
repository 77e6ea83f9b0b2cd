import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Eighteen squares framed, joined and edged in one colour, of which there are a begun ball and a bit of another bath. */
export const practiceTote: DemoBag = {
  name: 'Practice-night tote',
  note: 'What is left of Kingfisher should go into it: frames, joins and seven edge rounds. Does it reach?',
  brief: {
    width: { value: 300, tolerance: 15 },
    height: { value: 320, tolerance: 15 },
    strapDrop: { value: 240, tolerance: 20 },
    contents: [{ shape: 'box', id: 'book', name: 'Method book', height: 210, width: 150, thickness: 14 }],
  },
  yarns: yarns('tollbar', 'kingfisher', 'foam', 'marigold', 'rust', 'lichen'),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Tollbar',
      yarn: 'foam',
      hook: 4,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 20, length: 112 },
      rows: { count: 10, length: 104 },
    },
    {
      id: 'edge',
      name: 'Low stitch for the edge',
      yarn: 'kingfisher',
      hook: 3.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 22, length: 118 },
      rows: { count: 22, length: 112 },
    },
    {
      id: 'strap',
      name: 'Low stitch for the straps',
      yarn: 'foam',
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
      id: 'square',
      name: 'Practice square',
      kind: 'cluster',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'foam', 'rust', 'kingfisher'],
        ['rust', 'marigold', 'foam', 'kingfisher'],
        ['lichen', 'foam', 'marigold', 'kingfisher'],
      ),
      measured: [
        { rounds: 4, size: 96 },
        { rounds: 4, size: 97 },
        { rounds: 4, size: 95 },
      ],
    },
  ],
  construction: {
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'square', rounds: 4, columns: 6, rows: 3 },
  },
  arrangement: {
    cells: Object.fromEntries(
      [0, 1, 2].flatMap((row) =>
        [0, 1, 2, 3, 4, 5].map((column) => [
          `body/${row}/${column}`,
          { design: `c${((row + column) % 3) + 1}` },
        ]),
      ),
    ),
  },
  features: { edge: { swatch: 'edge', rounds: 7, growth: 0 } },
  finish: { straps: { kind: 'rows', swatch: 'strap', many: 2, drop: 240, wide: 5 } },
  joins: { method: 'mattress', yarn: 'kingfisher', school: 'lines', flatFirst: true },
};
