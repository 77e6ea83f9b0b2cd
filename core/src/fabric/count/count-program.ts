import { STITCHES, type Stitch, type Terms, type Turning } from '../../stitches/index.ts';
import type { Instruction, Problem, Span, StitchKind } from '../shorthand/instruction.ts';
import type { Along, EdgeLine } from '../shorthand/read-edge.ts';
import {
  type Line,
  type Numbers,
  type RowLine,
  readLine,
  type WrittenGauge,
} from '../shorthand/read-program.ts';
import { type AlongEdge, alongAll, alongEdge } from './along-edge.ts';
import { causeOf } from './cause.ts';
import type { CountedRow } from './count-row.ts';
import { countedRow } from './counted-rows.ts';
import { chained, type Tops } from './tops.ts';

/** By whose rules a program is read, where it does not say so itself. */
export interface Rules {
  readonly terms: Terms;
  readonly turning: Turning;
  /** The stitch its swatch is worked in. */
  readonly usual: StitchKind;
  /** Whether a round may be worked on an earlier one than the last: behind petals. No panel is. */
  readonly layered?: boolean;
}

/** A row of a program with its counts. */
export interface ProgramRow extends CountedRow {
  readonly number: number;
  readonly round: boolean;
  /** The line it is written in, from 0. */
  readonly line: number;
  readonly instructions: readonly Instruction[];
  /** The count in brackets. */
  readonly written: number | undefined;
  /** What colour it is begun in, where one has been named. */
  readonly colour: string | undefined;
}

/** Something wrong, in a line of the text. */
export interface ProgramProblem extends Problem {
  /** From 0. */
  readonly line: number;
  /** The row it is about, where it is about one. */
  readonly row?: number;
}

/** Stitches that are worked along an edge of the piece. */
export interface EdgeRow {
  readonly line: number;
  readonly name: string;
  readonly along: Along;
  readonly parts: AlongEdge;
  readonly makes: number;
}

/** A program, counted from its first row to its last. */
export interface CountedProgram {
  readonly rules: Rules;
  readonly gauge: WrittenGauge | undefined;
  /** Chains it begins with, where that is said. */
  readonly chain: number | undefined;
  readonly rows: readonly ProgramRow[];
  readonly edges: readonly EdgeRow[];
  readonly problems: readonly ProgramProblem[];
}

/** Stitches of the chain that a program stands on: those of it that the first row works over; none on a ring. */
export function chainOf({ chain, rows }: Pick<CountedProgram, 'chain' | 'rows'>): number {
  const [first] = rows;
  if (!first || first.available === 0) return 0;
  // Without a chain told, as many as the first row uses.
  return chain === undefined ? first.uses : Math.max(first.uses, chain - first.before);
}

/** Nobody works a piece of more rows than this. */
export const MOST_ROWS = 2000;
/** Nobody writes a piece down in more lines, or letters. */
const MOST_LINES = 4000;
const MOST_LETTERS = 200_000;

/**
 * Counts a program in shorthand. Total: any text has a count, and whatever does not come out in it is told at its
 * place; a row that cannot be read does not hide the others.
 */
export function countProgram(text: string, rules: Rules): CountedProgram {
  const lines = text.split(/\r\n|\r|\n/);
  const count = new ProgramCount(rules);
  let letters = 0;
  for (const [i, line] of lines.entries()) {
    letters += line.length;
    if (i >= MOST_LINES || letters > MOST_LETTERS) {
      count.say(
        i,
        `A piece has at most ${MOST_LINES} lines and ${MOST_LETTERS} letters; from here on nothing is read.`,
      );
      break;
    }
    count.line(line, i);
  }
  return count.done();
}

class ProgramCount {
  private readonly rows: ProgramRow[] = [];
  private readonly edges: EdgeRow[] = [];
  private readonly problems: ProgramProblem[] = [];
  private chain: number | undefined;
  private gauge: WrittenGauge | undefined;
  private rules: Rules;
  private colour: string | undefined;

