import type { CountedProgram, ProgramRow } from './count-program.ts';
import type { TopKind } from './tops.ts';

/** The first row at which two panels that should be alike are not. */
export interface TwinDifference {
  readonly row: number;
  /** What each makes there; nothing where it has no such row. */
  readonly makes: readonly [number | undefined, number | undefined];
  readonly increases: readonly [number, number];
  readonly decreases: readonly [number, number];
  /** The same count of other stitches. */
  readonly otherStitches: boolean;
  /** Stitches of the last row of each: what can still be done about it is done there. */
  readonly last: readonly [number, number];
  /** From this row on both make the same again, where they do. */
  readonly againFrom: number | undefined;
}

const tally = ({ tops }: ProgramRow): string => {
  const counts = new Map<TopKind, number>();
  for (const kind of tops.kind) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts]
    .map(([kind, many]) => `${kind} ${many}`)
    .sort()
    .join();
};

/**
 * Compares two panels row by row: how many stitches each row makes, and of which kinds; where along a row they stand
 * makes no difference to how the panels meet.
 *
 * @returns nothing where they are alike.
 */
export function compareTwins(
  a: Pick<CountedProgram, 'rows'>,
  b: Pick<CountedProgram, 'rows'>,
): TwinDifference | undefined {
  const many = Math.max(a.rows.length, b.rows.length);
  const differs = (i: number): boolean => {
    const [p, q] = [a.rows[i], b.rows[i]];
    return !p || !q || p.makes !== q.makes || tally(p) !== tally(q);
  };
  let first = 0;
  while (first < many && !differs(first)) first++;
  if (first === many) return undefined;
  const [p, q] = [a.rows[first], b.rows[first]];
  let again = many;
  while (again > first + 1 && a.rows[again - 1]?.makes === b.rows[again - 1]?.makes) again--;
  return {
    row: p?.number ?? q?.number ?? first + 1,
    makes: [p?.makes, q?.makes],
    increases: [p?.increases.length ?? 0, q?.increases.length ?? 0],
    decreases: [p?.decreases.length ?? 0, q?.decreases.length ?? 0],
    otherStitches: p !== undefined && q !== undefined && p.makes === q.makes,
    last: [a.rows.at(-1)?.makes ?? 0, b.rows.at(-1)?.makes ?? 0],
    againFrom: again < many ? again + 1 : undefined,
  };
}

const many = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

/**
 * A difference in sentences, with what can still be done about it at the edge.
 *
 * @param names of the two panels.
 */
export function twinText(difference: TwinDifference, [one, other]: readonly [string, string]): string {
  const { row, makes, increases, decreases, otherStitches, last, againFrom } = difference;
  const [p, q] = makes;
  const said: string[] = [];
  if (p === undefined || q === undefined) {
    const [longer, shorter] = q === undefined ? [one, other] : [other, one];
    said.push(`Up to row ${row - 1} they are alike; ${longer} goes on at row ${row}, where ${shorter} ends.`);
    return said.join(' ');
  }
  if (otherStitches) {
    said.push(`Row ${row} makes ${p} in both, but of other stitches: its height is not the same.`);
    return said.join(' ');
  }
  said.push(`Row ${row} makes ${p} in ${one} and ${q} in ${other}.`);
  if (increases[0] !== increases[1])
    said.push(`${one} has ${many(increases[0], 'increase')} there, ${other} ${increases[1]}.`);
  if (decreases[0] !== decreases[1])
    said.push(`${one} has ${many(decreases[0], 'decrease')} there, ${other} ${decreases[1]}.`);
  if (againFrom !== undefined) said.push(`From row ${againFrom} on they are the same again.`);
  const off = Math.abs(last[0] - last[1]);
  if (off > 0) {
    const [more, fewer] = last[0] > last[1] ? [one, other] : [other, one];
    const long = Math.max(...last);
    said.push(
      `Their last rows have ${last[0]} and ${last[1]}: work ${off} more in the next row of ${fewer}, or take ${off === 1 ? 'one pair' : `${off} pairs`} of ${more} together along the edge, one in every ${Math.floor(long / off)}.`,
    );
  }
  return said.join(' ');
}
