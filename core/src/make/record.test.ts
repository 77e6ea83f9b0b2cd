import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { deviceId, histories, idAt, TestDevice } from '../testing/making.ts';
import {
  byId,
  eventSchema,
  inOrderOfDoing,
  type MakeEvent,
  momentOf,
  NOTHING_DONE,
  nextMoment,
  recordOf,
  takenBack,
  withEvent,
} from './index.ts';

const NOON = Date.UTC(2026, 2, 7, 12);
const MINUTE = 60_000;

/** The record of some events, found by doing each in order on the one before, and from the start where that cannot be. */
function oneByOne(events: readonly MakeEvent[]) {
  let record = NOTHING_DONE;
  events.forEach((event, i) => {
    record = withEvent(record, event) ?? recordOf(events.slice(0, i + 1));
  });
  return record;
}

describe('ids and their moments', () => {
  test('an id tells the moment it was made with', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 ** 48 - 1 }), fc.nat(1e9), (moment, random) => {
        const id = idAt(moment, random);
        expect(momentOf(id)).toBe(moment);
      }),
    );
  });

  test('the next moment is now; where the clock is behind what was seen, just after that; never past the last there is', () => {
    expect(nextMoment(NOON, undefined)).toBe(NOON);
    expect(nextMoment(NOON, idAt(NOON - 5, 1))).toBe(NOON);
    expect(nextMoment(NOON, idAt(NOON, 1))).toBe(NOON + 1);
    expect(nextMoment(NOON, idAt(NOON + 3_600_000, 1))).toBe(NOON + 3_600_001);
    expect(nextMoment(NOON, idAt(2 ** 48 - 1, 1))).toBe(2 ** 48 - 1);
  });

  test('what was done knowing of something comes after it, whatever the clocks say', () => {
    fc.assert(
      fc.property(histories, ({ done }) => {
        for (const { event, knowing } of done) for (const id of knowing) expect(event.id > id).toBe(true);
      }),
    );
  });

  test('events made by devices are events', () => {
    fc.assert(
      fc.property(histories, ({ done }) => {
        for (const { event } of done) expect(eventSchema.parse(event)).toEqual(event);
      }),
    );
  });
});

describe('the record of what was done', () => {
  test('is the same in whatever order events arrive, and however often', () => {
    fc.assert(
      fc.property(
        histories.chain(({ done }) => {
          const all = done.map(({ event }) => event);
          return fc.tuple(
            fc.constant(all),
            fc.shuffledSubarray(all, { minLength: all.length }),
            fc.subarray(all),
          );
        }),
        ([all, shuffled, again]) => {
          expect(recordOf([...shuffled, ...again])).toEqual(recordOf(all));
        },
      ),
    );
  });

  test('is the union of what devices know, whichever way it goes round, and late events are put where they belong', () => {
    fc.assert(
      fc.property(histories, ({ devices, done }) => {
        const all = recordOf(done.map(({ event }) => event));
        const [a, b, c] = devices.map(({ events }) => events);
        expect(recordOf([...(a ?? []), ...(b ?? []), ...(c ?? [])])).toEqual(all);
        expect(recordOf([...(c ?? []), ...(a ?? []), ...(b ?? [])])).toEqual(all);
      }),
    );
  });

  test('with one more is the record of one more; where it cannot be said so, nothing is said', () => {
    fc.assert(
      fc.property(histories, ({ done }) => {
        const sorted = done.map(({ event }) => event).sort(byId);
        expect(oneByOne(sorted)).toEqual(recordOf(sorted));
        const [first] = sorted;
        const record = recordOf(sorted);
        if (first) expect(withEvent(record, first)).toBeUndefined();
      }),
    );
  });

  test('one more leaves the record before it as it was', () => {
    fc.assert(
      fc.property(histories, ({ done }) => {
        const sorted = done.map(({ event }) => event).sort(byId);
        const last = sorted.pop();
        const before = recordOf(sorted);
        if (last) withEvent(before, last);
        expect(before).toEqual(recordOf(sorted));
      }),
    );
  });

  test('what is taken back is as if it had never been: found by leaving events out', () => {
    fc.assert(
      fc.property(histories, ({ done }) => {
        const sorted = inOrderOfDoing(done.map(({ event }) => event));
        // By its meaning: an event stands when nothing that stands takes it back.
        const stands = (event: MakeEvent): boolean =>
          !sorted.some((one) => one.of === 'undone' && one.event === event.id && stands(one));
        const back = takenBack(sorted);
        for (const event of sorted) expect(back.has(event.id)).toBe(!stands(event));
        const { latest: _, ...left } = recordOf(sorted.filter((one) => one.of !== 'undone' && stands(one)));
        const { latest: __, ...whole } = recordOf(sorted);
        expect(whole).toEqual(left);
      }),
    );
  });

  test('rows are never fewer than none, ends and markers never beyond what was done', () => {
    fc.assert(
      fc.property(histories, ({ done }) => {
        const { works, hidden, many } = recordOf(done.map(({ event }) => event));
        expect(hidden).toBeGreaterThanOrEqual(0);
        expect(many).toBeLessThanOrEqual(done.length);
        for (const { rows, marks } of works.values()) {
          expect(rows).toBeGreaterThanOrEqual(0);
          expect([...marks].sort((a, b) => a - b)).toEqual(marks);
        }
      }),
    );
  });
});