  constructor(rules: Rules) {
    this.rules = rules;
  }

  done(): CountedProgram {
    const { rows, edges, problems, chain, gauge, rules } = this;
    return { rows, edges, problems, chain, gauge, rules };
  }

  say(line: number, message: string, span = { from: 0, to: 0 }, row?: number): void {
    this.problems.push({ line, span, message, ...(row === undefined ? {} : { row }) });
  }

  line(text: string, at: number): void {
    const line: Line = readLine(text, this.rules.terms);
    const row = line.of === 'row' ? line.numbers[0]?.first : undefined;
    for (const { span, message } of line.problems) this.say(at, message, span, row);
    switch (line.of) {
      case 'terms':
        this.rules = { ...this.rules, terms: line.terms };
        break;
      case 'turning':
        this.rules = { ...this.rules, turning: line.turning };
        break;
      case 'gauge':
        this.gauge = line.gauge;
        break;
      case 'chain':
        if (this.rows.length > 0 || this.chain !== undefined)
          this.say(at, 'A piece begins with one chain, before its first row.', line.span);
        else this.chain = line.many;
        break;
      case 'repeat':
        this.say(at, this.howOften(line.rows), line.span);
        break;
      case 'row':
        this.written(line, at);
        break;
      case 'edge':
        this.edge(line, at);
        break;
      case 'nothing':
    }
  }

  /** A piece ends somewhere: which rows the repeat makes must be said. */
  private howOften({ first, last }: Numbers): string {
    const next = (this.rows.at(-1)?.number ?? 0) + 1;
    const end = next + 2 * (last - first + 1) - 1;
    const again = first === last ? `row ${first}` : `rows ${first}-${last}`;
    return `How often? Say which rows that makes, as “Rows ${next}-${end}: repeat ${again}”.`;
  }

  /** All rows that a line stands for. */
  private written(line: RowLine, at: number): void {
    const numbers = line.numbers.flatMap(({ first, last }) =>
      Array.from({ length: Math.min(last - first + 1, MOST_ROWS + 1) }, (_, k) => first + k),
    );
    const told = this.problems.length;
    for (const [k, number] of numbers.entries()) {
      if (this.rows.length >= MOST_ROWS) {
        this.say(at, `A piece has at most ${MOST_ROWS} rows.`, line.span, number);
        return;
      }
      const last = this.rows.at(-1)?.number ?? 0;
      if (number !== last + 1) {
        const what = line.round ? 'Round' : 'Row';
        this.say(at, outOfOrder(what, number, last), line.span, number);
      }
      const worked = this.workedIn(line, k, at);
      if (!worked) return;
      // A row that is worked again is worked in its colour again.
      if (worked.colour !== undefined) this.colour = worked.colour;
      this.row(line, at, number, worked.instructions, k === numbers.length - 1);
      // Of rows that are written once and go wrong alike, the first is told.
      if (this.problems.length > told && numbers.length > 1 && this.problems.length > told + 3) return;
    }
  }

  private workedIn(
    { body, span }: RowLine,
    k: number,
    at: number,
  ): Pick<ProgramRow, 'instructions' | 'colour'> | undefined {
    if (body.of === 'worked') return { instructions: body.instructions, colour: undefined };
    const { first, last } = body.rows;
    const wanted = first + (k % (last - first + 1));
    // Where a number was given twice, the later row is meant.
    const found = this.rows.findLast(({ number }) => number === wanted);
    if (found) return found;
    this.say(at, `There is no row ${wanted} before it to work again.`, span, undefined);
    return undefined;
  }

  /** The row that one is worked on. */
  private below(onto: number | undefined, at: number, span: Span, row: number): ProgramRow | undefined {
    const last = this.rows.at(-1);
    if (onto === undefined || onto === last?.number) return last;
    const found = this.rules.layered ? this.rows.findLast(({ number }) => number === onto) : undefined;
    if (found) return found;
    const message = this.rules.layered
      ? `There is no row ${onto} before it to work on.`
      : 'The rows of a panel go one on another; only the rounds of a motif can be worked behind others.';
    this.say(at, message, span, row);
    return last;
  }

