import { describe, expect, test } from 'vitest';
import { type BagDocument, withHook } from '../../document/index.ts';
import { controlsOf, featureControlsOf, type Plan, planned, planOf } from '../../plan/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { facesAndStrip, squares } from '../../testing/built.ts';
import { mm } from '../../units/index.ts';
import { type Check, type CheckChoice, choicesAfter, withMeasured } from './index.ts';

const document = testDocument(facesAndStrip(squares(3, 3), 8));
const motif = document.motifs[0];
if (!motif) throw new Error('the test bag has a motif');
const bagWith = (fibre: string, brief: BagDocument['brief'] = {}) =>
  planOf({ ...document, brief, yarns: document.yarns.map((one) => ({ ...one, fibre })) });
const plan = bagWith('cotton');
const side = (of: Plan) => {
  const size = of.sizes.find(({ what }) => what.of === 'motif');
  if (size?.what.of !== 'motif') throw new Error('there are squares');
  return { ...size, rounds: size.what.rounds };
};
/** The first square under the tape, expected to be as the plan has it, give or take 2 mm. */
const checkOf = (of: Plan): Check => {
  const { value, rounds } = side(of);
  return {
    id: 'first',
    what: { of: 'motif', motif: motif.id, rounds, blocked: false },
    at: 1,
    expected: value,
    range: { low: value - 2, high: value + 2 },
  };
};
const after = (of: Plan, share: number) => choicesAfter(of, checkOf(of), share * side(of).value);
const find = (all: readonly CheckChoice[], by: CheckChoice['change']['by']) =>
  all.find(({ change }) => change.by === by);

describe('a square that is as expected', () => {
  test('asks for nothing', () => {
    expect(after(plan, 1)).toEqual([]);
  });
});

describe('a square that came out small', () => {
  test('all can stay as it is; everything else comes nearer, the nearest first', () => {
    const [asIs, ...others] = after(plan, 0.85);
    expect(asIs?.change).toEqual({ by: 'nothing' });
    expect(others.length).toBeGreaterThan(0);
    let before = 0;
    for (const { off } of others) {
      expect(off).toBeLessThan(asIs?.off ?? 0);
      expect(off).toBeGreaterThanOrEqual(before);
      before = off;
    }
  });

  test('a hook is thicker, never thinner', () => {
    const hook = find(after(plan, 0.85), 'hook')?.change;
    expect(hook?.by === 'hook' && hook.to > hook.from).toBe(true);
  });

  test('what is said of the bag is what its plan says', () => {
    for (const { document: next, moves } of after(plan, 0.85)) {
      const now = planOf(next);
      for (const { measure, by } of moves) {
        const of = (one: Plan) => one.tapes.find((tape) => tape.measure === measure)?.finished.value ?? 0;
        expect(of(now) - of(plan)).toBeCloseTo(by, 9);
      }
    }
  });

  test('it is pinned out where the fibre keeps it: cotton 4 %, wool 7 %, acrylic 2 %', () => {
    // 0.95 of the size wants 5.3 % more.
    expect(find(after(bagWith('cotton'), 0.95), 'blocking')).toBeUndefined();
    const wool = find(after(bagWith('wool'), 0.95), 'blocking');
    expect(wool?.change.by === 'blocking' && wool.change.percent).toBeCloseTo(100 * (1 / 0.95 - 1), 9);
    expect(find(after(bagWith('cotton'), 0.965), 'blocking')).toBeDefined();
    expect(find(after(bagWith('acrylic'), 0.965), 'blocking')).toBeUndefined();
  });

  test('targets follow only where one was met and is missed now', () => {
    const width = planOf(document).tapes.find(({ measure }) => measure === 'width')?.finished.value ?? 0;
    const wanted = bagWith('cotton', { width: { value: mm(width), tolerance: 5 } });
    const moved = find(after(wanted, 0.85), 'targets');
    expect(
      planOf(moved?.document ?? document).tapes.find(({ measure }) => measure === 'width')?.off,
    ).toBeCloseTo(0, 1);
    expect(after(wanted, 0.85).at(-1)?.change.by).toBe('targets');
    expect(find(after(plan, 0.85), 'targets')).toBeUndefined();
  });
});

describe('against a search that leaves nothing out', () => {
  /** How far the worst measure is from the plan's own, beyond 1 % of it. */
  const off = (next: BagDocument) => {
    const now = planned(next);
    if (!now.ok) return Infinity;
    return Math.max(
      0,
      ...plan.tapes.map(({ measure, finished: { value } }) => {
        const came = now.plan.tapes.find((one) => one.measure === measure)?.finished.value ?? 0;
        return value < 1 ? 0 : (Math.abs(came - value) - 0.01 * value) / value;
      }),
    );
  };
  const worst = (of: Plan) => Math.max(0, ...of.lines.map(({ ease }) => Math.abs(ease.percent)));

  test.each([0.85, 0.93, 1.1])(
    'no count and no hook comes nearer than what is told, at %s of the size',
    (share) => {
      const { value } = side(plan);
      const measured = withMeasured(document, checkOf(plan).what, share * value);
      const asIs = planOf({ ...measured, brief: {}, yarns: plan.document.yarns });
      const all = after(plan, share);
      const swatch = motif.swatch;
      const now = asIs.document.swatches.find(({ id }) => id === swatch)?.hook ?? 0;
      const tries = new Map<string, BagDocument[]>([
        [
          'hook',
          Array.from({ length: 80 }, (_, i) => i / 2)
            .filter((to) => to >= 1 && Math.abs(to - now) <= 2 && to !== now)
            .map((to) => withHook(asIs.document, swatch, to)),
        ],
      ]);
      for (const control of controlsOf(asIs.document))
        if (control.kind === 'count')
          tries.set(
            control.id,
            [-5, -4, -3, -2, -1, 1, 2, 3, 4, 5]
              .map((k) => control.value + k * control.step)
              .filter((to) => to >= control.min && to <= control.max)
              .map((to) => ({ ...asIs.document, construction: control.set(to) })),
          );
      for (const [kind, documents] of tries) {
        const told = all.find(({ change }) =>
          kind === 'hook' ? change.by === 'hook' : change.by === 'count' && change.control === kind,
        );
        const fair = documents.filter((one) => {
          const next = planned(one);
          return next.ok && worst(next.plan) <= Math.max(2, worst(asIs)) + 1e-6;
        });
        const best = Math.min(Infinity, ...fair.map(off));
        if (best > off(asIs.document) - 0.003) expect(told).toBeUndefined();
        else expect(told?.off).toBeCloseTo(best, 9);
      }
      expect(featureControlsOf(plan).some(({ kind }) => kind === 'count')).toBe(false);
    },
  );
});
