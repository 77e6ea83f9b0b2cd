import { addDays, getISODay } from 'date-fns';
import type { Pace } from '../document/index.ts';

/** General figures of time are off by this share, 90 % range: hands are faster or slower than most. */
export const TIME_RANGE = 0.4;

/** Days that work can end on. */
export interface FinishDates {
  readonly early: Date;
  readonly likely: Date;
  readonly late: Date;
}

/**
 * The day on which so many minutes of work are done: the first of its days is `from`, if that is one it is worked on.
 *
 * @param from a day at any time of it.
 */
export function finishDate(minutes: number, { minutes: aDay, days }: Pace, from: Date): Date {
  const wanted = Math.max(1, Math.ceil(minutes / aDay - 1e-9));
  // Whole weeks at once: each has as many days of work as are chosen.
  const weeks = Math.floor((wanted - 1) / days.length);
  let day = addDays(from, 7 * weeks);
  let done = weeks * days.length;
  for (;;) {
    if (days.includes(getISODay(day))) done++;
    if (done >= wanted) return day;
    day = addDays(day, 1);
  }
}

/** The day it is done by general figures, with their range. */
export const finishDates = (minutes: number, pace: Pace, from: Date): FinishDates => ({
  early: finishDate(minutes * (1 - TIME_RANGE), pace, from),
  likely: finishDate(minutes, pace, from),
  late: finishDate(minutes * (1 + TIME_RANGE), pace, from),
});
