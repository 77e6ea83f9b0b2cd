import type { MakeEvent } from './event.ts';
import { inOrderOfDoing, takenBack } from './record.ts';
import { sittingsOf } from './sittings.ts';

interface Span {
  /** Id of its first event. */
  readonly id: string;
  readonly from: number;
  readonly to: number;
}

/** What a log says in one line: rows of one piece one after another, ends and pieces at once, are together. */
export type LogLine =
  | (Span & { readonly of: 'rows'; readonly task: string; readonly first: number; readonly last: number })
  | (Span & { readonly of: 'finished'; readonly task: string; readonly rows: number; readonly many: number })
  | (Span & { readonly of: 'stepped'; readonly task: string; readonly many: number })
  | (Span & { readonly of: 'hidden'; readonly many: number })
  | (Span & { readonly of: 'other'; readonly event: MakeEvent; readonly task: string | undefined });

/** The lines of a log, the earliest first, by the clocks of the devices; what was taken back is left out. */
export function logLines(events: readonly MakeEvent[]): LogLine[] {
  const sorted = inOrderOfDoing(events);
  const back = takenBack(sorted);
  const standing = new Map(
    sorted.filter(({ id, of }) => of !== 'undone' && !back.has(id)).map((event) => [event.id, event]),
  );
  const taskOf = new Map(
    [...standing.values()].flatMap((event) =>
      event.of === 'begun' ? [[event.id, event.task] as const] : [],
    ),
  );
  return sittingsOf(standing.values()).flatMap(({ events: ids }) => {
    const lines: LogLine[] = [];
    for (const id of ids) {
      const event = standing.get(id);
      const line = event && lineOf(event, taskOf);
      if (!line) continue;
      const before = lines.at(-1);
      const both = before && together(before, line);
      if (both) lines[lines.length - 1] = both;
      else lines.push(line);
    }
    return lines;
  });
}

function lineOf(event: MakeEvent, taskOf: ReadonlyMap<string, string>): LogLine | undefined {
  const span = { id: event.id, from: event.at, to: event.at };
  const task = 'work' in event ? taskOf.get(event.work) : 'task' in event ? event.task : undefined;
  switch (event.of) {
    case 'row':
      return { ...span, of: 'rows', task: task ?? '', first: event.row, last: event.row };
    case 'finished':
      return { ...span, of: 'finished', task: task ?? '', rows: event.rows, many: 1 };
    case 'made':
      return { ...span, of: 'finished', task: event.task, rows: event.rows, many: event.many };
    case 'stepped':
      return { ...span, of: 'stepped', task: event.task, many: event.steps.length };
    case 'hidden':
      return { ...span, of: 'hidden', many: event.many };
    // Beginning is said by its first row.
    case 'begun':
    case 'marked':
    case 'paused':
      return undefined;
    default:
      return { ...span, of: 'other', event, task };
  }
}

/** Two lines as one, where they say the same of the same. */
function together(before: LogLine, line: LogLine): LogLine | undefined {
  if (before.of === 'hidden' && line.of === 'hidden')
    return { ...before, to: line.to, many: before.many + line.many };
  if (before.of === 'stepped' && line.of === 'stepped' && before.task === line.task)
    return { ...before, to: line.to, many: before.many + line.many };
  if (
    before.of === 'rows' &&
    line.of === 'rows' &&
    before.task === line.task &&
    line.first === before.last + 1
  )
    return { ...before, to: line.to, last: line.last };
  return undefined;
}
