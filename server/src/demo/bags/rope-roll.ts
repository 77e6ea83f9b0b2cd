import type { BagDraft } from '@fennot/core';
import { colourways, yarns } from '../stash.ts';

/** An odd number of columns: one side folds on a join, the other down the middle of a column. */
export const ropeRoll: BagDraft = {
  format: 'fennot.bag',
  version: 1,
  name: 'Rope roll',
  note: 'For the spare tail ends. Seven columns were what the Loosestrife allowed.',
  brief: {
    width: { value: 290, tolerance: 12 },
    height: { value: 250, tolerance: 12 },
  },
  yarns: yarns('tollbar', 'loosestrife', 'foam', 'marigold', 'reed', 'kingfisher'),
  swatches: [
    {
      id: 'dk',
      name: 'Tall stitch, Tollbar',
      yarn: 'foam',
      hook: 4,
      stitch: 'tall',
      school: 'counts',
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
      school: 'counts',
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
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'cluster', rounds: 4, columns: 7, rows: 3 },
  },
  joins: { method: 'whip', yarn: 'loosestrife', school: 'lines', flatFirst: true },
};
