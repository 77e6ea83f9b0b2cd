import { fitsMultiple, type Multiple } from '../../panel/index.ts';
import { type CountedProgram, countProgram, type Rules } from '../count/count-program.ts';
import type { WrittenRows } from '../panel.ts';
import { type Numbers, readLine } from '../shorthand/read-program.ts';

/** Rows that are worked again and again, over any count of stitches that they come out over. */
export interface Fabric {
  readonly written: WrittenRows;
  readonly rules: Rules;
  /** What its rows ask of the count of stitches: found by counting them, not said. */
  readonly multiple: Multiple;
  /** The smallest counts its rows come out over, two repeats apart at most. */
  readonly counts: readonly [number, number];
  /** Which of its rows are repeated; those before them are worked once. */
  readonly repeated: Numbers;
}

/** Why rows make no fabric. */
export interface NoFabric {
  readonly message: string;
}

/** What written rows make of themselves as a fabric, and its rows once, counted: over a count they come out over where there is one. */
export type FabricReading = { readonly counted: CountedProgram } & (
  | { readonly is: 'fabric'; readonly fabric: Fabric }
  | { readonly is: 'nothing'; readonly why: NoFabric }
);

/** Counts that are tried, fewest first; each look further is taken where too few came out. */
const LOOKS = [24, 72, 216];
/** So many counts must come out alike before a multiple is believed. */
const BELIEVED = 3;
/** Rows and counts that are tried, multiplied: as much as is done between two keys. */
const MOST_TRIED = 6000;
/** A fabric has no more rows. */
export const MOST_FABRIC_ROWS = 60;
/** How often the repeat is worked over itself before it is believed. */
const OVER_ITSELF = 2;

const known = new WeakMap<WrittenRows, Map<string, FabricReading>>();

/** Reads rows as a fabric; the same rows are read once. Total: any text is a fabric, or there is a reason why not. */
export function fabricFrom(written: WrittenRows, rules: Pick<Rules, 'turning' | 'usual'>): FabricReading {
  const readings = known.get(written) ?? new Map<string, FabricReading>();
  known.set(written, readings);
  const key = `${rules.turning} ${rules.usual}`;
  const before = readings.get(key);
  if (before) return before;
  const reading = readAnew(written, { ...rules, terms: written.terms });
  readings.set(key, reading);
  return reading;
}

function readAnew(written: WrittenRows, rules: Rules): FabricReading {
  const { lines, repeated, last, unread } = partsOf(written);
  if (last > MOST_FABRIC_ROWS)
    return {
      is: 'nothing',
      why: {
        message: `A fabric has at most ${MOST_FABRIC_ROWS} rows, and this has a row ${last}. So long a piece is a panel by its rows.`,
      },
      counted: countProgram('', rules),
    };
  const over = last + OVER_ITSELF * (repeated.last - repeated.first + 1);
  const tried = (many: number) => countProgram(textFor(lines, repeated, many, last, over), rules);
  /** Its rows over the count of a usual size at which least goes wrong: what is said of them there is of use. */
  const likely = (): { readonly many: number; readonly program: CountedProgram } => {
    const counts = unread === undefined ? LIKELY : LIKELY.slice(0, 1);
    return counts
      .map((many) => ({ many, program: tried(many) }))
      .reduce((best, one) => (one.program.problems.length < best.program.problems.length ? one : best));
  };
  const none = (message: string): FabricReading => ({
    is: 'nothing',
    why: { message },
    counted: asWritten(likely().program, last),
  });
  if (last === 0) return none(unread ?? 'There are no rows yet. They begin with “Row 1:”.');
  if (repeated.first < 1 || repeated.last > last)
    return none(`It has no rows ${repeated.first} to ${repeated.last} to repeat: its last is ${last}.`);
  // What cannot be read comes out over no count.
  if (unread !== undefined) return none(unread);
  const good: number[] = [];
  let shaped: number | undefined;
  let from = 1;
  for (const look of LOOKS) {
    const most = Math.min(look, Math.floor(MOST_TRIED / over));
    for (; from <= most; from++) {
      const { problems, rows } = tried(from);
      if (problems.length > 0) continue;
      const makes = rows.slice(repeated.first - 1).map((row) => row.makes);
      const [first = 0] = makes;
      const ends = makes[repeated.last - repeated.first] ?? first;
      const again = makes.at(-1) ?? first;
      if (first === 0) continue;
      if (ends !== again) {
        shaped ??= from;
        continue;
      }
      if (!good.includes(ends)) good.push(ends);
    }
    if (good.length >= BELIEVED || (good.length === 0 && shaped !== undefined)) break;
  }
  const [a, b] = good;
  if (a === undefined || b === undefined) {
    if (shaped !== undefined) return none(FANS);
    // At a count that its rows are likely to come out over, what is said of them is of use.
    const once = LIKELY.find((many) => {
      const { problems, rows } = countProgram(textFor(lines, repeated, many, last, last), rules);
      return problems.length === 0 && rows.at(-1)?.makes !== rows[repeated.first - 1]?.uses;
    });
    if (once !== undefined) return none(FANS);
    const { many, program } = likely();
    const [first] = program.problems;
    return none(
      first
        ? `Its rows come out over no count up to ${from - 1}. Over ${many}: ${first.message}`
        : 'Its rows come out over one count only.',
    );
  }
  const multiple = { multiple: b - a, extra: a >= b - a ? a - (b - a) : a };
  const odd = good.find((many) => !fitsMultiple(many, multiple));
  if (odd !== undefined || good.some((many, i) => many !== a + i * (b - a)))
    return none(`Its rows come out over ${good.slice(0, 6).join(', ')}: these are no steps of one size.`);
  const fabric: Fabric = { written, rules, multiple, counts: [a, b], repeated };
  return { is: 'fabric', fabric, counted: fabricPanel(fabric, b, last) };
}

