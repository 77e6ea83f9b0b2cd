import Papa from 'papaparse';
import { z } from 'zod';
import { eventSchema, type MakeEvent } from './event.ts';
import { inOrderOfDoing } from './record.ts';

const NOT_ONE = 'This is no log of a bag that Fennot wrote.';

/** The log of a bag as a file of its own. */
const logFileSchema = z.object(
  {
    format: z.literal('fennot.log', NOT_ONE),
    version: z.literal(1, 'This log was written by a newer Fennot. Update Fennot, and take it in then.'),
    /** What the bag was called. */
    bag: z.string(),
    events: z.array(z.unknown()),
  },
  NOT_ONE,
);

/** A log as JSON: everything that was done, in its order. */
export const logJson = (bag: string, events: readonly MakeEvent[]): string =>
  JSON.stringify({ format: 'fennot.log', version: 1, bag, events: inOrderOfDoing(events) }, null, 2);

/** What a file gave: its events, and how many of its entries are none. Or why it is no log. */
export type LogRead =
  | { readonly ok: true; readonly events: readonly MakeEvent[]; readonly bad: number }
  | { readonly ok: false; readonly problem: string };

/** Reads a log, whether as JSON or as CSV. */
export function readLog(text: string): LogRead {
  return text.trimStart().startsWith('{') ? readJson(text) : readCsv(text);
}

function readJson(text: string): LogRead {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { ok: false, problem: NOT_ONE };
  }
  const file = logFileSchema.safeParse(value);
  return file.success
    ? read(file.data.events)
    : { ok: false, problem: file.error.issues[0]?.message ?? NOT_ONE };
}

function read(all: readonly unknown[]): LogRead {
  const events = all.flatMap((one) => {
    const event = eventSchema.safeParse(one);
    return event.success ? [event.data] : [];
  });
  return { ok: true, events: inOrderOfDoing(events), bad: all.length - events.length };
}

/** Columns of a log in a table: what every event has, then what some have. */
const COLUMNS = [
  'id',
  'at',
  'of',
  'task',
  'work',
  'row',
  'rows',
  'to',
  'many',
  'steps',
  'what',
  'mm',
  'yarn',
  'grams',
  'text',
  'photo',
  'event',
  'device',
  'plan',
] as const;
type Column = (typeof COLUMNS)[number];

/** Columns that hold numbers, and those that hold what is more than one cell: as JSON. */
const NUMBERS: readonly Column[] = ['row', 'rows', 'to', 'many', 'mm', 'grams', 'plan'];
const NESTED: readonly Column[] = ['steps', 'what'];

/** A log as a table, with times as calendars have them. It can be read back whole. */
export function logCsv(events: readonly MakeEvent[]): string {
  const rows = inOrderOfDoing(events).map((event) => {
    const own: Partial<Record<string, unknown>> = event;
    return COLUMNS.map((column) => {
      const value = own[column];
      if (value === undefined) return '';
      if (column === 'at') return new Date(Number(value)).toISOString();
      return NESTED.includes(column) ? JSON.stringify(value) : String(value);
    });
  });
  return Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\n' });
}

function readCsv(text: string): LogRead {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true,
  });
  const named = new Set(meta.fields ?? []);
  if (!['id', 'at', 'of', 'device'].every((column) => named.has(column)))
    return { ok: false, problem: NOT_ONE };
  return read(data.map(fromRow));
}

function fromRow(row: Readonly<Record<string, string>>): Record<string, unknown> {
  const event: Record<string, unknown> = {};
  for (const column of COLUMNS) {
    const cell = row[column];
    // A note may be empty; nothing else that is said is.
    if (cell === undefined || (cell === '' && !(column === 'text' && row.of === 'noted'))) continue;
    if (column === 'at') event.at = Date.parse(cell);
    else if (NUMBERS.includes(column)) event[column] = Number(cell);
    else if (NESTED.includes(column)) event[column] = nested(cell);
    else event[column] = cell;
  }
  return event;
}

function nested(cell: string): unknown {
  try {
    return JSON.parse(cell);
  } catch {
    return undefined;
  }
}
