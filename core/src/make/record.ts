import { byId } from './clock.ts';
import type { EventOf, MakeEvent } from './event.ts';

/** A piece that was begun: a square, a panel, an edge round. */
export interface Work {
  /** Id of the event it was begun by. */
  readonly id: string;
  readonly task: string;
  /** Rows or rounds the plan wanted when it was begun. */
  readonly asked: number;
  /** Rows or rounds that are there. */
  readonly rows: number;
  readonly is: 'on the hook' | 'done' | 'left';
  /** Rows after which a marker was put in, in their order. */
  readonly marks: readonly number[];
  /** When it was begun and last worked on, by the clock of the device: ms. */
  readonly begun: number;
  readonly touched: number;
}

/** Pieces that were made without being counted row by row. */
export interface MadeAtOnce {
  readonly id: string;
  readonly task: string;
  readonly rows: number;
  readonly many: number;
}

/** What has been done, out of the events: the same on every device that knows the same events. */
export interface WorkRecord {
  /** By id, in the order in which they were begun. */
  readonly works: ReadonlyMap<string, Work>;
  readonly made: readonly MadeAtOnce[];
  /** Steps that are done, by task, each with the moment of its event. */
  readonly steps: ReadonlyMap<string, ReadonlyMap<string, number>>;
  /** Ends that are hidden. */
  readonly hidden: number;
  readonly measured: ReadonlyArray<EventOf<'measured'>>;
  readonly weighed: ReadonlyArray<EventOf<'weighed'>>;
  readonly noted: ReadonlyArray<EventOf<'noted'>>;
  readonly pictured: ReadonlyArray<EventOf<'pictured'>>;
  /** Events about work that nothing here was begun as: it was taken back, or has not arrived. */
  readonly strays: readonly string[];
  /** Events that stand, and the id of the latest of all. */
  readonly many: number;
  readonly latest: string | undefined;
}

interface Draft {
  works: Map<string, Work>;
  made: MadeAtOnce[];
  steps: Map<string, ReadonlyMap<string, number>>;
  hidden: number;
  measured: EventOf<'measured'>[];
  weighed: EventOf<'weighed'>[];
  noted: EventOf<'noted'>[];
  pictured: EventOf<'pictured'>[];
  strays: string[];
  many: number;
  latest: string | undefined;
}

const empty = (): Draft => ({
  works: new Map(),
  made: [],
  steps: new Map(),
  hidden: 0,
  measured: [],
  weighed: [],
  noted: [],
  pictured: [],
  strays: [],
  many: 0,
  latest: undefined,
});

/** Before anything was done. */
export const NOTHING_DONE: WorkRecord = empty();

/** What events come to, in whatever order they arrived and however often. */
export function recordOf(events: Iterable<MakeEvent>): WorkRecord {
  const sorted = inOrderOfDoing(events);
  const back = takenBack(sorted);
  const draft = empty();
  for (const event of sorted) {
    draft.latest = event.id;
    if (event.of !== 'undone' && !back.has(event.id)) put(draft, event);
  }
  return draft;
}

/** Each event once, in their order. */
export const inOrderOfDoing = (events: Iterable<MakeEvent>): MakeEvent[] => {
  const once = new Map<string, MakeEvent>();
  for (const event of events) once.set(event.id, event);
  return [...once.values()].sort(byId);
};

/**
 * The record with one more event, where that can be said without looking at all others: it comes after them, and takes
 * none of them back. Nothing where it cannot.
 */
export function withEvent(record: WorkRecord, event: MakeEvent): WorkRecord | undefined {
  if (event.of === 'undone' || (record.latest !== undefined && event.id <= record.latest)) return undefined;
  const draft: Draft = {
    ...record,
    works: new Map(record.works),
    made: [...record.made],
    steps: new Map(record.steps),
    measured: [...record.measured],
    weighed: [...record.weighed],
    noted: [...record.noted],
    pictured: [...record.pictured],
    strays: [...record.strays],
    latest: event.id,
  };
  put(draft, event);
  return draft;
}

/**
 * Ids of events that are taken back. One that takes back is always the later one, so the last is decided first: it stands, and
 * what it takes back does not.
 */
export function takenBack(sorted: readonly MakeEvent[]): ReadonlySet<string> {
  const back = new Set<string>();
  for (let i = sorted.length - 1; i >= 0; i--) {
    const event = sorted[i];
    if (event?.of === 'undone' && event.event < event.id && !back.has(event.id)) back.add(event.event);
  }
  return back;
}

function put(draft: Draft, event: Exclude<MakeEvent, { of: 'undone' }>): void {
  draft.many++;
  switch (event.of) {
    case 'begun':
      draft.works.set(event.id, {
        id: event.id,
        task: event.task,
        asked: event.rows,
        rows: 0,
        is: 'on the hook',
        marks: [],
        begun: event.at,
        touched: event.at,
      });
      return;
    case 'row':
    case 'ripped':
    case 'finished':
    case 'left':
    case 'marked': {
      const work = draft.works.get(event.work);
      if (work) draft.works.set(work.id, { ...worked(work, event), touched: event.at });
      else draft.strays.push(event.id);
      return;
    }
    case 'made': {
      const { id, task, rows, many } = event;
      draft.made.push({ id, task, rows, many });
      return;
    }
    case 'stepped': {
      // A new one: the record before this event keeps its own.
      const done = new Map(draft.steps.get(event.task));
      for (const step of event.steps) if (!done.has(step)) done.set(step, event.at);
      draft.steps.set(event.task, done);
      return;
    }
    case 'hidden':
      draft.hidden += event.many;
      return;
    case 'measured':
      draft.measured.push(event);
      return;
    case 'weighed':
      draft.weighed.push(event);
      return;
    case 'noted':
      draft.noted.push(event);
      return;
    case 'pictured':
      draft.pictured.push(event);
      return;
    case 'paused':
      return;
  }
}

/** A piece of work after something was done on it. */
function worked(work: Work, event: EventOf<'row' | 'ripped' | 'finished' | 'left' | 'marked'>): Work {
  switch (event.of) {
    case 'row':
      return { ...work, rows: Math.max(work.rows, event.row) };
    case 'ripped':
      return {
        ...work,
        rows: Math.min(work.rows, event.to),
        marks: work.marks.filter((row) => row <= event.to),
        is: 'on the hook',
      };
    case 'finished':
      return { ...work, rows: event.rows, is: 'done' };
    case 'left':
      return { ...work, is: 'left' };
    case 'marked':
      return { ...work, marks: [...new Set([...work.marks, event.row])].sort((a, b) => a - b) };
  }
}
