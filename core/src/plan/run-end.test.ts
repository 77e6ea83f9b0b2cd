import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { madeUpPlaces, measure } from '../bag/index.ts';
import { distance3 } from '../geometry/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { panel, squares } from '../testing/built.ts';
import { endWord, planOf, runEnds } from './index.ts';

const place = (x: number, y: number, z: number) => ({ x, y, z });

describe('the end of a run in a word', () => {
  test('is told by what sets it apart most plainly: height, then side, then depth', () => {
    const from = place(0, 100, 0);
    expect(endWord([from, place(50, 120, 30)])).toBe('upper');
    expect(endWord([from, place(50, 80, 30)])).toBe('lower');
    expect(endWord([from, place(50, 104, 30)])).toBe('right');
    expect(endWord([from, place(-50, 96, 30)])).toBe('left');
    expect(endWord([from, place(3, 96, 30)])).toBe('front');
    expect(endWord([from, place(3, 96, -30)])).toBe('back');
  });

  test('asked from the other end, it is the opposite', () => {
    const opposite: Record<string, string> = {
      upper: 'lower',
      lower: 'upper',
      left: 'right',
      right: 'left',
      front: 'back',
      back: 'front',
    };
    const anywhere = fc.record({
      x: fc.integer({ min: -300, max: 300 }),
      y: fc.integer({ min: -300, max: 300 }),
      z: fc.integer({ min: -300, max: 300 }),
    });
    fc.assert(
      fc.property(anywhere, anywhere, (a, b) => {
        fc.pre(a.z !== b.z);
        expect(endWord([b, a])).toBe(opposite[endWord([a, b])]);
      }),
    );
  });
});

describe('where a run begins and ends', () => {
  const plan = planOf(testDocument({ family: 'two-faces', face: panel(40, 40), tuck: 0 }));

  test('of two panels sewn round three sides in one run: at both ends of the rim', () => {
    const [run, ...others] = plan.joins.runs;
    const ends = run && runEnds(plan, run);
    if (!ends) throw new Error('two faces are joined');
    expect(others).toHaveLength(0);
    const { width, height } = measure(plan.graph);
    for (const { y } of ends) expect(y).toBeCloseTo(height, 6);
    expect(Math.abs(ends[1].x - ends[0].x)).toBeCloseTo(width, 6);
    expect(endWord(ends)).toBe(ends[1].x > ends[0].x ? 'right' : 'left');
  });

  test('walked the other way, its ends change places', () => {
    const [run] = plan.joins.runs;
    if (!run) throw new Error('two faces are joined');
    const turned = {
      ...run,
      passes: run.passes.map((pass) => ({ ...pass, forward: !pass.forward })).reverse(),
    };
    const [there, back] = [runEnds(plan, run), runEnds(plan, turned)];
    expect(back).toEqual(there && [there[1], there[0]]);
  });

  test('of squares joined row by row: every run ends at corners of squares', () => {
    const sheet = planOf(testDocument({ family: 'two-faces', face: squares(3, 2), tuck: 0 }));
    const at = madeUpPlaces(sheet.graph);
    const corners = sheet.graph.pieces.flatMap(({ id, outline }) => outline.map((p) => at(id, p)));
    expect(sheet.joins.runs.length).toBeGreaterThan(1);
    for (const run of sheet.joins.runs)
      for (const end of runEnds(sheet, run) ?? [])
        expect(Math.min(...corners.map((corner) => distance3(corner, end)))).toBeCloseTo(0, 6);
  });

  test('nothing is said of a run without seams', () => {
    const plan = planOf(testDocument());
    const [run] = plan.joins.runs;
    if (!run) throw new Error('the test bag is joined');
    expect(runEnds(plan, { ...run, passes: [] })).toBeUndefined();
  });
});
