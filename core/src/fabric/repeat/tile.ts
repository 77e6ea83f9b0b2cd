import { type SeenTop, seenFrom } from '../seen.ts';
import { type Fabric, fabricPanel, rowOfFabric } from './fabric.ts';

/** One repeat of stitches of a row, as it is seen from in front, from left to right. */
export type SeenRow = readonly SeenTop[];

/**
 * One repeat of stitches of the rows of a fabric, as they lie beside one another from a panel's left edge on. Rows are
 * turned: every other one has been worked from behind.
 *
 * @returns the row of each number, from 1.
 */
export function seenRows(fabric: Fabric): (row: number) => SeenRow {
  const { multiple, extra } = fabric.multiple;
  // Two repeats beside the ends: what lies between them is repeated.
  const [, more] = fabric.counts;
  const stitches = more + 2 * multiple;
  const { rows } = fabricPanel(fabric, stitches, fabric.repeated.last);
  const begin = Math.ceil(extra / 2) + multiple;
  const made = new Map<string, SeenRow>();
  return (number) => {
    const own = rowOfFabric(fabric, number);
    const key = `${own} ${number % 2}`;
    const before = made.get(key);
    if (before) return before;
    const tops = rows[own - 1]?.tops;
    const behind = number % 2 === 0;
    const seen = Array.from({ length: multiple }, (_, column): SeenTop => {
      const place = begin + ((((column - begin) % multiple) + multiple) % multiple);
      const at = behind ? stitches - 1 - place : place;
      const top: SeenTop = { kind: tops?.kind[at] ?? 'low', hold: tops?.hold[at] ?? 'both' };
      return behind ? seenFrom(top) : top;
    });
    made.set(key, seen);
    return seen;
  };
}
