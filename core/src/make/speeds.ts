import type { Plan } from '../plan/index.ts';
import { ENDS_A_MINUTE, JOINS_A_MINUTE, STITCHES_A_MINUTE } from '../yarn/index.ts';
import type { MakeEvent } from './event.ts';
import { inOrderOfDoing, takenBack, type WorkRecord } from './record.ts';
import { runSteps } from './run-steps.ts';
import { sittingsOf } from './sittings.ts';
import type { Stand } from './stand.ts';
import { JOINS, type MakeTask, type PieceTask, tasksOf } from './task.ts';
import { toilOf, toilUpTo } from './toil.ts';

/** Kinds of work that are timed, each in counts of its own: low stitches, insertions of joins, ends. */
export const TIMED = ['stitches', 'joins', 'ends'] as const;
export type Timed = (typeof TIMED)[number];

/** What is usual, a minute. */
const USUAL: Readonly<Record<Timed, number>> = {
  stitches: STITCHES_A_MINUTE,
  joins: JOINS_A_MINUTE,
  ends: ENDS_A_MINUTE,
};

/** How much of a kind was done in how long, where that is known. */
export interface Speed {
  readonly done: number;
  readonly minutes: number;
}

/** So long a kind has been timed before its own speed is believed, minutes; until then it is what is usual. */
const BELIEVED = 20;

/** What a maker does in a minute of each kind, by the log of a bag. */
export const aMinute = (
  speeds: ReadonlyMap<Timed, Speed>,
  kind: Timed,
): { readonly many: number; readonly own: boolean } => {
  const speed = speeds.get(kind);
  return speed && speed.minutes >= BELIEVED
    ? { many: speed.done / speed.minutes, own: true }
    : { many: USUAL[kind], own: false };
};

/**
 * How fast each kind of work went: what was done, and the time since whatever was done before it in the same sitting. The first
 * thing of a sitting took a time that nobody knows, and so did rows that were counted several at once.
 */
export function speedsOf(plan: Plan, events: readonly MakeEvent[]): Map<Timed, Speed> {
  const sorted = inOrderOfDoing(events);
  const back = takenBack(sorted);
  const byId = new Map(sorted.map((event) => [event.id, event]));
  const amount = amounts(plan, sorted);
  const speeds = new Map<Timed, Speed>();
  for (const { events: ids } of sittingsOf(sorted))
    ids.forEach((id, i) => {
      const [event, before] = [byId.get(id), byId.get(ids[i - 1] ?? '')];
      const what = event && before && !back.has(id) ? amount(event) : undefined;
      if (!event || !before || !what) return;
      const { done, minutes } = speeds.get(what.kind) ?? { done: 0, minutes: 0 };
      speeds.set(what.kind, { done: done + what.many, minutes: minutes + (event.at - before.at) / 60_000 });
    });
  return speeds;
}

/** Says how much of which kind an event did; nothing where that took an unknown time. */
function amounts(plan: Plan, sorted: readonly MakeEvent[]) {
  const tasks = new Map<string, MakeTask>(tasksOf(plan).map((task) => [task.id, task]));
  const begun = new Map(
    sorted.flatMap((event) => (event.of === 'begun' ? [[event.id, event.task] as const] : [])),
  );
  const toils = new Map<string, (row: number) => number>();
  const toil = (task: PieceTask) => {
    const known = toils.get(task.id) ?? toilOf(plan, task);
    toils.set(task.id, known);
    return known;
  };
  const insertions = insertionsOf(plan);
  const rows = new Map<string, number>();
  return (event: MakeEvent): { readonly kind: Timed; readonly many: number } | undefined => {
    switch (event.of) {
      case 'row': {
        const next = (rows.get(event.work) ?? 0) + 1 === event.row;
        rows.set(event.work, event.row);
        const task = tasks.get(begun.get(event.work) ?? '');
        return next && task?.of === 'pieces' ? { kind: 'stitches', many: toil(task)(event.row) } : undefined;
      }
      case 'ripped':
        rows.set(event.work, event.to);
        return undefined;
      case 'stepped': {
        const many = event.steps.reduce((sum, step) => sum + (insertions.get(step) ?? 0), 0);
        return event.task === JOINS && many > 0 ? { kind: 'joins', many } : undefined;
      }
      case 'hidden':
        return { kind: 'ends', many: event.many };
      default:
        return undefined;
    }
  };
}

/** Insertions of each join, by its lasting name. */
function insertionsOf(plan: Plan): Map<string, number> {
  const all = new Map<string, number>();
  for (const task of tasksOf(plan)) {
    if (task.of !== 'steps') continue;
    for (const { step, does } of runSteps(plan, task))
      all.set(
        step,
        does.reduce(
          (sum, one) =>
            sum +
            (one.does === 'join'
              ? one.insertions
              : one.does === 'motif'
                ? one.joins.reduce((own, { insertions }) => own + insertions, 0)
                : 0),
          0,
        ),
      );
  }
  return all;
}

/** What is left to do of each kind, in its counts. */
export function leftOf(plan: Plan, stands: readonly Stand[], record: WorkRecord): Map<Timed, number> {
  const left = new Map<Timed, number>(TIMED.map((kind) => [kind, 0]));
  const add = (kind: Timed, many: number) => left.set(kind, (left.get(kind) ?? 0) + many);
  const insertions = insertionsOf(plan);
  const joined = record.steps.get(JOINS);
  for (const { task, done, many, on } of stands) {
    if (task.of === 'pieces') {
      const toil = toilOf(plan, task);
      const whole = toilUpTo(toil, task.rows);
      // What is on the hook is done as far as it is; more pieces than are wanted save nothing.
      const begun = on
        .slice(0, many - done)
        .reduce((sum, { rows }) => sum + toilUpTo(toil, Math.min(rows, task.rows)), 0);
      add('stitches', (many - done) * whole - begun);
    } else if (task.of === 'ends') add('ends', many - done);
    else if (task.under === JOINS)
      for (const step of task.steps) if (!joined?.has(step)) add('joins', insertions.get(step) ?? 0);
  }
  return left;
}

/** Minutes that are left, by what a maker does in a minute; and whether all of it rests on their own speed. */
export function minutesLeft(
  left: ReadonlyMap<Timed, number>,
  speeds: ReadonlyMap<Timed, Speed>,
): { readonly minutes: number; readonly own: boolean } {
  let [minutes, own] = [0, true];
  for (const [kind, many] of left) {
    if (many <= 0) continue;
    const speed = aMinute(speeds, kind);
    minutes += many / speed.many;
    own &&= speed.own;
  }
  return { minutes, own };
}