/** Counts most patterns have a repeat in, the usual one first. */
const LIKELY = [24, ...Array.from({ length: 25 }, (_, k) => k + 12)];

const FANS =
  'Its rows do not keep their count: worked again and again they would make a fan. As a panel by its rows they can be used.';

/** The lines that are worked, what is repeated of them, and the number of the last one. */
function partsOf({ rows, terms }: WrittenRows): {
  readonly lines: readonly string[];
  readonly repeated: Numbers;
  readonly last: number;
  /** What is wrong with a line however many stitches there are. */
  readonly unread: string | undefined;
} {
  let [repeated, last]: [Numbers | undefined, number] = [undefined, 0];
  let unread: string | undefined;
  const lines = rows.split(/\r\n|\r|\n/).map((text) => {
    const line = readLine(text, terms);
    unread ??= line.problems[0]?.message;
    if (line.of === 'repeat') repeated = line.rows;
    if (line.of === 'row') for (const run of line.numbers) last = Math.max(last, run.last);
    // How long the chain is rests on how wide the panel is. A line stays a line: problems are told by its number.
    return line.of === 'repeat' || line.of === 'chain' ? '' : text;
  });
  return { lines, repeated: repeated ?? { first: 1, last }, last, unread };
}

function textFor(
  lines: readonly string[],
  { first, last }: Numbers,
  chain: number,
  written: number,
  rows: number,
) {
  const again = rows > written ? [`Rows ${written + 1}-${rows}: repeat rows ${first}-${last}`] : [];
  return [`ch ${chain}`, ...lines, ...again].join('\n');
}

/** Which of a fabric's own rows the row of this number is, from 1. */
export function rowOfFabric({ repeated: { first, last } }: Fabric, number: number): number {
  return number <= last ? number : first + ((number - first) % (last - first + 1));
}

/** Rows of one repeat. */
export const repeatOf = ({ repeated: { first, last } }: Fabric): number => last - first + 1;

const panels = new WeakMap<Fabric, Map<string, CountedProgram>>();
/** Panels of one fabric that are kept. */
const MOST_KEPT = 50;

/**
 * A panel of the fabric, counted: over so many stitches, so many rows high.
 *
 * @param stitches a count that its multiple allows; over others what does not come out is told by the program.
 */
export function fabricPanel(fabric: Fabric, stitches: number, rows: number): CountedProgram {
  const kept = panels.get(fabric) ?? new Map<string, CountedProgram>();
  panels.set(fabric, kept);
  const key = `${stitches} ${rows}`;
  const before = kept.get(key);
  if (before) return before;
  const { lines, last } = partsOf(fabric.written);
  // The chain is as much longer than the row as it is for the smallest count.
  const [least] = fabric.counts;
  const more = chainFor(fabric, least) - least;
  const counted = countProgram(
    textFor(lines, fabric.repeated, stitches + more, last, Math.max(rows, last)),
    fabric.rules,
  );
  const panel = asWritten(counted, rows);
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, panel);
  return panel;
}

/** A counted program with its lines as they are written, where no chain is put before them; the first so many rows. */
const asWritten = (counted: CountedProgram, rows: number): CountedProgram => ({
  ...counted,
  rows: counted.rows.slice(0, rows).map((row) => ({ ...row, line: row.line - 1 })),
  problems: counted.problems.map((problem) => ({ ...problem, line: Math.max(0, problem.line - 1) })),
});

/** The chain over which a fabric has so many stitches. */
function chainFor(fabric: Fabric, stitches: number): number {
  const { lines, last } = partsOf(fabric.written);
  for (let chain = 1; chain <= stitches + TURNS; chain++) {
    const { rows, problems } = countProgram(textFor(lines, fabric.repeated, chain, last, last), fabric.rules);
    if (problems.length === 0 && rows.at(-1)?.makes === stitches) return chain;
  }
  return stitches;
}
/** A chain is longer than its row by no more. */
const TURNS = 12;
