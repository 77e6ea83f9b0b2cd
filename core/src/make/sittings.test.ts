import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { histories, TestDevice } from '../testing/making.ts';
import { type MakeEvent, minutesByDay, minutesOf, PAUSE, sinceRest, sittingsOf } from './index.ts';

const NOON = Date.UTC(2026, 2, 7, 12);
const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;
/** Days of Greenwich. */
const dayOf = (moment: number) => ({
  name: new Date(moment).toISOString().slice(0, 10),
  end: (Math.floor(moment / DAY) + 1) * DAY,
});
const rows = (minutes: readonly number[], device = new TestDevice(1)) => {
  for (const minute of minutes) device.does({ of: 'hidden', many: 1 }, NOON + minute * MINUTE);
  return device;
};

describe('sittings', () => {
  test('a morning in two sittings, by hand', () => {
    // Rows at 0, 5 and 12 minutes; tea; rows at 60 and 70: 12 and 10 minutes.
    const all = sittingsOf(rows([0, 5, 12, 60, 70]).events);
    expect(
      all.map(({ from, to, events }) => [(from - NOON) / MINUTE, (to - NOON) / MINUTE, events.length]),
    ).toEqual([
      [0, 12, 3],
      [60, 70, 2],
    ]);
    expect(minutesOf(all)).toBe(22);
  });

  test('just as long as a pause is none; a moment longer is one', () => {
    const times = (gap: number) => {
      const phone = new TestDevice(1);
      phone.does({ of: 'hidden', many: 1 }, NOON);
      phone.does({ of: 'hidden', many: 1 }, NOON + gap);
      return sittingsOf(phone.events).length;
    };
    expect([times(PAUSE), times(PAUSE + 1)]).toEqual([1, 2]);
  });

  test('a pause that is told takes the time before it out', () => {
    const phone = rows([0, 5]);
    phone.does({ of: 'paused' }, NOON + 15 * MINUTE);
    rows([16, 18], phone);
    expect(minutesOf(sittingsOf(phone.events))).toBe(5 + 2);
  });

  test('hold each event once but pauses, never overlap on one device, and are the same in any order', () => {
    fc.assert(
      fc.property(
        histories.chain(({ done }) => {
          const all = done.map(({ event }) => event);
          return fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length }));
        }),
        ([all, shuffled]) => {
          const own = sittingsOf(all);
          expect(sittingsOf(shuffled)).toEqual(own);
          const held = own.flatMap(({ events }) => events);
          expect([...held].sort()).toEqual(all.map(({ id }) => id).sort());
          for (const { from, to } of own) expect(to).toBeGreaterThanOrEqual(from);
          for (const [i, { device, from }] of own.entries())
            for (const other of own.slice(0, i))
              if (other.device === device) expect(from - other.to).toBeGreaterThan(PAUSE);
        },
      ),
    );
  });

  test('minutes by day come to all minutes; a sitting over midnight is shared', () => {
    fc.assert(
      fc.property(histories, ({ done }) => {
        const own = sittingsOf(done.map(({ event }) => event));
        const sum = [...minutesByDay(own, dayOf).values()].reduce((all, one) => all + one, 0);
        expect(sum).toBeCloseTo(minutesOf(own), 6);
      }),
    );
    // From 23:50 to 0:05.
    const late = sittingsOf(rows([710, 725]).events);
    expect([...minutesByDay(late, dayOf)]).toEqual([
      ['2026-03-07', 10],
      ['2026-03-08', 5],
    ]);
  });
});

describe('since the hands rested', () => {
  const since = (events: readonly MakeEvent[], minute: number, rest = 5) =>
    sinceRest(events, rows([]).does({ of: 'paused' }, 0).device, NOON + minute * MINUTE, rest * MINUTE) /
    MINUTE;

  test('it is as long as there was no rest', () => {
    const { events } = rows([0, 3, 7, 11, 30, 33]);
    expect(since(events, 34)).toBe(4);
    expect(since(events, 12)).toBe(12 - 0);
    expect(since(events, 38)).toBe(0);
    expect(since(events, 37.9)).toBeCloseTo(7.9, 9);
  });

  test('what another device did rests no hands, and tires none', () => {
    expect(since(rows([0, 3], new TestDevice(2)).events, 4)).toBe(0);
  });
});
