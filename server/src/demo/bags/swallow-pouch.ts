import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

const ROWS = [
  'ch 21',
  'Row 1: sc in 2nd ch from hook, sc across (20)',
  'Row 2: inc, 18 sc, inc (22)',
  'Row 3: inc, sc to last st, inc (24)',
  'Rows 4-8: repeat row 3',
  'Row 9: (7 sc, inc) x4, 2 sc (38)',
  'Rows 10-12: sc across',
  'Row 13: (18 sc, inc) x2 (40)',
  'Rows 14-19: sc across',
  'Row 20: dec, 36 sc, dec (38)',
  'Row 21: dec, sc to last 2 sts, dec (36)',
  'Row 22: repeat row 21',
  'Row 23: sc across (34)',
  'Row 24: start in 3rd st, 30 sc, leave 2 (30)',
  'Row 25: sc across',
  'Row 26: start in 3rd st, 26 sc, leave 2 (26)',
  'Row 27: sc across',
  'Row 28: start in 4th st, 20 sc, leave 3 (20)',
  'Rows 29-30: sc across',
  'Band: hdc evenly along the edge of rows 23-30, 1 in each st, 1 beside each row',
].join('\n');

/** A curved face by thirty rows, with short rows on top; its twin, as it was worked, has lost an increase. */
export const swallowPouch: DemoBag = {
  name: 'Swallow pouch',
  note: 'The second face came out one stitch narrow. Compare the two row by row on the Row bench.',
  brief: { width: { value: 240, tolerance: 15 }, height: { value: 190, tolerance: 15 } },
  yarns: yarns('sluice', 'ink', 'kingfisher'),
  swatches: [
    {
      id: 'low',
      name: 'Low stitch, Sluice',
      yarn: 'kingfisher',
      hook: 4.5,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 20, length: 124 },
      rows: { count: 20, length: 126 },
    },
  ],
  motifs: [],
  panels: [
    { id: 'face', name: 'Face', swatch: 'low', terms: 'us', rows: ROWS },
    {
      id: 'second',
      name: 'Second face, as worked',
      swatch: 'low',
      terms: 'us',
      // The deliberate slip: an increase was forgotten in row 9, and all that stands on it is one short.
      rows: ROWS.replace('(7 sc, inc) x4, 2 sc (38)', '(7 sc, inc) x3, 10 sc (38)'),
    },
  ],
  construction: { family: 'two-faces', face: { of: 'rows', panel: 'face', open: 30 }, tuck: 0 },
  finish: { closure: { of: 'zip' } },
  joins: { method: 'mattress', yarn: 'ink', school: 'lines', flatFirst: true },
};
