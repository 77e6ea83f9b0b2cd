import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** Two discs and a strip that was stopped four rows too early. */
export const raffleDrum: DemoBag = {
  name: 'Raffle drum',
  note: 'The tickets go in at the top. The strip is worked and cast off: does it reach round?',
  brief: {
    width: { value: 220, tolerance: 10 },
    height: { value: 220, tolerance: 10 },
    depth: { value: 150, tolerance: 12 },
    opening: { value: 700, tolerance: 60 },
  },
  yarns: yarns('sluice', 'loosestrife', 'foam', 'marigold', 'ink'),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Sluice',
      yarn: 'foam',
      hook: 5,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 18, length: 126 },
      rows: { count: 10, length: 128 },
    },
    {
      id: 'low',
      name: 'Low stitch for the strip',
      yarn: 'loosestrife',
      hook: 4.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 20, length: 132 },
      rows: { count: 20, length: 126 },
    },
  ],
  motifs: [
    {
      id: 'disc',
      name: 'Ticket disc',
      kind: 'disc',
      cornerChains: 2,
      gapChains: 0,
      increases: 12,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways([
        'marigold',
        'foam',
        'loosestrife',
        'foam',
        'ink',
        'foam',
        'loosestrife',
        'marigold',
      ]),
      measured: [{ rounds: 8, size: 216 }],
    },
  ],
  construction: {
    family: 'faces-and-strip',
    face: { of: 'one', motif: 'disc', rounds: 8, open: 30 },
    strip: {
      swatch: 'low',
      worked: 'across',
      depth: 22,
      length: { by: 'count', count: 73 },
      multiple: { multiple: 1, extra: 0 },
    },
  },
  joins: { method: 'ridge', yarn: 'ink', school: 'lines', flatFirst: true },
};
