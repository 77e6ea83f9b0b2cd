import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** Two discs by their rounds and a strip of puff rows between them. */
export const puffDrum: DemoBag = {
  name: 'Puff drum',
  note: 'Two discs with six increases a round, and a strip of puffs: a chain after each, one passed over.',
  brief: {
    width: { value: 180, tolerance: 12 },
    height: { value: 180, tolerance: 12 },
    depth: { value: 100, tolerance: 10 },
  },
  yarns: yarns('staithe', 'kingfisher', 'foam', 'reed'),
  fabrics: [
    {
      id: 'puffs',
      name: 'Puff rows',
      terms: 'us',
      rows: ['Row 1: sc across', 'Row 2: sc, (puff, ch 1, skip 1) to last 2 sts, puff, sc'].join('\n'),
    },
  ],
  swatches: [
    {
      id: 'low',
      name: 'Low stitch, Staithe',
      yarn: 'kingfisher',
      hook: 5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 18, length: 121 },
      rows: { count: 20, length: 128 },
    },
    {
      id: 'puffed',
      name: 'Puff rows, Staithe',
      yarn: 'foam',
      hook: 5,
      stitch: 'low',
      fabric: 'puffs',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 17, length: 119 },
      rows: { count: 16, length: 132 },
    },
  ],
  motifs: [],
  panels: [
    {
      id: 'disc',
      name: 'Disc',
      swatch: 'low',
      terms: 'us',
      rows: [
        'Round 1: 6 sc in ring (6)',
        'Round 2: inc x6 (12)',
        'Round 3: (inc, sc) x6 (18)',
        'Round 4: (2 sc, inc) x6 (24)',
        'Round 5: sc, inc, (3 sc, inc) x5, 2 sc (30)',
        'Round 6: (4 sc, inc) x6 (36)',
        'Round 7: 2 sc, inc, (5 sc, inc) x5, 3 sc (42)',
        'Round 8: (6 sc, inc) x6 (48)',
        'Round 9: 3 sc, inc, (7 sc, inc) x5, 4 sc (54)',
        'Round 10: (8 sc, inc) x6 (60)',
        'Round 11: 4 sc, inc, (9 sc, inc) x5, 5 sc (66)',
        'Round 12: (10 sc, inc) x6 (72)',
        'Round 13: 5 sc, inc, (11 sc, inc) x5, 6 sc (78)',
        'Round 14: (12 sc, inc) x6 (84)',
      ].join('\n'),
    },
  ],
  construction: {
    family: 'faces-and-strip',
    face: { of: 'rows', panel: 'disc', open: 30 },
    strip: {
      swatch: 'puffed',
      worked: 'across',
      depth: 15,
      length: { by: 'way' },
      multiple: { multiple: 1, extra: 0 },
    },
  },
  joins: { method: 'ridge', yarn: 'reed', school: 'lines', flatFirst: true },
};
