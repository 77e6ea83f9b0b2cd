import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { histories, TestDevice } from '../testing/making.ts';
import { byId, type Deed, logCsv, logJson, readLog } from './index.ts';

const NOON = Date.UTC(2026, 2, 7, 12);

/** One of each kind that histories do not have. */
const odd: Deed[] = [
  { of: 'measured', what: { of: 'tape', measure: 'width', load: 1500 }, mm: 312.5 },
  { of: 'measured', what: { of: 'motif', motif: 'square', rounds: 4, blocked: false }, mm: 91 },
  { of: 'weighed', yarn: 'y1', grams: 0 },
  { of: 'paused' },
  { of: 'noted', text: 'Two lines,\n“quoted”; and a, comma' },
  { of: 'noted', text: '', task: 'edge' },
  { of: 'pictured', photo: '7e0c6b52-2f0a-4f6e-9a55-0d8a4b1f5f10' },
  { of: 'made', task: 'panel/1,0', rows: 4, many: 3 },
];

describe('a log as a file', () => {
  test('as JSON and as CSV is read back as it was', () => {
    fc.assert(
      fc.property(histories, fc.subarray(odd), ({ done }, more) => {
        const device = new TestDevice(7);
        device.learns(done.map(({ event }) => event));
        for (const deed of more) device.does(deed, NOON);
        const events = [...device.events].sort(byId);
        for (const text of [logJson('Bag', events), logCsv(events), `\uFEFF${logCsv(events)}`])
          expect(readLog(text)).toEqual({ ok: true, events, bad: 0 });
      }),
    );
  });

  test('in a table has a line an event, with its time as calendars have it', () => {
    const phone = new TestDevice(1);
    phone.does({ of: 'hidden', many: 12 }, NOON);
    const [head, line, end] = logCsv(phone.events).split('\n');
    expect(head?.split(',').slice(0, 4)).toEqual(['id', 'at', 'of', 'task']);
    expect(line).toContain(',2026-03-07T12:00:00.000Z,hidden,');
    expect(end).toBeUndefined();
  });

  test.each([
    ['', 'no log'],
    ['{"format":"fennot.bag"}', 'no log'],
    ['{', 'no log'],
    ['Row,What\n1,dc', 'no log'],
    ['{"format":"fennot.log","version":2,"bag":"","events":[]}', 'newer Fennot'],
  ])('what is none is told: %s', (text, said) => {
    const read = readLog(text);
    expect(read.ok ? '' : read.problem).toContain(said);
  });

  test('entries that are none are counted, and all others taken', () => {
    const phone = new TestDevice(1);
    phone.does({ of: 'hidden', many: 12 }, NOON);
    const damaged = `${logCsv(phone.events)}\nno-id,yesterday,hidden,,,,,,1,,,,,,,,,,`;
    expect(readLog(damaged)).toEqual({ ok: true, events: phone.events, bad: 1 });
  });
});
