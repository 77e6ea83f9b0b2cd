import type { Stitch, Terms } from '../../stitches/index.ts';
import type { Instruction, Work } from '../shorthand/instruction.ts';
import { writeRow } from '../shorthand/write-row.ts';
import { plain, spread, times, turned } from './spread.ts';

/** Rows that have been made up, to be written into a program. */
export interface Generated {
  /** What it stands on: a chain of so many stitches, a ring, or the row before. */
  readonly onto: 'chain' | 'ring' | 'row';
  readonly first: number;
  readonly rows: ReadonlyArray<{ readonly instructions: readonly Instruction[]; readonly makes: number }>;
}

/** Where shaping is worked. */
export type Where = 'spread' | 'edges';

/** Half of a gap on, round about: increases do not stand one over another. */
const halfOn = (round: number) => (round % 2 === 0 ? 1 : 0.5);
/** Row after row another share of a gap, all over it: where a row has one change, too, they are scattered. */
const scattered = (row: number) => (row * GOLDEN) % 1;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

const inRing = (stitch: Stitch, many: number): Work => ({ ...plain(stitch, many), into: 'ring', takes: 0 });

/**
 * From `from` to `to` stitches over so many rows, as evenly from row to row as counts allow; along each row spread, or
 * at both its edges.
 *
 * @returns nothing where a row would have to more than double, or more than halve.
 */
export function shaped(
  from: number,
  to: number,
  rows: number,
  { stitch, where }: { readonly stitch: Stitch; readonly where: Where },
): Generated | undefined {
  const made: Array<Generated['rows'][number]> = [];
  let now = from;
  for (let row = 1; row <= rows; row++) {
    const next = stepOf(from, to, row / rows, where);
    const instructions =
      where === 'edges' ? atEdges(now, next, stitch) : spread(now, next, { stitch, shift: scattered(row) });
    if (!instructions) return undefined;
    made.push({ instructions, makes: next });
    now = next;
  }
  return { onto: 'row', first: from, rows: made };
}

/** At the edges both sides change alike: an even number, but for the last. */
function stepOf(from: number, to: number, share: number, where: Where): number {
  const change = (to - from) * share;
  if (where === 'spread' || share === 1) return from + Math.round(change);
  return from + 2 * Math.round(change / 2);
}

function atEdges(from: number, to: number, stitch: Stitch): readonly Instruction[] | undefined {
  const change = to - from;
  if (change === 0) return [plain(stitch, from)];
  const [first, last] = [Math.ceil(Math.abs(change) / 2), Math.floor(Math.abs(change) / 2)];
  const side = (many: number): readonly Instruction[] =>
    many === 0 ? [] : [change > 0 ? turned(1, many + 1, stitch) : turned(many + 1, 1, stitch)];
  const used = change > 0 ? 1 + Math.min(1, last) : first + 1 + (last > 0 ? last + 1 : 0);
  const middle = from - used;
  if (middle < 0) return undefined;
  return [...side(first), ...(middle > 0 ? [plain(stitch, middle)] : []), ...side(last)];
}

/** A disc from a ring: so many in its first round, and as many more in each that follows. */
export function disc(more: number, rounds: number, stitch: Stitch): Generated {
  const rows = [
    {
      instructions: [inRing(stitch, more)],
      makes: more,
    },
  ];
  return { onto: 'ring', first: 0, rows: [...rows, ...growing(more, more, rounds - 1, stitch, true)] };
}

/** A half disc: so many in its first row, worked into a ring, and so many more in each that follows. */
export function halfDisc(first: number, more: number, rows: number, stitch: Stitch): Generated | undefined {
  if (more > first) return undefined;
  const begun = { instructions: [inRing(stitch, first)], makes: first };
  return { onto: 'ring', first: 0, rows: [begun, ...growing(first, more, rows - 1, stitch, false)] };
}

function growing(
  first: number,
  more: number,
  rows: number,
  stitch: Stitch,
  round: boolean,
): Generated['rows'] {
  return Array.from({ length: Math.max(0, rows) }, (_, k) => {
    const [from, to] = [first + k * more, first + (k + 1) * more];
    const instructions = spread(from, to, { stitch, shift: round ? halfOn(k) : scattered(k) }) ?? [
      plain(stitch, from),
    ];
    return { instructions, makes: to };
  });
}

/** A row of shells along an edge: how many, what is left over, and which counts would come out even. */
export interface Shells {
  readonly instructions: readonly Instruction[];
  readonly shells: number;
  readonly over: number;
  readonly even: readonly number[];
}

/**
 * A last row of shells: a low stitch, then so many tall ones in one place between two gaps, and so on; on a multiple of
 * 2 x gap + 2, plus 1. What is left over is worked plainly at both ends.
 *
 * @param gap stitches passed over at either side of a shell.
 */
export function shells(onto: number, each: number, gap: number): Shells | undefined {
  const multiple = 2 * gap + 2;
  const many = Math.floor((onto - 1) / multiple);
  const over = onto - 1 - many * multiple;
  if (many < 1) return undefined;
  const skip: Instruction[] = gap > 0 ? [{ do: 'skip', many: gap, span: { from: 0, to: 0 } }] : [];
  const shell: Instruction = { ...plain('tall', 1), makes: each };
  const [before, after] = [Math.floor(over / 2), Math.ceil(over / 2)];
  return {
    instructions: [
      plain('low', 1 + before),
      ...times([...skip, shell, ...skip, plain('low', 1)], many),
      ...(after > 0 ? [plain('low', after)] : []),
    ],
    shells: many,
    over,
    even: over === 0 ? [onto] : [onto - over, onto - over + multiple],
  };
}

/** Made-up rows as text, each with its number and its count, from a row number on. */
export function writeRows(
  { onto, first, rows }: Generated,
  begin: number,
  terms: Terms,
  what: 'Row' | 'Round',
): string {
  const chain = onto === 'chain' ? [`ch ${first}`] : [];
  const lines = rows.map(
    ({ instructions, makes }, k) => `${what} ${begin + k}: ${writeRow(instructions, terms)} (${makes})`,
  );
  return [...chain, ...lines].join('\n');
}
