import type { ProgramRow } from './count-program.ts';

/** A hole: chains that stand over stitches that were passed over. A handle is a long one, an eyelet a short one. */
export interface Hole {
  readonly row: number;
  /** Stitches of its row before and behind it, as the piece is seen from in front: from its left and from its right. */
  readonly left: number;
  readonly right: number;
  /** Chains over it, and stitches under it. */
  readonly chains: number;
  readonly over: number;
  /** Its first chain, and the one behind its last, in the order its row is worked. */
  readonly tops: readonly [number, number];
  /** Its first stitch below, and the one behind its last. */
  readonly below: readonly [number, number];
}

type Row = Pick<ProgramRow, 'number' | 'round' | 'tops'>;

/** The holes of a piece, from its first row. */
export function holesOf(rows: readonly Row[]): Hole[] {
  // The first row runs to the right as it is seen from in front, each turned one back over it.
  let rightwards = true;
  return rows.flatMap((row) => {
    const found = holesOfRow(row);
    const seen =
      row.round || rightwards
        ? found
        : found.map((hole) => ({ ...hole, left: hole.right, right: hole.left }));
    if (!row.round) rightwards = !rightwards;
    return seen.sort((a, b) => a.left - b.left);
  });
}

function holesOfRow({ number, tops: { kind, from, to } }: Row): Hole[] {
  const holes: Hole[] = [];
  for (let i = 0; i < kind.length; ) {
    let end = i + 1;
    if (kind[i] === 'chain') {
      while (kind[end] === 'chain') end++;
      const begins = i > 0 ? (to[i - 1] ?? 0) : (from[i] ?? 0);
      const ends = end < kind.length ? (from[end] ?? begins) : begins;
      if (ends > begins)
        holes.push({
          row: number,
          left: i,
          right: kind.length - end,
          chains: end - i,
          over: ends - begins,
          tops: [i, end],
          below: [begins, ends],
        });
    }
    i = end;
  }
  return holes;
}

const same = (a: Hole, b: Hole) => a.row === b.row && a.chains === b.chains;

/**
 * Two faces hole by hole: back to back a hole at the left of the one lies over the other's right.
 *
 * @param names of the two panels.
 * @returns what does not meet, in sentences; nothing where they meet, or neither has a hole.
 */
export function holesApart(
  a: readonly Hole[],
  b: readonly Hole[],
  [one, other]: readonly [string, string],
): string | undefined {
  if (a.length !== b.length) return `${one} has ${many(a.length)}, ${other} ${many(b.length)}.`;
  const behind = [...b].sort((p, q) => p.row - q.row || p.right - q.right);
  for (const [i, hole] of a.entries()) {
    const twin = behind[i];
    if (!twin) continue;
    if (!same(hole, twin))
      return `The hole of ${one} in row ${hole.row} has ${hole.chains} chains; that of ${other} is in row ${twin.row} and has ${twin.chains}.`;
    if (hole.left === twin.right && hole.right === twin.left) continue;
    const lies = ({ left, right }: Hole) => `${left} from the left and ${right} from the right`;
    const alike = hole.left === twin.left && hole.right === twin.right;
    return `The hole in row ${hole.row} lies ${lies(hole)} in ${one}, and ${alike ? 'so it does' : lies(twin)} in ${other}: back to back they are ${Math.abs(hole.left - twin.right)} apart. ${other} wants it ${hole.right} from the left.`;
  }
  return undefined;
}

const many = (holes: number) => (holes === 1 ? '1 hole' : `${holes === 0 ? 'no' : holes} holes`);