describe('an afternoon', () => {
  test('a square is worked, ripped back and finished', () => {
    const phone = new TestDevice(1);
    const { id: work } = phone.does({ of: 'begun', task: 'motif/square/c1/4', rows: 4 }, NOON);
    for (const row of [1, 2, 3]) phone.does({ of: 'row', work, row }, NOON + row * MINUTE);
    phone.does({ of: 'marked', work, row: 3 }, NOON + 4 * MINUTE);
    // The third round was begun in the wrong colour: the marker goes with it.
    phone.does({ of: 'ripped', work, to: 2 }, NOON + 5 * MINUTE);
    expect(recordOf(phone.events).works.get(work)).toMatchObject({ rows: 2, marks: [], is: 'on the hook' });
    for (const row of [3, 4]) phone.does({ of: 'row', work, row }, NOON + (5 + row) * MINUTE);
    phone.does({ of: 'finished', work, rows: 4 }, NOON + 10 * MINUTE);
    expect(recordOf(phone.events).works.get(work)).toEqual({
      id: work,
      task: 'motif/square/c1/4',
      asked: 4,
      rows: 4,
      is: 'done',
      marks: [],
      begun: NOON,
      touched: NOON + 10 * MINUTE,
    });
  });

  test('a phone and a laptop count the same row of one panel: it is one row; each square is its own', () => {
    const [phone, laptop] = [new TestDevice(1), new TestDevice(2, -61 * MINUTE)];
    const { id: strip } = phone.does({ of: 'begun', task: 'panel/strip', rows: 156 }, NOON);
    laptop.learns(phone.events);
    phone.does({ of: 'row', work: strip, row: 1 }, NOON + MINUTE);
    laptop.does({ of: 'row', work: strip, row: 1 }, NOON + MINUTE);
    phone.does({ of: 'begun', task: 'motif/square/c1/4', rows: 4 }, NOON + 2 * MINUTE);
    laptop.does({ of: 'begun', task: 'motif/square/c1/4', rows: 4 }, NOON + 2 * MINUTE);
    phone.learns(laptop.events);
    const { works } = recordOf(phone.events);
    expect(works.get(strip)?.rows).toBe(1);
    expect(works.size).toBe(3);
  });

  test('a laptop an hour behind rips back what the phone had done: the rows are gone, for it knew of them', () => {
    const [phone, laptop] = [new TestDevice(1), new TestDevice(2, -60 * MINUTE)];
    const { id: strip } = phone.does({ of: 'begun', task: 'panel/strip', rows: 156 }, NOON);
    for (let row = 1; row <= 9; row++) phone.does({ of: 'row', work: strip, row }, NOON + row * MINUTE);
    laptop.learns(phone.events);
    laptop.does({ of: 'ripped', work: strip, to: 4 }, NOON + 10 * MINUTE);
    phone.learns(laptop.events);
    expect(recordOf(phone.events).works.get(strip)?.rows).toBe(4);
  });

  test('undoing is undone again; what was done on a piece that was taken back is kept as a stray', () => {
    const phone = new TestDevice(1);
    const begun = phone.does({ of: 'begun', task: 'edge', rows: 3 }, NOON);
    const row = phone.does({ of: 'row', work: begun.id, row: 1 }, NOON + 1);
    const undone = phone.does({ of: 'undone', event: begun.id }, NOON + 2);
    expect(recordOf(phone.events)).toMatchObject({ strays: [row.id] });
    expect(recordOf(phone.events).works.size).toBe(0);
    phone.does({ of: 'undone', event: undone.id }, NOON + 3);
    expect(recordOf(phone.events)).toMatchObject({ strays: [] });
    expect(recordOf(phone.events).works.get(begun.id)?.rows).toBe(1);
  });

  test('ends, steps and pieces made at once are added up; a step done twice is done once', () => {
    const phone = new TestDevice(1);
    phone.does({ of: 'hidden', many: 12 }, NOON);
    phone.does({ of: 'hidden', many: 1 }, NOON + 1);
    phone.does({ of: 'made', task: 'motif/square/c1/4', rows: 4, many: 5 }, NOON + 2);
    phone.does({ of: 'stepped', task: 'joins', steps: ['a', 'b'] }, NOON + 3);
    phone.does({ of: 'stepped', task: 'joins', steps: ['b', 'c'] }, NOON + 4);
    const { hidden, made, steps } = recordOf(phone.events);
    expect(hidden).toBe(13);
    expect(made.map(({ task, many }) => [task, many])).toEqual([['motif/square/c1/4', 5]]);
    expect([...(steps.get('joins') ?? [])]).toEqual([
      ['a', NOON + 3],
      ['b', NOON + 3],
      ['c', NOON + 4],
    ]);
  });
});

describe('an event', () => {
  const good = { id: idAt(NOON, 1), at: NOON, device: deviceId(1), plan: 3, of: 'hidden', many: 2 };
  test.each([
    ['of no kind', { ...good, of: 'danced' }],
    ['with an id of another version', { ...good, id: good.id.replace('-7', '-4') }],
    ['with an id in capitals', { ...good, id: idAt(0xabcdef012345, 1).toUpperCase() }],
    ['with a half', { ...good, many: 1.5 }],
    ['with none', { ...good, many: 0 }],
    ['at no time', { ...good, at: -1 }],
    ['with more than is said', { ...good, more: true }],
    ['of two lines', { ...good, of: 'begun', many: undefined, task: 'a\nb', rows: 3 }],
  ])('%s is refused', (_, event) => {
    expect(eventSchema.safeParse(event).success).toBe(false);
  });

  test('that is whole is taken', () => {
    expect(eventSchema.parse(good)).toEqual(good);
  });
});
