import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { inOrder, operationsOf } from '../finish/index.ts';
import { leftHanded, planned, planOf } from '../plan/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { facesAndStrip, panel, squares } from '../testing/built.ts';
import { histories, TestDevice } from '../testing/making.ts';
import {
  type Deed,
  DONE,
  JOINS,
  kinOf,
  type MakeTask,
  recordOf,
  type Stand,
  standOf,
  taskIdSchema,
  tasksOf,
} from './index.ts';

const NOON = Date.UTC(2026, 2, 7, 12);
const done = (deeds: readonly Deed[]) => {
  const phone = new TestDevice(1);
  return recordOf(deeds.map((deed, i) => phone.does(deed, NOON + i)));
};
const byTask = (stands: readonly Stand[]) => new Map(stands.map((stand) => [stand.task.id, stand]));

describe('tasks', () => {
  test('of any bag make each piece once, join each seam once, and have names of their own that an event may have', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const made = planned(document);
        if (!made.ok) return;
        const { plan } = made;
        const tasks = tasksOf(plan);
        const ids = tasks.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        for (const id of ids) expect(taskIdSchema.safeParse(id).success).toBe(true);

        const pieces = tasks.flatMap((task) => (task.of === 'pieces' ? task.pieces : []));
        expect(new Set(pieces).size).toBe(pieces.length);
        // Joined as one goes, a motif of one round is worked when it is joined.
        const asYouGo = plan.joins.school === 'as-you-go';
        if (!asYouGo) expect(pieces.length).toBe(plan.graph.pieces.length);

        const joins = tasks.flatMap((task) =>
          task.of === 'steps' && task.under === JOINS ? task.steps : [],
        );
        expect(new Set(joins).size).toBe(joins.length);
        const sewn = plan.joins.runs.flatMap(({ passes }) => passes).length;
        if (!asYouGo) expect(joins.length).toBe(sewn + plan.joins.corners.length);
      }),
      { numRuns: 150 },
    );
  });

  test('are called the same for either hand: what is done with one is done for the other', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const made = planned(document);
        if (!made.ok) return;
        const names = (own: typeof made.plan) =>
          tasksOf(own).map((task) => [task.id, task.of === 'steps' ? task.steps : task.many]);
        expect(names(leftHanded(made.plan))).toEqual(names(made.plan));
      }),
      { numRuns: 60 },
    );
  });

  test('of the same bag twice are the same', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const made = planned(document);
        const again = planned(structuredClone(document));
        if (made.ok && again.ok) expect(tasksOf(again.plan)).toEqual(tasksOf(made.plan));
      }),
      { numRuns: 30 },
    );
  });

  test('of two faces of squares and a strip, by hand', () => {
    // Two faces of 2 by 2 squares of one design: eight squares. The strip goes down, along and up.
    const plan = planOf(testDocument(facesAndStrip(squares(2, 2), 8)));
    const tasks = tasksOf(plan);
    const motifs = tasks.filter((task) => task.of === 'pieces' && task.counts === 'rounds');
    expect(motifs.reduce((sum, task) => sum + (task.of === 'pieces' ? task.many : 0), 0)).toBe(8);
    const strip = tasks.find((task) => task.id.startsWith('panel/'));
    const made = plan.graph.pieces.find(({ make }) => make.of === 'panel')?.make;
    expect(strip).toMatchObject({
      of: 'pieces',
      many: 1,
      counts: 'rows',
      rows: made?.of === 'panel' ? made.rows : 0,
    });
    // A face of four squares has 4 seams within, and 6 sides along the strip: 2 x (4 + 6).
    const joins = tasks.flatMap((task) => (task.of === 'steps' && task.under === JOINS ? task.steps : []));
    expect(joins).toHaveLength(20);
    expect(tasks.at(-1)).toMatchObject({ id: 'last', steps: [DONE] });
  });

  test('what could take the place of a motif is of its design, with whatever rounds', () => {
    expect(kinOf('motif/m1/c1/4')).toBe('motif/m1/c1');
    expect(kinOf('motif/m1/c1/5')).toBe(kinOf('motif/m1/c1/4'));
    expect(kinOf('motif/m1/c2/4')).not.toBe(kinOf('motif/m1/c1/4'));
    expect(kinOf('panel/front/4')).toBe('panel/front/4');
  });
});

