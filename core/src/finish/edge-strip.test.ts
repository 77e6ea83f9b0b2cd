import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Construction } from '../families/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, features, testDocument } from '../testing/arbitraries.ts';
import { edgeCount, edgeStrip, finishOf, flapReach } from './index.ts';

const bare = { straps: undefined, front: [], back: [] };
const tube: Construction = {
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 6, rows: 3 },
};

describe('the edge rolled out', () => {
  test('has the stitches that were counted, and its parts lie end to end', () => {
    fc.assert(
      fc.property(constructions, features, (construction, own) => {
        const { graph } = planOf({ ...testDocument(construction), features: own });
        const strip = edgeStrip(graph, bare);
        const count = edgeCount(graph);
        expect(strip === undefined).toBe(count === undefined);
        if (!strip || !count) return;
        const [along, joins] = [count.along, count.joins];
        expect(
          Math.abs(strip.stitches - (along + joins + 2 * count.peaks - 2 * count.notches)),
        ).toBeLessThanOrEqual(1);
        expect(strip.parts[0]?.from).toBe(0);
        // A notch takes two stitches back; what comes after begins no farther back than that.
        strip.parts.forEach(({ from }, i) => {
          expect(from).toBeGreaterThanOrEqual((strip.parts[i - 1]?.to ?? 0) - 2 - 1e-6);
        });
        for (const kind of ['join', 'peak', 'notch'] as const) {
          const many = { join: joins, peak: count.peaks, notch: count.notches }[kind];
          expect(strip.marks.filter(({ is }) => is === kind)).toHaveLength(many);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('round six squares: three in front, three behind, a join after every fourteenth loop', () => {
    const strip = edgeStrip(planOf(testDocument(tube)).graph, bare);
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
