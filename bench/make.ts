import { type MakeEvent, planOf, recordOf, standOf, withEvent } from '@fennot/core';
import { demoBags } from '@fennot/server';
import { report, time } from './time.ts';

/** A bag that has been worked on for a year. */
const MANY = 20_000;

/** Events of hundreds of squares, one after another, as a device makes them. */
function manyEvents(task: string): MakeEvent[] {
  const device = '00000000-0000-4000-8000-000000000001';
  const begun = Date.UTC(2026, 0, 1);
  let work = '';
  return Array.from({ length: MANY }, (_, i): MakeEvent => {
    const at = begun + i * 60_000;
    const time = at.toString(16).padStart(12, '0');
    const id = `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-${i.toString(16).padStart(12, '0')}`;
    const head = { id, at, device, plan: 1 };
    const step = i % 6;
    if (step === 0) {
      work = id;
      return { ...head, of: 'begun', task, rows: 4 };
    }
    return step < 5 ? { ...head, of: 'row', work, row: step } : { ...head, of: 'finished', work, rows: 4 };
  });
}

/** What it takes to open a bag with a long log, and to count one more row. */
export function benchMake(): void {
  const document = demoBags().find(({ name }) => name === 'Folder satchel');
  if (!document) throw new Error('There is no folder satchel.');
  const plan = planOf(document);
  const events = manyEvents('motif/square/c1/4');
  const text = JSON.stringify(events);
  const record = recordOf(events);
  const last = events.at(-1);
  const next: MakeEvent = {
    id: 'ffffffff-ffff-7000-8000-000000000000',
    at: last?.at ?? 0,
    device: last?.device ?? '',
    plan: 1,
    of: 'hidden',
    many: 1,
  };
  const beside = `reading their JSON takes ${time(() => JSON.parse(text), 20, 5).median.toFixed(2)} ms`;
  report(
    `${MANY} events folded`,
    time(() => recordOf(events), 20, 5),
    beside,
  );
  report(
    'one more event',
    time(() => withEvent(record, next), 60, 20),
    'aim: far below a frame, 16 ms',
  );
  report(
    'how every task stands',
    time(() => standOf(plan, record), 60, 20),
    'after each press',
  );
}
