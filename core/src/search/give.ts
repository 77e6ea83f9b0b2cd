import type { QuickSize } from '../families/index.ts';
import type { Wanted } from './score.ts';

/** What would have to give for a bag that misses its target. */
export type Give =
  /** All of it larger or smaller: another hook, another yarn, or blocking. Per cent. */
  | { readonly gives: 'gauge'; readonly percent: number }
  /** The target itself, or what it may be off by: mm over (positive) or under. */
  | { readonly gives: 'target'; readonly measure: Wanted['measure']; readonly by: number };

/** Another hook or yarn changes a gauge by this much at most, as a share. */
const MOST_GAUGE = 0.15;

/**
 * The one change of gauge after which every measure would lie within its tolerance, the smallest there is: each
 * measure asks for a factor between (value - tolerance) / size and (value + tolerance) / size, and all of them
 * must have one in common. Where there is none, what each measure is off by.
 */
export function whatWouldGive(size: Readonly<QuickSize>, wanted: readonly Wanted[]): Give[] {
  let [low, high] = [0, Infinity];
  const misses: Give[] = [];
  for (const { measure, value, tolerance } of wanted) {
    const own = size[measure];
    const off = own - value;
    if (Math.abs(off) > tolerance) misses.push({ gives: 'target', measure, by: off });
    // A flat bag stays flat at any gauge.
    if (own < 1) {
      if (value > tolerance) return misses;
      continue;
    }
    low = Math.max(low, (value - tolerance) / own);
    high = Math.min(high, (value + tolerance) / own);
  }
  if (misses.length === 0) return [];
  const factor = low > 1 ? low : high;
  if (low > high || Math.abs(factor - 1) > MOST_GAUGE) return misses;
  return [{ gives: 'gauge', percent: 100 * (factor - 1) }, ...misses];
}
