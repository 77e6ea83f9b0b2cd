import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** To be drawn over a ready-made cloth bag; as first measured the squares are a little too small. */
export const hymnCover: DemoBag = {
  name: 'Hymn-sheet cover',
  note: 'Goes over the cloth bag from the cupboard, 36 by 40 cm. The first square came out small: a round more, or another hook?',
  brief: {},
  yarns: yarns('eelgrass', 'reed', 'lichen', 'foam', 'rust', 'marigold'),
  swatches: [
    {
      id: 'linen',
      name: 'Tall stitch, Eelgrass',
      yarn: 'reed',
      hook: 3,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 26, length: 117 },
      rows: { count: 12, length: 93 },
    },
  ],
  motifs: [
    {
      id: 'hymn',
      name: 'Six-round square',
      kind: 'cluster',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'linen',
      oneWay: true,
      colourways: colourways(
        ['rust', 'foam', 'marigold', 'foam', 'lichen', 'reed'],
        ['marigold', 'lichen', 'rust', 'foam', 'reed', 'reed'],
      ),
      measured: [{ rounds: 5, size: 84 }],
    },
  ],
  construction: {
    family: 'cover',
    over: { width: 360, height: 400, depth: 0 },
    loops: true,
    body: {
      family: 'wrap-round',
      laid: 'folded',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'hymn', rounds: 5, columns: 4, rows: 9 },
    },
  },
  finish: { lining: { of: 'ready', width: 360, height: 400 } },
  joins: { method: 'mattress', yarn: 'reed', school: 'strips', flatFirst: true },
};
