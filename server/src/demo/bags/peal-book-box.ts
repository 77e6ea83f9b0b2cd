import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** Five panels in two-row stripes, carried up the side, with handles carried through front and back. */
export const pealBookBox: DemoBag = {
  name: 'Peal-book box',
  note: 'Stripes of two rows, carried up the side, handles carried through. The right side was begun in Foam: do the stripes meet?',
  brief: {
    width: { value: 300, tolerance: 12 },
    height: { value: 220, tolerance: 12 },
    depth: { value: 100, tolerance: 10 },
    contents: [{ shape: 'box', id: 'book', name: 'Peal book', height: 200, width: 260, thickness: 45 }],
  },
  yarns: yarns('staithe', 'ink', 'foam', 'rust'),
  swatches: [
    {
      id: 'mid',
      name: 'Middle stitch, Staithe',
      yarn: 'ink',
      hook: 5,
      stitch: 'mid',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 18, length: 121 },
      rows: { count: 14, length: 125 },
    },
  ],
  motifs: [],
  construction: {
    family: 'boxed',
    front: { of: 'rows', panel: 'handle' },
    side: {
      of: 'worked',
      swatch: 'mid',
      stitches: 15,
      rows: 24,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    bottom: {
      of: 'worked',
      swatch: 'mid',
      stitches: 44,
      rows: 11,
      multiple: { multiple: 2, extra: 0 },
      rowsRun: 'across',
    },
  },
  stripes: {
    all: {
      bands: [
        { yarn: 'ink', rows: 2 },
        { yarn: 'foam', rows: 2 },
      ],
      carried: true,
    },
    own: {
      right: {
        bands: [
          { yarn: 'foam', rows: 2 },
          { yarn: 'ink', rows: 2 },
        ],
        carried: true,
      },
      bottom: 'plain',
    },
  },
  panels: [
    {
      id: 'handle',
      name: 'Front and back, with their handle',
      swatch: 'mid',
      terms: 'us',
      rows: [
        'ch 45',
        'Row 1 (A): hdc in 2nd ch from hook, hdc across (44)',
        'Row 2: hdc across',
        'Row 3 (B): hdc across',
        'Row 4: hdc across',
        'Rows 5-20: repeat rows 1-4',
        'Row 21 (A): 15 hdc, ch 14, skip 14, 15 hdc (44)',
        'Row 22: hdc across',
        'Rows 23-24 (B): hdc across',
      ].join('\n'),
    },
  ],
  finish: { lining: { of: 'cloth', allowance: 12 } },
  joins: { method: 'mattress', yarn: 'ink', school: 'fewest', flatFirst: true },
};
