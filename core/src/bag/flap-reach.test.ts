import { describe, expect, test } from 'vitest';
import type { Construction } from '../families/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { flapReach } from './index.ts';

const tube: Construction = {
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 6, rows: 3 },
};

describe('the flap', () => {
  test('of 24 rows hangs as far as it is long, in the middle of the back', () => {
    const flap = {
      of: 'worked',
      swatch: 's2',
      stitches: 30,
      rows: 24,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    } as const;
    const { graph } = planOf({ ...testDocument(tube), features: { flap } });
    const reach = flapReach(graph);
    const piece = graph.pieces.find(({ name }) => name === 'Flap');
    // A flat bag: all of it comes down in front.
    expect(reach?.reach).toBeCloseTo(piece?.outline[2]?.y ?? 0, 6);
    expect(Math.abs((reach?.left ?? 0) - (reach?.right ?? 0))).toBeLessThanOrEqual(1);
  });

  test('is not there where there is none', () => {
    expect(flapReach(planOf(testDocument(tube)).graph)).toBeUndefined();
  });
});
