/**
 * How a stitch grows with its hook: as the hook's thickness to this power. A loop closes round the hook, so it would
 * grow just as the hook does, but part of it is yarn going over yarn, which stays as thick as it is.
 */
const POWER = 0.85;

/** How far off that is: a quarter of the change itself, one standard error. */
const ERROR = 0.25;

/** What another hook makes of a size, and how surely. */
export interface HookShift {
  /** The size is so many times as large. */
  readonly times: number;
  /** Relative standard error of that. */
  readonly error: number;
}

/** What becomes of a stitch that was worked, or is usual, with one hook when it is worked with another; mm. */
export function hookShift(from: number, to: number): HookShift {
  const change = POWER * Math.log(to / from);
  return { times: Math.exp(change), error: ERROR * Math.abs(change) };
}

/** Hooks that differ by less, mm, are one. */
export const SAME_HOOK = 0.01;