  private row(
    { round, written, colour, onto, span }: RowLine,
    at: number,
    number: number,
    instructions: readonly Instruction[],
    last: boolean,
  ): void {
    const before = this.below(onto, at, span, number);
    const below: Tops | undefined =
      before?.tops ?? (this.chain === undefined ? undefined : chained(this.chain));
    const belowName = before ? `${before.round ? 'round' : 'row'} ${before.number}` : 'the chain';
    const said = last ? written?.many : undefined;
    const counted = countedRow(instructions, {
      below,
      onChain: before === undefined,
      belowName,
      turnedWith: before?.turnsWith ?? 0,
      turning: this.rules.turning,
      usual: (before && stitchOf(before.tops)) ?? this.rules.usual,
      written: said,
    });
    if (colour !== undefined) this.colour = colour;
    const row: ProgramRow = {
      ...counted,
      number,
      round,
      line: at,
      instructions,
      written: said,
      colour: this.colour,
    };
    const what = `${round ? 'Round' : 'Row'} ${number}`;
    counted.problems.forEach(({ span, message }, i) => {
      const cause = i === 0 ? causeOf(row, this.rows) : undefined;
      this.say(at, [`${what}: ${message}`, ...(cause ? [cause] : [])].join(' '), span, number);
    });
    if (written && said !== undefined && said !== counted.makes)
      this.say(
        at,
        `${what} makes ${counted.makes}, not ${said} as written${cureOf(counted, said)}.`,
        written.span,
        number,
      );
    for (const one of instructions) if (one.do === 'colour') this.colour = one.colour.toUpperCase();
    this.rows.push(row);
  }

  private edge(line: EdgeLine, at: number): void {
    const { name, along } = line;
    const parts = alongEdge(line, { rows: this.rows, chain: this.chain });
    if (parts) this.edges.push({ line: at, name, along, parts, makes: alongAll(parts) });
    else if (along.of === 'round') this.say(at, 'There are no rows yet to work along.');
    else if (this.rows.some(({ round }) => round))
      this.say(at, 'Rounds have no ends: work “evenly all round”.');
    else this.say(at, `There are no rows ${along.rows.first} to ${along.rows.last} to work along.`);
  }
}

/** What would bring a row that has increases, or decreases, to the count that is written. */
function cureOf({ makes, increases, decreases }: CountedRow, said: number): string {
  const missing = said - makes;
  const many = Math.abs(missing);
  const change = (list: readonly number[], word: string, more: boolean) =>
    list.length > 0 && (more || list.length >= many)
      ? `: ${many} ${word}${many === 1 ? '' : 's'} ${more ? 'more' : 'fewer'} would make ${said}`
      : undefined;
  return change(increases, 'increase', missing > 0) ?? change(decreases, 'decrease', missing < 0) ?? '';
}

/** The stitch a row is worked in at its end: what increases go on in, where the next row names none. */
const stitchOf = ({ kind }: Tops): StitchKind | undefined =>
  kind.findLast((one): one is Stitch => STITCHES.some((stitch) => stitch === one));

function outOfOrder(what: string, number: number, last: number): string {
  if (number <= last)
    return `${what} ${number} is there already, or comes too late: the one before it is ${last}.`;
  const missing = number - last - 1;
  if (last === 0)
    return `The first row is number ${number}: ${missing === 1 ? 'row 1 is' : `rows 1 to ${number - 1} are`} missing.`;
  return missing === 1
    ? `${what} ${number} comes after ${last}: ${last + 1} is missing.`
    : `${what} ${number} comes after ${last}: ${last + 1} ${missing === 2 ? 'and' : 'to'} ${number - 1} are missing.`;
}
