import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { documentSchema } from '../document/index.ts';
import { finishOf } from '../finish/index.ts';
import { stitchesForClasp } from '../panel/index.ts';
import { featureControlsOf, planned, planOf } from '../plan/index.ts';
import { widerForClasp } from '../strap/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { built, facesAndStrip, panel } from '../testing/built.ts';
import { wayRoundAt } from './level.ts';
import { measure } from './measure.ts';

describe('the way round at a height', () => {
  test('of two flat faces: twice the width, at every height', () => {
    const { graph } = built({ family: 'two-faces', face: panel(40, 50), tuck: 0 });
    const { width, height } = measure(graph);
    for (const share of [0.1, 0.37, 0.5, 0.99])
      expect(wayRoundAt(graph, share * height)).toBeCloseTo(2 * width, 6);
  });

  test('of a box: twice its width and its depth', () => {
    const { graph } = built(facesAndStrip(panel(40, 50)));
    const { width, depth, height } = measure(graph);
    // The strip is eased onto the face by its last part of a row: no more than that.
    expect(wayRoundAt(graph, height / 2) / (2 * (width + depth))).toBeCloseTo(1, 2);
  });

  test('above and below a bag there is none', () => {
    const { graph } = built({ family: 'two-faces', face: panel(40, 50), tuck: 0 });
    expect(wayRoundAt(graph, -5)).toBe(0);
    expect(wayRoundAt(graph, measure(graph).height + 5)).toBe(0);
  });

  test('property: of any bag never more than twice what it measures across and through, twice over', () => {
    fc.assert(
      fc.property(constructions, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (construction, share) => {
        const plan = planned(testDocument(construction));
        if (!plan.ok) return;
        const { graph } = plan.plan;
        const { width, depth, height } = measure(graph);
        const way = wayRoundAt(graph, share * height);
        expect(way).toBeGreaterThanOrEqual(0);
        // Walls that slope to the middle and back, one inside another, come to no more.
        expect(way).toBeLessThanOrEqual(4 * (width + depth) + 1);
      }),
      { numRuns: 40 },
    );
  });
});

describe('a band round the waist', () => {
  const banded = (wide: number, clasp?: number) => {
    const base = testDocument({ family: 'two-faces', face: panel(40, 50), tuck: 0 });
    const plan = planOf({
      ...base,
      features: { waist: { at: 50, draw: 25, band: { swatch: 's2', wide, ...(clasp ? { clasp } : {}) } } },
    });
    const [band] = plan.bands;
    if (!band) throw new Error('a band');
    return { plan, band };
  };

  test('is as long as what is left of the way round, in whole rows', () => {
    const { plan, band } = banded(5);
    const { width } = measure(plan.graph);
    // A quarter is drawn in of twice the width.
    expect(band.worked).toBeGreaterThan(0.75 * 2 * width - 4);
    expect(band.worked).toBeLessThan(0.75 * 2 * width + 4);
    expect(band.stretch).toBe(0);
  });

  test('says how many stitches a clasp asks for', () => {
    // A stitch is 6 mm: 5 of them are 30 wide, and 34 mm take 6.
    expect(widerForClasp(banded(5, 34).band)).toBe(6);
    expect(widerForClasp(banded(6, 34).band)).toBeUndefined();
    expect(widerForClasp(banded(1).band)).toBeUndefined();
  });

  test('is no strap: it comes after the closed bag and any lining, and nothing hangs on it', () => {
    const { plan } = banded(5);
    const lined = planOf({ ...plan.document, finish: { lining: { of: 'cloth', allowance: 10 } } });
    const [own, after] = [plan, lined].map((one) => finishOf(one).operations);
    const waist = own?.find(({ id }) => id === 'waist');
    expect(waist?.after.map(({ id }) => id)).toEqual(['close']);
    expect(own?.some(({ id }) => id === 'straps')).toBe(false);
    expect(own?.at(-1)?.caution).toBeUndefined();
    const order = after?.map(({ id }) => id) ?? [];
    expect(order.indexOf('lining')).toBeLessThan(order.indexOf('waist'));
  });

  test('carries a clasp that can be stepped up from none, and never turns on rounding', () => {
    const { plan } = banded(5);
    const clasp = (document: typeof plan.document) =>
      featureControlsOf(planOf(document)).find(({ id }) => id === 'waist-clasp');
    const control = clasp(plan.document);
    if (control?.kind !== 'count') throw new Error('a count');
    const next = { ...plan.document, features: control.set(control.value + control.step) };
    const [after] = planOf(documentSchema.parse(next)).bands;
    expect(after?.band.ring?.clasp).toBe(1);
    // Six stitches of 6 mm carry 36 mm, however the six were measured.
    expect(stitchesForClasp(36, 6 - 1e-13)).toBe(6);
    expect(stitchesForClasp(36.1, 6)).toBe(7);
  });
});
