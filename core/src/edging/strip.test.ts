import { describe, expect, test } from 'vitest';
import type { Construction } from '../families/index.ts';
import { finishOf } from '../finish/index.ts';
import { must } from '../geometry/index.ts';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { edgeCounts, edgeStrip } from './index.ts';

const tube: Construction = {
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 6, rows: 3 },
};

describe('the edge rolled out', () => {
  test('round six squares: three in front, three behind, a join after every fourteenth loop', () => {
    const strip = edgeStrip(must(edgeCounts(planOf(testDocument(tube)).graph)[0], 'rim'), []);
    expect(strip?.stitches).toBe(90);
    expect(strip?.parts.map(({ face }) => face)).toEqual(['front', 'back']);
    expect(strip?.parts[0]).toMatchObject({ from: 0 });
    // 14 loops, then the stitch over the join: 15 a square.
    expect(strip?.marks.map(({ at }) => at)).toEqual([14, 29, 44, 59, 74, 89]);
  });

  test('straps lie alike from both sides of the front', () => {
    const straps = { kind: 'rows', swatch: 's2', many: 2, drop: 200, wide: 4 } as const;
    const plan = planOf({ ...testDocument(tube), finish: { straps } });
    const { strip } = finishOf(plan);
    const front = strip?.parts.find(({ face }) => face === 'front');
    const ends = strip?.marks.filter(({ is, at }) => is === 'strap' && at < (front?.to ?? 0)) ?? [];
    expect(ends).toHaveLength(2);
    const [left, right] = ends;
    expect(left?.at).toBe((front?.to ?? 0) - (right?.at ?? 0) - 4);
  });
});
