// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;

/** What lies below the table at first is lifted no more than so much in a step: it is not shot off. */
const GENTLE = 2e-3;
/** How fabric rubs on the table: so much of what it is pressed up by holds it where it is. */
const RUBS = 0.8;

/**
 * Keeps every node above the table, and holds what lies on it back.
 *
 * @param before positions at the beginning of the step.
 * @param height of the table with half the thickness of the fabric.
 */
export function rest(p: Float64Array, before: Float64Array, height: number): void {
  for (let i = 1; i < p.length; i += 3) {
    if (at(p, i) >= height) continue;
    const [x, z] = [at(p, i - 1) - at(before, i - 1), at(p, i + 1) - at(before, i + 1)];
    const pressed = Math.min(GENTLE, height - at(p, i));
    p[i] = Math.min(height, Math.max(at(p, i), at(before, i)) + GENTLE);
    const rub = Math.min(1, (RUBS * pressed) / Math.max(1e-12, Math.sqrt(x * x + z * z)));
    p[i - 1] = at(p, i - 1) - rub * x;
    p[i + 1] = at(p, i + 1) - rub * z;
  }
}
