import { heightByPitch, rowEndRate, STITCHES } from '../../stitches/index.ts';
import type { ProgramRow } from '../count/count-program.ts';
import type { TopKind } from '../count/tops.ts';
import { lowBy } from '../shape/layers.ts';
import { BUNCHES, type Bunch } from '../shorthand/instruction.ts';
import { type Fabric, fabricPanel, rowOfFabric } from './fabric.ts';

/** Height of a row of bunches between low ones, in pitches: they are drawn down by the stitches beside them. */
const BUNCHED = 1.25;

/** Height of a top in pitches. */
function heightInPitches(kind: TopKind): number {
  const basic = STITCHES.find((stitch) => stitch === kind);
  if (basic) return heightByPitch(basic);
  if (kind === 'slip' || kind === 'yo-slip') return lowBy(kind) * heightByPitch('low');
  return kind === 'chain' ? heightByPitch('low') : BUNCHED;
}

/** Insertions one end of a row takes, by the stitch it ends in. */
function endRate(kind: TopKind): number {
  const basic = STITCHES.find((stitch) => stitch === kind);
  if (basic) return rowEndRate(basic);
  return kind === 'slip' || kind === 'yo-slip' ? SLIP_ENDS : rowEndRate('low');
}
/** Of rows that lie on one another every other one is joined to. */
const SLIP_ENDS = 0.5;

/** The rows of one repeat, over a count that has a repeat of stitches in it. */
export function repeatRows(fabric: Fabric): readonly ProgramRow[] {
  const { first, last } = fabric.repeated;
  return fabricPanel(fabric, fabric.counts[1], last).rows.slice(first - 1, last);
}

const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / Math.max(1, list.length);

/** Height of its rows in pitches, one with the other. Each is as high as its highest stitch. */
export const meanHeight = (fabric: Fabric): number =>
  mean(
    repeatRows(fabric).map(({ tops }) =>
      tops.kind.reduce((most, kind) => Math.max(most, heightInPitches(kind)), 0),
    ),
  );

/** Insertions a row end takes, one row with the other. */
export const meanRowEnds = (fabric: Fabric): number =>
  mean(
    repeatRows(fabric).map(
      ({ tops }) => (endRate(tops.kind[0] ?? 'low') + endRate(tops.kind.at(-1) ?? 'low')) / 2,
    ),
  );

/** What stands out in a row, where something does. */
const bunchOf = ({ tops }: ProgramRow): Bunch | undefined =>
  BUNCHES.find((bunch) => tops.kind.includes(bunch));

/** Rows that a maker counts by, since they stand out. */
export interface CountedRows {
  readonly word: Bunch;
  /** How many there are among the first so many rows. */
  readonly upTo: (rows: number) => number;
}

/** The rows of bobbles, puffs or the like that stand out among others; nothing where none do, or all. */
export function outstanding(fabric: Fabric): CountedRows | undefined {
  const { last } = fabric.repeated;
  const { rows } = fabricPanel(fabric, fabric.counts[1], last);
  const bunches = rows.map(bunchOf);
  const own = repeatRows(fabric).map(bunchOf);
  const word = own.find((bunch) => bunch !== undefined);
  if (word === undefined || own.every((bunch) => bunch !== undefined)) return undefined;
  const stands = (row: number) => bunches[rowOfFabric(fabric, row) - 1] !== undefined;
  return {
    word,
    upTo: (many) => Array.from({ length: many }, (_, k) => stands(k + 1)).filter(Boolean).length,
  };
}

/** How many tops of each kind there are in one row. */
export type TopCounts = ReadonlyMap<TopKind, number>;

/**
 * The tops of each row of a panel, from 1. Worked out from two counts a repeat of stitches apart: each further repeat
 * adds the same again. Over a count between, its share of a repeat is taken.
 */
export function topsOfRows(fabric: Fabric, stitches: number): (row: number) => TopCounts {
  const [a, b] = fabric.counts;
  const { last } = fabric.repeated;
  const [less, more] = [a, b].map((many) =>
    fabricPanel(fabric, many, last).rows.map(({ tops }) => tally(tops.kind)),
  );
  const made = new Map<number, TopCounts>();
  return (row) => {
    const own = rowOfFabric(fabric, row);
    const before = made.get(own);
    if (before) return before;
    const [p, q] = [less?.[own - 1], more?.[own - 1]];
    const counts = new Map<TopKind, number>();
    for (const kind of q?.keys() ?? []) {
      const [low, high] = [p?.get(kind) ?? 0, q?.get(kind) ?? 0];
      counts.set(kind, Math.max(0, low + ((high - low) * (stitches - a)) / (b - a)));
    }
    made.set(own, counts);
    return counts;
  };
}

function tally(kinds: readonly TopKind[]): Map<TopKind, number> {
  const counts = new Map<TopKind, number>();
  for (const kind of kinds) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return counts;
}
