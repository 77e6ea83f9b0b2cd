import { describe, expect, test } from 'vitest';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { facesAndStrip, panel } from '../testing/built.ts';
import { TestDevice } from '../testing/making.ts';
import { type Deed, type PieceTask, panelTwinsOf, partingOf, recordOf, tasksOf } from './index.ts';

const plan = planOf(testDocument(facesAndStrip(panel(30, 40), 8)));
const panels = tasksOf(plan).filter((task): task is PieceTask => task.of === 'pieces');
const [front, back] = panels.filter(({ rows }) => rows === 40);
if (!front || !back) throw new Error('two faces of 40 rows');

/** A front and a back, each with so many rows, markers and a measure. */
function worked(
  ...all: Array<{ task: PieceTask; rows: number; marks?: number[]; mm?: number; done?: boolean }>
) {
  const phone = new TestDevice(1);
  let now = 0;
  const does = (deed: Deed) => phone.does(deed, now++);
  for (const { task, rows, marks = [], mm, done } of all) {
    const { id: work } = does({ of: 'begun', task: task.id, rows: task.rows });
    does({ of: 'row', work, row: rows });
    for (const row of marks) does({ of: 'marked', work, row });
    if (mm !== undefined)
      does({ of: 'measured', what: { of: 'rows', task: task.id, swatch: 's1', count: rows }, mm });
    if (done) does({ of: 'finished', work, rows });
  }
  return panelTwinsOf(plan, front as PieceTask, recordOf(phone.events));
}
const parting = (...all: Parameters<typeof worked>) => {
  const [one, other] = worked(...all);
  if (!one || !other) throw new Error('there are two');
  return partingOf(one, other);
};

describe('twins', () => {
  test('are the two faces, whichever is asked about; the strip is none of them', () => {
    const both = worked({ task: front, rows: 20 }, { task: back, rows: 12 });
    expect(both.map(({ title, work }) => [title, work.rows])).toEqual([
      [front.title, 20],
      [back.title, 12],
    ]);
    const strip = panels.find(({ rows }) => rows !== 40);
    if (strip) expect(panelTwinsOf(plan, strip, recordOf([]))).toEqual([]);
  });

  test('that are alike do not part; one that is still on the hook has fewer rows, which is no fault', () => {
    expect(parting({ task: front, rows: 40, done: true }, { task: back, rows: 12 })).toEqual([]);
  });

  test('part where a marker lies elsewhere, and where one has other rows', () => {
    expect(
      parting(
        { task: front, rows: 40, marks: [10, 20], done: true },
        { task: back, rows: 39, marks: [10, 21], done: true },
      ),
    ).toEqual([
      { is: 'marker', one: 20, other: 21 },
      { is: 'rows', one: 40, other: 39 },
    ]);
  });

  test('part where the rows of one are higher: 40 in 200 mm are 5 each, 20 in 104 are 5.2, 4 % more', () => {
    const [found] = parting({ task: front, rows: 40, mm: 200 }, { task: back, rows: 20, mm: 104 });
    expect(found?.is === 'height' && found.percent).toBeCloseTo(4, 9);
    // 1 % is what any hand does.
    expect(parting({ task: front, rows: 40, mm: 200 }, { task: back, rows: 20, mm: 101 })).toEqual([]);
  });
});
