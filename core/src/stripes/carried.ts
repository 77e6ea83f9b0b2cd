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
  /** The same by yarn. */
  readonly endsOf: ReadonlyArray<{ readonly yarn: string; readonly ends: number }>;
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
  const left = new Map<string, number>();
  const leaves = (yarn: string, many: number) => left.set(yarn, (left.get(yarn) ?? 0) + many);
  /** At which side of its rows a row begins. */
  const beginsAt = (row: number) => (round || row % 2 === 1 ? 'begin' : 'end');
  for (const { yarn, first, last } of runs) {
    const hung = hangs.get(yarn);
    const taken = { yarn, row: first, beside: hung === undefined ? 0 : first - hung - 1 };
    const reaches = hung !== undefined && beginsAt(hung + 1) === beginsAt(first);
    if (hung !== undefined && carried && reaches) {
      up.push({ ...taken, side: beginsAt(first) });
      // It has not been cut: neither of these ends is there.
      leaves(yarn, -1);
    } else {
      if (hung !== undefined && carried) across.push(taken);
      leaves(yarn, 1);
    }
    // Each stripe ends in an end, until it is taken up again.
    leaves(yarn, 1);
    hangs.set(yarn, last);
  }
  const endsOf = [...left].map(([yarn, ends]) => ({ yarn, ends }));
  const ends = endsOf.reduce((sum, one) => sum + one.ends, 0);
  return { ends, endsOf, carried: up, across };
}