describe('how the work stands', () => {
  const plan = planOf(testDocument(facesAndStrip(squares(2, 2), 8)));
  const tasks = tasksOf(plan);
  const motif = tasks.find((task) => task.id.startsWith('motif/')) as Extract<MakeTask, { of: 'pieces' }>;
  const all = (of: MakeTask): Deed[] =>
    of.of === 'pieces'
      ? [{ of: 'made', task: of.id, rows: of.rows, many: of.many }]
      : of.of === 'steps'
        ? [{ of: 'stepped', task: of.under, steps: [...of.steps] }]
        : [{ of: 'hidden', many: of.many }];

  test('with nothing done only what needs nothing can be begun, and all else says why it waits', () => {
    const { stands, misfits } = standOf(plan, done([]));
    expect(misfits).toEqual([]);
    for (const { task, is, waits } of stands) {
      const operation = operationsOf(plan).find(({ id }) => id === task.operation);
      if (is === 'can be begun') expect(waits).toEqual([]);
      if (is === 'waits')
        expect(operation?.after.map(({ because }) => because)).toEqual(
          expect.arrayContaining(waits.map(({ because }) => because)),
        );
    }
    expect(stands.some(({ is }) => is === 'can be begun' || is === 'settled')).toBe(true);
    expect(byTask(stands).get('last')?.is).toBe('waits');
  });

  test('worked in the order of the plan, every task can be begun when its turn comes, and all are done in the end', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const made = planned(document);
        if (!made.ok) return;
        const deeds: Deed[] = [];
        const order = inOrder(operationsOf(made.plan)).map(({ id }) => id);
        const own = [...tasksOf(made.plan)].sort(
          (a, b) => order.indexOf(a.operation) - order.indexOf(b.operation),
        );
        for (const task of own) {
          const { stands } = standOf(made.plan, done(deeds));
          expect(byTask(stands).get(task.id)?.is).not.toBe('waits');
          deeds.push(...all(task));
        }
        const { stands, misfits } = standOf(made.plan, done(deeds));
        expect(stands.map(({ is }) => is).filter((is) => is !== 'done')).toEqual([]);
        expect(misfits).toEqual([]);
      }),
      { numRuns: 25 },
    );
  });

  test('nothing that was finished is dropped: it is counted in a task or told as a misfit', () => {
    fc.assert(
      fc.property(histories, ({ done: happened }) => {
        const record = recordOf(happened.map(({ event }) => event));
        const { stands, misfits } = standOf(plan, record);
        const finished =
          [...record.works.values()].filter(({ is }) => is !== 'left').length +
          record.made.reduce((sum, { many }) => sum + many, 0);
        const placed = stands.reduce(
          (sum, { task, done: many, on }) => sum + (task.of === 'pieces' ? many : 0) + on.length,
          0,
        );
        const told = misfits.reduce((sum, one) => sum + (one.is === 'steps gone' ? 0 : one.many), 0);
        expect(placed + told).toBe(finished);
      }),
    );
  });

  test('squares made with a round less than the plan wants now are told; made with as many, they are counted', () => {
    const made = (rows: number, many: number): Deed => ({
      of: 'made',
      task: `${motif.kin}/${rows}`,
      rows,
      many,
    });
    const less = standOf(plan, done([made(motif.rows - 1, 3), made(motif.rows, 2)]));
    expect(byTask(less.stands).get(motif.id)).toMatchObject({ done: 2, is: 'under way' });
    expect(less.misfits).toEqual([{ is: 'rows', task: motif, rows: motif.rows - 1, many: 3 }]);
    const more = standOf(plan, done([made(motif.rows, motif.many + 1)]));
    expect(byTask(more.stands).get(motif.id)).toMatchObject({ done: motif.many, is: 'done' });
    expect(more.misfits).toEqual([{ is: 'too many', task: motif, many: 1 }]);
  });

  test('a square on the hook is worked for the rounds of today; one of a design that is gone is told', () => {
    const begun = (task: string): Deed => ({ of: 'begun', task, rows: 4 });
    const { stands, misfits } = standOf(plan, done([begun(`${motif.kin}/9`), begun('motif/gone/c1/4')]));
    expect(byTask(stands).get(motif.id)).toMatchObject({ is: 'under way', done: 0 });
    expect(byTask(stands).get(motif.id)?.on).toHaveLength(1);
    expect(misfits).toEqual([
      { is: 'not wanted', task: 'motif/gone/c1/4', rows: 0, many: 1, work: expect.any(String) },
    ]);
  });

  test('seams are known by their names, whichever run they are in: of those that are gone it is told', () => {
    const runs = tasks.filter((task) => task.of === 'steps' && task.run !== undefined);
    const steps = runs.flatMap((task) => (task.of === 'steps' ? task.steps : []));
    const some = steps.slice(0, 3);
    const { stands, misfits } = standOf(
      plan,
      done([{ of: 'stepped', task: JOINS, steps: [...some, 'front/seam that was'] }]),
    );
    expect(
      stands.reduce(
        (sum, { task, done: many }) => sum + (runs.some(({ id }) => id === task.id) ? many : 0),
        0,
      ),
    ).toBe(3);
    expect(misfits).toEqual([{ is: 'steps gone', under: JOINS, gone: ['front/seam that was'], many: 1 }]);
  });

  test('ends of the joins begin when those of the pieces are hidden', () => {
    const [pieces, joins] = ['ends/pieces', 'ends/joins'].map((id) => tasks.find((task) => task.id === id));
    if (pieces?.of !== 'ends' || joins?.of !== 'ends') throw new Error('there are ends');
    const { stands } = standOf(plan, done([{ of: 'hidden', many: pieces.many + 3 }]));
    expect(byTask(stands).get('ends/pieces')).toMatchObject({ done: pieces.many, is: 'done' });
    expect(byTask(stands).get('ends/joins')).toMatchObject({ done: 3, is: 'under way' });
  });

  test('of panels alone there are no rounds', () => {
    const flat = tasksOf(planOf(testDocument({ family: 'two-faces', face: panel(40, 40), tuck: 0 })));
    expect(flat.filter((task) => task.of === 'pieces' && task.counts === 'rounds')).toEqual([]);
    expect(flat.filter(({ id }) => id.startsWith('panel/'))).toHaveLength(2);
  });
});
