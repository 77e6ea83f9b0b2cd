/**
 * A number of a list; every index asked for is in it. One function for each kind of list: what is asked of one kind
 * only is compiled for it.
 */
export const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** A whole number of a list; every index asked for is in it. */
export const nth = (list: Int32Array, i: number): number => list[i] ?? 0;
