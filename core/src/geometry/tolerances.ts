/**
 * How near is the same. Lengths are sums and products of the maker's figures, good to some twelve digits; a bag is a
 * few hundred millimetres. Each name says what is compared.
 */

/** Sums of the same lengths in another order differ by less, in mm or as a share. */
export const ROUNDING = 1e-9;

/** A length (mm), an area (mm²) or a share that is nothing but what rounding left. */
export const NOTHING = 1e-6;

/** Points nearer than this are one point, mm: far less than a thread is thick, far more than rounding makes. */
export const SAME_PLACE = 1e-3;

/** A stretch of an edge shorter than this, mm, is none: it is what cutting leaves beside a corner. */
export const NO_STRETCH = 0.01;

/**
 * The nearest whole number. Counts that share a stitch come to halves: rounding noise must not say which way those go,
 * so all of them go up.
 */
export const whole = (count: number): number => Math.round(count + NOTHING);

/** Orders lengths, the longest first; those that only rounding tells apart keep the order they come in. */
export const longestFirst = (a: number, b: number): number => (Math.abs(a - b) < NOTHING ? 0 : b - a);
