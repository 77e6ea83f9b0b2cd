import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { joinedSeams, wholeLoops } from '../bag/index.ts';
import { familyOf } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { planOf } from '../plan/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import {
  allBy,
  JOIN_METHODS,
  joiningGraph,
  joinMethod,
  joinSteps,
  methodName,
  planRuns,
  SCHOOLS,
  stepText,
  yarnLength,
} from './index.ts';

const reading = { terms: 'us', system: 'cm' } as const;
const planned = fc
  .tuple(constructions, fc.constantFrom(...SCHOOLS), fc.boolean(), fc.constantFrom(...JOIN_METHODS))
  .map(([construction, school, flatFirst, method]) => {
    const document = testDocument(construction);
    const graph = familyOf(construction).build(materialsOf(sizeTable(document), document));
    const joining = joiningGraph(graph);
    const plan = planRuns(graph, joining, { school, flatFirst, how: allBy(method) });
    return { graph, plan, method, steps: joinSteps(graph, joining, plan) };
  });

describe('steps of any bag in any order', () => {
  test('join every seam once, with as many loops as its edges have, doublings within them', () => {
    fc.assert(
      fc.property(planned, ({ graph, steps }) => {
        const loops = wholeLoops(graph);
        const seams = new Map(joinedSeams(graph).map((seam) => [seam.id, seam]));
        const joins = steps.flatMap((step) =>
          step.does === 'join' ? [step] : step.does === 'motif' ? step.joins : [],
        );
        expect(joins.map(({ seam }) => seam).sort()).toEqual([...seams.keys()].sort());
        for (const { seam, a, b, insertions, doubled } of joins) {
          const own = seams.get(seam);
          if (!own) throw new Error('an unknown seam');
          expect([a.loops, b.loops].sort()).toEqual([loops(own.a), loops(own.b)].sort());
          expect(insertions).toBe(Math.min(a.loops, b.loops));
          // What the doublings take beyond one is what one edge has beyond the other.
          const extra = doubled.reduce((sum, { take }) => sum + take - 1, 0);
          if (insertions > 0) expect(extra).toBe(Math.abs(a.loops - b.loops));
          for (const { at } of doubled) {
            expect(at).toBeGreaterThanOrEqual(1);
            expect(at).toBeLessThanOrEqual(insertions);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  test('begin and end every run, in order, and fold at most once', () => {
    fc.assert(
      fc.property(planned, ({ plan, steps }) => {
        const sewn = plan.runs.filter(({ asYouGo }) => !asYouGo);
        expect(steps.filter(({ does }) => does === 'begin').map(({ run }) => run)).toEqual(
          sewn.map(({ number }) => number),
        );
        expect(steps.filter(({ does }) => does === 'end')).toHaveLength(sewn.length);
        expect(steps.filter(({ does }) => does === 'fold').length).toBeLessThanOrEqual(1);
        // A corner sewn across has a yarn of its own.
        expect(plan.ends).toBe(2 * (sewn.length + plan.corners.length));
        const numbers = steps.map(({ run }) => run);
        expect([...numbers].sort((p, q) => p - q)).toEqual(numbers);
      }),
      { numRuns: 60 },
    );
  });

  test('every run begins and ends where its first and last seam do', () => {
    fc.assert(
      fc.property(planned, ({ steps, graph }) => {
        const seams = new Map(joinedSeams(graph).map((seam) => [seam.id, seam]));
        steps.forEach((step, i) => {
          if (step.does !== 'begin' && step.does !== 'end') return;
          const nearest = step.does === 'begin' ? steps.slice(i) : steps.slice(0, i).reverse();
          const join = nearest.find(({ does }) => does === 'join');
          if (join?.does !== 'join') throw new Error('a run without a seam');
          const seam = seams.get(join.seam);
          expect(step.at.piece).toBe(seam?.a.piece);
          expect(step.at.name).not.toBe('');
        });
      }),
      { numRuns: 40 },
    );
  });

  test('read as sentences, with no gap left in them', () => {
    fc.assert(
      fc.property(planned, ({ steps, method }) => {
        for (const step of steps) {
          const text = stepText(step, method, reading);
          expect(text).toMatch(/^[A-Z].*[.]$/s);
          expect(text).not.toMatch(/undefined|NaN|null| {2}/);
        }
      }),
      { numRuns: 40 },
    );
  });
});

test('the falling line of a folded sheet begins at its top and ends at its foot', () => {
  const document = testDocument({
    family: 'wrap-round',
    laid: 'folded',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 2, rows: 2 },
  });
  const { steps } = planOf({ ...document, joins: { ...document.joins, school: 'lines', flatFirst: true } });
  const spots = steps().flatMap((step) => (step.does === 'begin' || step.does === 'end' ? [step.at] : []));
  // The one flat upright line runs along the right of the first column, from the upper row to the lower one or back.
  const upright = spots.filter(({ edge, name }) => edge === 'right' && name.endsWith('1'));
  expect(upright.map(({ name, corner }) => `${corner} of ${name}`).sort()).toEqual([
    'lower right of B1',
    'upper right of A1',
  ]);
});

test('yarn is cut generously: to the next 10 cm, or the next quarter yard', () => {
  expect(yarnLength(1901, 'cm')).toBe('2.0 m');
  expect(yarnLength(2000, 'cm')).toBe('2.0 m');
  // 2000 mm is 2.19 yd.
  expect(yarnLength(2000, 'in')).toBe('2.25 yd');
});

test('every method has a name in either country’s words, and says how to hold the work', () => {
  for (const id of JOIN_METHODS) {
    expect(methodName(id, 'us')).not.toBe('');
    expect(joinMethod(id).looks).not.toBe('');
  }
  expect(methodName('ridge', 'us')).toBe('Single crochet ridge');
  expect(methodName('ridge', 'uk')).toBe('Double crochet ridge');
});

test('8 loops with 7 are told with the place of the doubling', () => {
  const edge = (name: string, loops: number) => ({
    piece: name,
    name,
    edge: 'left',
    loops,
    part: 'whole' as const,
  });
  const step = {
    does: 'join',
    run: 1,
    seam: 's',
    forward: true,
    a: edge('Front', 8),
    b: edge('Strip', 7),
    insertions: 7,
    doubled: [{ at: 4, side: 'a', take: 2 }],
  } as const;
  expect(stepText(step, 'whip', reading)).toBe(
    'Front, left edge meets Strip, left edge: 8 loops of Front with 7 of Strip, whip stitch. Take two loops of Front with one of Strip at insertion 4.',
  );
});
