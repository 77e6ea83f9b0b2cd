import type { ColourRun } from './row-colours.ts';

/** A colour that is taken up again. */
export interface TakenUp {
  readonly yarn: string;
  /** The row it begins with. */
  readonly row: number;
  /** Rows it hangs beside, unworked. */
  readonly beside: number;
}

/** How the colours of a panel get from stripe to stripe. */
export interface Carrying {
  /** Yarn ends to hide, those of its first and last row among them. */
  readonly ends: number;
  /** What is carried up the side, in the order of rows, and at which side. */
  readonly carried: ReadonlyArray<TakenUp & { readonly side: 'begin' | 'end' }>;
  /** What cannot be carried: it hangs at the other side from where its next stripe begins. */
  readonly across: readonly TakenUp[];
}

/**
 * What becomes of each colour between its stripes. Rows are turned, so a row ends where the next begins: `begin` is the
 * side where row 1 begins, odd rows begin there and even ones at the other, `end`. A colour hangs where its last row
 * ended, and can be carried up to a row that begins at the same side.
 *
 * @param round worked in rounds that are not turned: every round begins at the same place.
 */
export function carrying(runs: readonly ColourRun[], carried: boolean, round = false): Carrying {
  const hangs = new Map<string, number>();
  const up: Array<TakenUp & { side: 'begin' | 'end' }> = [];
  const across: TakenUp[] = [];
  let ends = 0;
  /** At which side of its rows a row begins. */
  const beginsAt = (row: number) => (round || row % 2 === 1 ? 'begin' : 'end');
  for (const { yarn, first, last } of runs) {
    const left = hangs.get(yarn);
    const taken = { yarn, row: first, beside: left === undefined ? 0 : first - left - 1 };
    const reaches = left !== undefined && beginsAt(left + 1) === beginsAt(first);
    if (left !== undefined && carried && reaches) {
      up.push({ ...taken, side: beginsAt(first) });
      // It has not been cut: neither of these ends is there.
      ends -= 1;
    } else {
      if (left !== undefined && carried) across.push(taken);
      ends += 1;
    }
    // Each stripe ends in an end, until it is taken up again.
    ends += 1;
    hangs.set(yarn, last);
  }
  return { ends, carried: up, across };
}
