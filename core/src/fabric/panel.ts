import type { Stitch, Terms, Turning } from '../stitches/index.ts';
import { type CountedProgram, countProgram } from './count/count-program.ts';

/** Rows as they are written, and in which terms. */
export interface WrittenRows {
  readonly rows: string;
  readonly terms: Terms;
}

const known = new WeakMap<WrittenRows, Map<string, CountedProgram>>();

/** The rows of a panel, counted by the school of its swatch; the same rows are counted once. */
export function countedPanel(
  panel: WrittenRows,
  { stitch, turning }: { readonly stitch: Stitch; readonly turning: Turning },
): CountedProgram {
  const counts = known.get(panel) ?? new Map<string, CountedProgram>();
  known.set(panel, counts);
  const key = `${stitch} ${turning}`;
  const before = counts.get(key);
  if (before) return before;
  const counted = countProgram(panel.rows, { terms: panel.terms, turning, usual: stitch });
  counts.set(key, counted);
  return counted;
}
