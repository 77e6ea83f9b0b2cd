// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** What lies below the table at first is lifted no more than so much in a step: it is not shot off. */
const GENTLE = 2e-3;
/** What sliding on a table, or on one another, leaves of a step. */
const SLIDES = 0.3;

/**
 * Keeps every node above the table, and holds what lies on it back.
 *
 * @param before positions at the beginning of the step.
 * @param height of the table with half the thickness of the fabric.
 */
export function rest(p: Float64Array, before: Float64Array, height: number): void {
  for (let i = 1; i < p.length; i += 3) {
    if (at(p, i) >= height) continue;
    p[i] = Math.min(height, Math.max(at(p, i), at(before, i)) + GENTLE);
    p[i - 1] = at(before, i - 1) + SLIDES * (at(p, i - 1) - at(before, i - 1));
    p[i + 1] = at(before, i + 1) + SLIDES * (at(p, i + 1) - at(before, i + 1));
  }
}
