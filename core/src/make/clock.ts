/*
 * The order of events. Devices have clocks that may be an hour wrong, and know nothing of each other for days; what matters is
 * that whatever was done knowing of something comes after it. So each device goes on from the latest it has seen (a hybrid
 * logical clock), and writes that time into its ids, which sort by it.
 */

/** The moment within an id of version 7, ms. */
export const momentOf = (id: string): number => Number.parseInt(id.slice(0, 8) + id.slice(9, 13), 16);

/** The latest moment an id can hold. */
const LAST = 2 ** 48 - 1;

/**
 * The moment of the next id of a device: now, or just after the latest one it has seen, where its clock is behind.
 * @param latest id of the last event in order, as far as this device knows.
 */
export const nextMoment = (now: number, latest: string | undefined): number =>
  Math.min(LAST, Math.max(now, latest === undefined ? 0 : momentOf(latest) + 1));

/** Events in the order they are folded in. */
export const byId = (a: { readonly id: string }, b: { readonly id: string }): number =>
  a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
