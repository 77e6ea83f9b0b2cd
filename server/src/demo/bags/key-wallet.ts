import type { DemoBag } from '../demo-bag.ts';
import { yarns } from '../ready.ts';

/** One long panel folded twice: front, back and flap. */
export const keyWallet: DemoBag = {
  name: 'Tower-key wallet',
  note: 'The tower key is 17 cm long and has torn every pocket so far.',
  brief: {
    width: { value: 130, tolerance: 6 },
    height: { value: 190, tolerance: 8 },
    contents: [{ shape: 'box', id: 'key', name: 'Tower key', height: 170, width: 62, thickness: 14 }],
  },
  yarns: yarns('tollbar', 'rust', 'ink'),
  swatches: [
    {
      id: 'dense',
      name: 'Low stitch, Tollbar, dense',
      yarn: 'rust',
      hook: 3.25,
      stitch: 'low',
      turning: 'does-not-count',
      strands: 1,
      stitches: { count: 26, length: 131 },
      rows: { count: 28, length: 133 },
    },
  ],
  motifs: [],
  construction: {
    family: 'fold-over',
    body: {
      of: 'worked',
      swatch: 'dense',
      stitches: 26,
      rows: 102,
      multiple: { multiple: 2, extra: 0 },
      rowsRun: 'across',
    },
    flap: 22,
  },
  joins: { method: 'whip', yarn: 'ink', school: 'lines', flatFirst: true },
};
