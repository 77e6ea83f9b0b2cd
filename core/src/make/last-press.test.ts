import fc from 'fast-check';
import { expect, test } from 'vitest';
import { histories, TestDevice } from '../testing/making.ts';
import { byId, lastPress, type MakeEvent, recordOf } from './index.ts';

const NOON = Date.UTC(2026, 2, 7, 12);
const all = () => true;

test('one row is taken back at a time; the last one with the piece, which is on the hook again', () => {
  const phone = new TestDevice(1);
  const { id: work } = phone.does({ of: 'begun', task: 'edge', rows: 2 }, NOON);
  const back = () => {
    for (const { id } of lastPress(phone.events.sort(byId), all))
      phone.does({ of: 'undone', event: id }, NOON);
  };
  phone.does({ of: 'row', work, row: 1 }, NOON + 1);
  phone.does({ of: 'row', work, row: 2 }, NOON + 2);
  phone.does({ of: 'finished', work, rows: 2 }, NOON + 2);
  const now = () => recordOf(phone.events).works.get(work);
  expect(now()).toMatchObject({ is: 'done', rows: 2 });
  back();
  expect(now()).toMatchObject({ is: 'on the hook', rows: 1 });
  back();
  expect(now()).toMatchObject({ rows: 0 });
  back();
  expect(now()).toBeUndefined();
  back();
  expect(lastPress(phone.events.sort(byId), all)).toEqual([]);
});

test('taken back as often as there is something, nothing stands any more, whatever was done', () => {
  fc.assert(
    fc.property(histories, ({ done }) => {
      const device = new TestDevice(9);
      device.learns(done.map(({ event }) => event));
      const sorted = (): MakeEvent[] => device.events.sort(byId);
      for (let press = lastPress(sorted(), all); press.length > 0; press = lastPress(sorted(), all)) {
        const before = recordOf(device.events).many;
        for (const { id } of press) device.does({ of: 'undone', event: id }, NOON);
        expect(recordOf(device.events).many).toBe(before - press.length);
      }
      expect(recordOf(device.events).many).toBe(0);
    }),
    { numRuns: 40 },
  );
});
