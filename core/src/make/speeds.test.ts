import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { planned, planOf } from '../plan/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { facesAndStrip, squares } from '../testing/built.ts';
import { TestDevice } from '../testing/making.ts';
import {
  aMinute,
  type Deed,
  leftOf,
  minutesLeft,
  type PieceTask,
  recordOf,
  speedsOf,
  standOf,
  tasksOf,
  toilOf,
  toilUpTo,
} from './index.ts';

const NOON = Date.UTC(2026, 2, 7, 12);
const MINUTE = 60_000;
const plan = planOf(testDocument(facesAndStrip(squares(2, 2), 8)));
const motif = tasksOf(plan).find((task): task is PieceTask => task.id.startsWith('motif/'));
if (!motif) throw new Error('there are squares');
const nothing = recordOf([]);
const left = (own = plan, record = nothing) => leftOf(own, standOf(own, record).stands, record);

describe('speeds', () => {
  test('an hour, by hand', () => {
    const phone = new TestDevice(1);
    const { id: work } = phone.does({ of: 'begun', task: motif.id, rows: motif.rows }, NOON);
    // Four rounds in 2, 3, 4 and 5 minutes: 14 minutes for the whole square.
    const ends = [2, 5, 9, 14];
    for (const [i, minute] of ends.entries())
      phone.does({ of: 'row', work, row: i + 1 }, NOON + minute * MINUTE);
    // Ten ends in 6 minutes more; after tea five, the time of which nobody knows.
    phone.does({ of: 'hidden', many: 10 }, NOON + 20 * MINUTE);
    phone.does({ of: 'hidden', many: 5 }, NOON + 120 * MINUTE);
    const speeds = speedsOf(plan, phone.events);
    expect(speeds.get('stitches')).toEqual({
      done: toilUpTo(toilOf(plan, motif), Math.min(4, motif.rows)),
      minutes: ends[Math.min(4, motif.rows) - 1],
    });
    expect(speeds.get('ends')).toEqual({ done: 10, minutes: 6 });
    expect(speeds.get('joins')).toBeUndefined();
  });

  test('rows that were counted several at once, or taken back, tell nothing', () => {
    const phone = new TestDevice(1);
    const { id: work } = phone.does({ of: 'begun', task: motif.id, rows: motif.rows }, NOON);
    phone.does({ of: 'row', work, row: 3 }, NOON + MINUTE);
    const wrong = phone.does({ of: 'hidden', many: 3 }, NOON + 2 * MINUTE);
    phone.does({ of: 'undone', event: wrong.id }, NOON + 2 * MINUTE);
    expect([...speedsOf(plan, phone.events)]).toEqual([]);
  });

  test('one’s own is believed once it has been timed for long enough', () => {
    const speed = (minutes: number) => aMinute(new Map([['ends', { done: 2 * minutes, minutes }]]), 'ends');
    expect(speed(19)).toEqual({ many: 0.7, own: false });
    expect(speed(20)).toEqual({ many: 2, own: true });
  });
});

describe('what is left', () => {
  test('before anything is done is what the plan reckons its hours by: pieces, edge and straps, joins, ends', () => {
    fc.assert(
      fc.property(documents, (document) => {
        const made = planned(document);
        if (!made.ok || made.plan.joins.school === 'as-you-go') return;
        const { work } = made.plan.tally.effort;
        const minutes = (...kinds: string[]) =>
          work.reduce((sum, one) => sum + (kinds.includes(one.kind) ? one.minutes : 0), 0);
        const all = left(made.plan);
        expect((all.get('ends') ?? 0) / 0.7).toBeCloseTo(minutes('ends'), 6);
        const pieces = tasksOf(made.plan).reduce(
          (sum, task) =>
            task.of === 'pieces' && task.pieces.length > 0
              ? sum + task.many * toilUpTo(toilOf(made.plan, task), task.rows)
              : sum,
          0,
        );
        expect(pieces / 18).toBeCloseTo(minutes('pieces'), 6);
        expect((all.get('stitches') ?? 0) / 18).toBeGreaterThanOrEqual(minutes('pieces') - 1e-6);
        expect((all.get('joins') ?? 0) / 12).toBeLessThanOrEqual(minutes('joins') + 1e-6);
      }),
      { numRuns: 40 },
    );
  });

  test('gets less with every round and piece, and is nothing in the end', () => {
    const phone = new TestDevice(1);
    const minutes: number[] = [];
    const look = () => minutes.push(minutesLeft(left(plan, recordOf(phone.events)), new Map()).minutes);
    const does = (deed: Deed) => {
      const event = phone.does(deed, NOON);
      look();
      return event;
    };
    look();
    const { id: work } = phone.does({ of: 'begun', task: motif.id, rows: motif.rows }, NOON);
    for (let row = 1; row <= motif.rows; row++) does({ of: 'row', work, row });
    phone.does({ of: 'finished', work, rows: motif.rows }, NOON);
    for (const task of tasksOf(plan))
      if (task.of === 'pieces') {
        const many = task.id === motif.id ? task.many - 1 : task.many;
        if (many > 0) does({ of: 'made', task: task.id, rows: task.rows, many });
      } else if (task.of === 'ends') does({ of: 'hidden', many: task.many });
      else if (task.run !== undefined) does({ of: 'stepped', task: task.under, steps: [...task.steps] });
    for (let i = 1; i < minutes.length; i++) expect(minutes[i]).toBeLessThan(minutes[i - 1] ?? 0);
    expect(minutes.at(-1)).toBeCloseTo(0, 9);
  });
});
