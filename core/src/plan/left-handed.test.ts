import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { checkGraph, insideOf, MEASURES, measure, mirrored, mirroredWords, move } from '../bag/index.ts';
import { edgeCounts } from '../edging/index.ts';
import { constructions, features, testDocument } from '../testing/arbitraries.ts';
import { plansOf } from '../testing/plans.ts';
import { controlsOf, leftHanded, leftHandedControl, planOf } from './index.ts';

const plans = plansOf(
  fc
    .tuple(constructions, features)
    .map(([construction, own]) => ({ ...testDocument(construction), features: own })),
);

describe('a bag in the mirror', () => {
  test('is as sound as the bag, as large, and has the same rim', () => {
    fc.assert(
      fc.property(plans, ({ graph }) => {
        const other = mirrored(graph);
        expect(checkGraph(other).map(({ kind }) => kind)).toEqual(checkGraph(graph).map(({ kind }) => kind));
        for (const what of MEASURES) expect(measure(other)[what]).toBeCloseTo(measure(graph)[what], 6);
        expect(insideOf(other).girth).toBeCloseTo(insideOf(graph).girth, 4);
        const rims = (one: typeof graph) =>
          edgeCounts(one)
            .map(({ along, joins, peaks, notches, first }) => [along, joins, peaks, notches, first].join())
            .sort();
        expect(rims(other)).toEqual(rims(graph));
      }),
      { numRuns: 120 },
    );
  });

  test('twice in the mirror is the bag again', () => {
    fc.assert(
      fc.property(plans, ({ graph }) => {
        const again = mirrored(mirrored(graph));
        for (const [i, facet] of graph.facets.entries()) {
          const other = again.facets[i];
          if (!other) throw new Error('a facet is lost');
          expect(other.face).toBe(facet.face);
          for (const p of facet.outline) {
            const [q, r] = [move(facet.motion, p), move(other.motion, p)];
            expect(Math.hypot(q.x - r.x, q.y - r.y, q.z - r.z)).toBeLessThan(1e-6);
          }
        }
        expect(again.seams.map(({ a, b }) => [a.piece, a.edge, b.piece, b.edge])).toEqual(
          graph.seams.map(({ a, b }) => [a.piece, a.edge, b.piece, b.edge]),
        );
        expect(again.lines).toEqual(graph.lines);
      }),
      { numRuns: 60 },
    );
  });

  test('every step is as for the right hand, its edges and corners with left and right exchanged', () => {
    /** What a step names by where it lies. */
    const exchanged = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(exchanged);
      if (typeof value !== 'object' || value === null) return value;
      return Object.fromEntries(
        Object.entries(value).map(([key, own]) => [
          key,
          typeof own === 'string' && ['edge', 'corner', 'name'].includes(key)
            ? mirroredWords(own)
            : exchanged(own),
        ]),
      );
    };
    fc.assert(
      fc.property(plans, (plan) => {
        // The parts of an edge are told from its start, which is its other end in the mirror.
        const plain = (steps: unknown) =>
          JSON.parse(JSON.stringify(steps).replaceAll(/"(first|last) part"/g, `"a part"`));
        expect(plain(leftHanded(plan).steps())).toEqual(plain(exchanged(plan.steps())));
      }),
      { numRuns: 80 },
    );
  });

  test('markers of a strip keep their counts', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const counts = (one: typeof plan) =>
          one.marked.map(({ piece, total, marks }) => [piece, total, marks.map(({ count }) => count)]);
        expect(counts(leftHanded(plan))).toEqual(counts(plan));
      }),
      { numRuns: 60 },
    );
  });
});

test('a grip lies where the mirrored net has it, and is pulled the other way', () => {
  const document = testDocument({
    family: 'on-point',
    motif: 'm1',
    rounds: 4,
    across: 2,
    rows: 3,
    bottom: 'tapered',
  });
  const plan = planOf(document);
  const net = (one: typeof plan) => one.graph.pieces.map(({ at }) => at.x);
  const wide = Math.max(...net(plan)) - Math.min(...net(plan));
  expect(Math.max(...net(leftHanded(plan))) - Math.min(...net(leftHanded(plan)))).toBeCloseTo(wide, 6);
  for (const control of controlsOf(document)) {
    const other = leftHandedControl(control);
    if (control.kind === 'choice' || other.kind === 'choice' || !control.grip) continue;
    expect(other.grip?.at.x).toBeCloseTo(-control.grip.at.x, 9);
    const way = control.grip.axis === 'x' ? -1 : 1;
    expect(other.grip?.perStep).toBeCloseTo(way * control.grip.perStep, 9);
    expect(other.set(control.value)).toEqual(control.set(control.value));
  }
});

test('words exchange left and right and nothing else', () => {
  expect(mirroredWords('Left side seam, from the upper right; leftover')).toBe(
    'Right side seam, from the upper left; leftover',
  );
});
