import type { MakeEvent } from './event.ts';

/** So long without anything done ends a sitting, ms: longer than a long row takes. */
export const PAUSE = 20 * 60_000;

/** Work on one device without a long pause. Times are those of its clock, ms. */
export interface Sitting {
  readonly device: string;
  readonly from: number;
  readonly to: number;
  /** Ids of what was done, in the order of its clock. */
  readonly events: readonly string[];
}

/**
 * Sittings, the earliest first. What was done first in one took a time that nobody knows: a sitting begins with it.
 * Nothing was done in the time before a pause that is told.
 */
export function sittingsOf(events: Iterable<MakeEvent>): Sitting[] {
  const devices = new Map<string, MakeEvent[]>();
  for (const event of events) {
    const own = devices.get(event.device);
    if (own) own.push(event);
    else devices.set(event.device, [event]);
  }
  return [...devices.values()]
    .flatMap(sittingsOn)
    .sort((a, b) => a.from - b.from || (a.device < b.device ? -1 : 1));
}

function sittingsOn(events: readonly MakeEvent[]): Sitting[] {
  const sorted = [...events].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  const all: Array<{ device: string; from: number; to: number; events: string[] }> = [];
  let paused = true;
  for (const { id, at, device, of } of sorted) {
    const last = all.at(-1);
    if (of === 'paused') paused = true;
    else if (!last || paused || at - last.to > PAUSE) {
      all.push({ device, from: at, to: at, events: [id] });
      paused = false;
    } else {
      last.to = at;
      last.events.push(id);
    }
  }
  return all;
}

/** Minutes of work, sittings on several devices at one time counted once for each. */
export const minutesOf = (sittings: readonly Sitting[]): number =>
  sittings.reduce((sum, { from, to }) => sum + (to - from), 0) / 60_000;

/**
 * Minutes of work by day, as a calendar has them; a sitting over midnight is shared between both.
 *
 * @param dayOf what the day is called that a moment lies in, and when the next one begins, ms.
 */
export function minutesByDay(
  sittings: readonly Sitting[],
  dayOf: (moment: number) => { readonly name: string; readonly end: number },
): Map<string, number> {
  const days = new Map<string, number>();
  for (const { from, to } of sittings)
    for (let at = from; ; ) {
      const { name, end } = dayOf(at);
      const until = Math.min(to, end);
      days.set(name, (days.get(name) ?? 0) + (until - at) / 60_000);
      if (until >= to) break;
      at = until;
    }
  return days;
}

/**
 * How long somebody has sat at it without a pause that rests the hands, ms: up to now, where something was done a moment ago.
 *
 * @param rest so long without anything done is one, ms.
 */
export function sinceRest(events: readonly MakeEvent[], device: string, now: number, rest: number): number {
  const times = events
    .filter((event) => event.device === device && event.at <= now)
    .map(({ at }) => at)
    .sort((a, b) => b - a);
  let since = now;
  for (const at of times) {
    if (since - at >= rest) break;
    since = at;
  }
  return now - since;
}
