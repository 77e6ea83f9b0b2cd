import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Construction, familyOf } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { curesFor, planOf } from './index.ts';

const short = (count: number) =>
  testDocument({
    family: 'faces-and-strip',
    face: {
      of: 'worked',
      swatch: 's2',
      stitches: 40,
      rows: 40,
      multiple: { multiple: 1, extra: 0 },
      rowsRun: 'across',
    },
    strip: {
      swatch: 's2',
      worked: 'across',
      depth: 12,
      length: { by: 'count', count },
      multiple: { multiple: 1, extra: 0 },
    },
  });

describe('cures for a line that does not come out', () => {
  test('a strip a few rows short is cured by as many as it takes, first of all', () => {
    const document = short(116);
    const worst = [...planOf(document).lines].sort(
      (a, b) => Math.abs(b.ease.percent) - Math.abs(a.ease.percent),
    )[0];
    const cures = curesFor(document, worst?.line ?? '');
    expect(cures.length).toBeGreaterThan(0);
    expect(cures.map(({ label }) => label).join()).toContain('Rows');
    for (const { construction, ease } of cures) {
      expect(Math.abs(ease.percent)).toBeLessThanOrEqual(2);
      const after = planOf({ ...document, construction }).lines.find(({ line }) => line === worst?.line);
      expect(after?.ease.percent).toBeCloseTo(ease.percent, 6);
    }
  });

  test('a line that comes out needs none', () => {
    const document = short(118);
    for (const { line, ease } of planOf(document).lines)
      if (Math.abs(ease.percent) <= 2) expect(curesFor(document, line)).toEqual([]);
  });

  test('the first cure is the cheapest there is, by trying every count', () => {
    for (const count of [112, 115, 121, 124]) {
      const document = short(count);
      const materials = materialsOf(sizeTable(document), document);
      const worst = [...planOf(document).lines].sort(
        (a, b) => Math.abs(b.ease.percent) - Math.abs(a.ease.percent),
      )[0];
      if (!worst || Math.abs(worst.ease.percent) <= 2) continue;
      const others = (construction: Construction) =>
        planOf({ ...document, construction }).lines.filter(({ line }) => line !== worst.line);
      const most = (lines: ReturnType<typeof others>) =>
        Math.max(0, ...lines.map(({ ease }) => Math.abs(ease.percent)));
      const before = most(others(document.construction));
      let fewest = Number.POSITIVE_INFINITY;
      for (const control of familyOf(document.construction).controls(materials, document)) {
        if (control.kind !== 'count') continue;
        for (let k = -5; k <= 5; k++) {
          const value = control.value + k * control.step;
          if (k === 0 || value < control.min || value > control.max) continue;
          const construction = control.set(value);
          const line = planOf({ ...document, construction }).lines.find((one) => one.line === worst.line);
          const cured = line !== undefined && Math.abs(line.ease.percent) <= 2;
          if (cured && most(others(construction)) <= Math.max(before, 2) + 1e-6)
            fewest = Math.min(fewest, Math.abs(k));
        }
      }
      const [first] = curesFor(document, worst.line);
      // That the strip follows its way by itself is a choice, which costs a step and a half.
      const counted = first && /^\d+$/.test(first.from);
      const cost = counted ? Math.abs(Number(first.to) - Number(first.from)) : 1.5;
      expect(cost).toBe(Math.min(fewest, 1.5));
    }
  });

  test('whatever the bag, a cure cures its line, and says truly what it does to the sizes', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const document = testDocument(construction);
        const plan = planOf(document);
        const off = plan.lines.find(({ ease }) => Math.abs(ease.percent) > 2);
        if (!off) return;
        for (const cure of curesFor(document, off.line).slice(0, 2)) {
          const after = planOf({ ...document, construction: cure.construction });
          const ease = after.lines.find(({ line }) => line === off.line)?.ease;
          expect(Math.abs(ease?.percent ?? 99)).toBeLessThanOrEqual(2);
          for (const { measure, by } of cure.moves) {
            const value = (of: typeof plan) =>
              of.tapes.find((tape) => tape.measure === measure)?.finished.value;
            expect((value(after) ?? 0) - (value(plan) ?? 0)).toBeCloseTo(by, 4);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});
