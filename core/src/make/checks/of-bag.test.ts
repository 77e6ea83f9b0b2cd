import { describe, expect, test } from 'vitest';
import { planOf } from '../../plan/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { facesAndStrip, squares } from '../../testing/built.ts';
import { TestDevice } from '../../testing/making.ts';
import { type Deed, type MakeTask, recordOf, type StepTask, tasksOf } from '../index.ts';
import { longestRow, stepChecks } from './index.ts';

const plan = planOf(testDocument(facesAndStrip(squares(3, 2), 8)));
const stepOf = (is: (task: MakeTask) => boolean): StepTask => {
  const task = tasksOf(plan).find(is);
  if (task?.of !== 'steps') throw new Error('there is such a step');
  return task;
};
const after = (...deeds: Deed[]) => {
  const phone = new TestDevice(1);
  return recordOf(deeds.map((deed, i) => phone.does(deed, i)));
};
const named = (name: string) => plan.graph.pieces.find((piece) => piece.name === name)?.id ?? name;
const seam = (a: string, b: string) => {
  const found = plan.graph.seams.find(
    (one) => [one.a.piece, one.b.piece].sort().join() === [named(a), named(b)].sort().join(),
  );
  if (!found) throw new Error(`${a} meets ${b}`);
  return found.id;
};

describe('the longest row of joined squares', () => {
  const [front] = plan.graph.pieces.filter(({ make }) => make.of === 'motif');
  const own = plan.graph.pieces.filter(({ cell }) => cell.sheet === front?.cell.sheet);
  const at = (row: number, column: number) =>
    own.find(({ cell }) => cell.row === row && cell.column === column)?.name ?? '';

  test('of a face of three columns and two rows is three', () => {
    expect(longestRow(plan)).toMatchObject({ motifs: 3 });
  });

  test('grows with its seams; two that do not follow one another make no longer one', () => {
    expect(longestRow(plan, new Set())).toBeUndefined();
    expect(longestRow(plan, new Set([seam(at(0, 0), at(0, 1))]))?.motifs).toBe(2);
    expect(longestRow(plan, new Set([seam(at(0, 0), at(0, 1)), seam(at(1, 1), at(1, 2))]))?.motifs).toBe(2);
    expect(longestRow(plan, new Set([seam(at(0, 0), at(0, 1)), seam(at(0, 1), at(0, 2))]))?.motifs).toBe(3);
    // Round a corner is not straight.
    expect(longestRow(plan, new Set([seam(at(0, 0), at(0, 1)), seam(at(0, 1), at(1, 1))]))?.motifs).toBe(2);
  });

  test('is asked for once it is three, and expected as three sides and two joins', () => {
    const run = stepOf((task) => task.of === 'steps' && task.run === 1);
    const joined = (...steps: string[]): Deed => ({ of: 'stepped', task: 'joins', steps });
    expect(stepChecks(plan, run, after(joined(seam(at(0, 0), at(0, 1)))))).toEqual([]);
    const [check] = stepChecks(
      plan,
      run,
      after(joined(seam(at(0, 0), at(0, 1))), joined(seam(at(0, 1), at(0, 2)))),
    );
    const side = plan.sizes.find(({ what }) => what.of === 'motif');
    const join = plan.sizes.find(({ what }) => what.of === 'join');
    expect(check?.expected).toBeCloseTo(3 * (side?.value ?? 0) + 2 * (join?.value ?? 0), 9);
  });
});

test('after blocking each kind of motif is measured, and not before', () => {
  const block = stepOf(({ id }) => id === 'block');
  expect(stepChecks(plan, block, after())).toEqual([]);
  const done: Deed = { of: 'stepped', task: block.under, steps: ['done'] };
  const [check, ...more] = stepChecks(plan, block, after(done));
  expect(more).toEqual([]);
  expect(check?.what).toMatchObject({ of: 'motif', blocked: true });
  if (check)
    expect(stepChecks(plan, block, after(done, { of: 'measured', what: check.what, mm: 90 }))).toEqual([]);
});

test('at the end every tape that the bag has is taken, each until it has been', () => {
  const last = stepOf(({ operation, of }) => operation === 'last' && of === 'steps');
  const measures = (...deeds: Deed[]) =>
    stepChecks(plan, last, after(...deeds)).map(({ what }) => what.of === 'tape' && what.measure);
  expect(measures()).toEqual(['width', 'height', 'depth', 'opening']);
  expect(measures({ of: 'measured', what: { of: 'tape', measure: 'height' }, mm: 200 })).toEqual([
    'width',
    'depth',
    'opening',
  ]);
});
