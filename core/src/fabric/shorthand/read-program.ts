import type { Terms, Turning } from '../../stitches/index.ts';
import type { Instruction, Problem, Span } from './instruction.ts';
import { type EdgeLine, readEdge } from './read-edge.ts';
import { readRow } from './row-parser.ts';

/** A run of row numbers, both ends in it. */
export interface Numbers {
  readonly first: number;
  readonly last: number;
}

/** What one line of a program says; spans are places in that line. */
export type Line = { readonly problems: readonly Problem[] } & (
  | RowLine
  | { readonly of: 'chain'; readonly many: number; readonly span: Span }
  | { readonly of: 'terms'; readonly terms: Terms }
  | { readonly of: 'turning'; readonly turning: Turning }
  | { readonly of: 'gauge'; readonly gauge: WrittenGauge }
  /** Rows that are worked again and again: a fabric, and no piece, says so. */
  | { readonly of: 'repeat'; readonly rows: Numbers; readonly span: Span }
  | EdgeLine
  | { readonly of: 'nothing' }
);

/** Stitches and rows over a length, mm, as a maker writes them. */
export interface WrittenGauge {
  readonly stitches: number;
  readonly rows: number;
  readonly length: number;
}

/** A row or a round, or several that are alike. */
export interface RowLine {
  readonly of: 'row';
  readonly round: boolean;
  readonly numbers: readonly Numbers[];
  /** What is worked, or which rows before it are worked again. */
  readonly body:
    | { readonly of: 'worked'; readonly instructions: readonly Instruction[] }
    | { readonly of: 'again'; readonly rows: Numbers };
  /** The count in brackets at its end. */
  readonly written?: { readonly many: number; readonly span: Span } | undefined;
  readonly colour?: string | undefined;
  /** The row it is worked on, where that is not the one before it: behind petals. */
  readonly onto?: number;
  /** Where its name stands. */
  readonly span: Span;
}

/** A row longer than this is none that anyone has written by hand. */
const MOST_LETTERS = 4000;

const HEADER =
  /^\s*(?:(rows?|r|rounds?|rnds?)\.?\s*#?\s*(\d+(?:\s*(?:,|&|-|–|to|and)\s*\d+)+(?=\s*(?:[:.(]|rep|as|same|work))|\d+)|(\d+)(?:st|nd|rd|th)\s+(row|round|rnd))\s*(?:,?\s*(?:on|onto)\s+(?:row|round|rnd)\s*(\d+))?\s*(?:\(\s*(rs|ws|right side|wrong side)\s*\))?\s*(?:(?:in|with|,)?\s*\(?([a-z])\)?(?=\s*[:.]))?\s*(?:\(\s*(?:rs|ws)\s*\))?\s*[:.)–-]?\s*/i;
const FOUNDATION =
  /^\s*(?:foundation(?:\s+(?:chain|row))?\s*[:.]?\s*)?(?:(?:ch|chain)\s*(\d+)|(\d+)\s*(?:ch|chains?)(?![a-z]))\s*[,;.]?\s*(?:turn)?\s*[.]?\s*$/i;
const TERMS = /^\s*(?:terms?\s*[:=]?\s*(us|uk)|(us|uk)\s+terms?)\s*\.?\s*$/i;
const TURNING =
  /^\s*turning\s+ch(?:ain)?s?\s*[:=]?\s*(does\s+not\s+count|do\s+not\s+count|counts?|standing)[^:]*$/i;
const GAUGE =
  /^\s*gauge\s*[:=]?\s*(\d+(?:\.\d+)?)\s*(?:sts?|stitches)\s*(?:and|,|x|by)\s*(\d+(?:\.\d+)?)\s*(?:rows?|rounds?)\s*(?:=|to|in|over|:)?\s*(\d+(?:\.\d+)?)\s*(mm|cm|in|inch(?:es)?|")\s*\.?\s*$/i;
const AGAIN =
  /^\s*(?:(?:repeat|rep|work|same|as|like|in|the)\s+)*(?:rows?|rounds?|rnds?)\s*(\d+)(?:\s*(?:-|–|to|and|&)\s*(\d+))?(?:\s+again)?\s*\.?\s*$/i;
const REPEAT =
  /^\s*(?:repeat|rep|work)\s+(?:the\s+)?(?:last\s+)?(?:rows?|r|rounds?|rnds?)\s*(\d+)(?:\s*(?:-|–|to|and|&)\s*(\d+))?(?:\s+(?:for|throughout|to|as|until|again|over)\b[^:]*)?\s*\.?\s*$/i;
const COUNT =
  /(?:[([{]\s*(\d+)\s*(?:[a-z.-]+\s*){0,4}[)\]}]|(?:=|\s[–—-]{1,3})\s*(\d+)\s*(?:sts?|stitches)?|[,;.:]\s*(\d+)\s+(?:sts|stitches)(?:\s+in\s+all)?)\s*\.?\s*$/i;

const LENGTHS: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
};

/** What lines have been read as: of a long program but one changes at a time. */
const known = new Map<string, Line>();
const MOST_KNOWN = 4000;

/** Reads one line in the terms that hold there. */
export function readLine(text: string, terms: Terms): Line {
  const key = `${terms} ${text}`;
  const before = known.get(key);
  if (before) return before;
  const line = readAnew(text, terms);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, line);
  return line;
}

function readAnew(whole: string, terms: Terms): Line {
  if (whole.length > MOST_LETTERS) {
    const message = `This row has ${whole.length} letters; Fennot reads rows of up to ${MOST_LETTERS}.`;
    return { of: 'nothing', problems: [{ span: { from: 0, to: MOST_LETTERS }, message }] };
  }
  const text = whole.replace(/#(?!\s*\d).*$/, '');
  if (text.trim() === '') return { of: 'nothing', problems: [] };
  return said(text) ?? repeat(text) ?? foundation(text) ?? row(text, terms) ?? stranger(text);
}

/** Lines that say how the others are meant. */
function said(text: string): Line | undefined {
  const terms = TERMS.exec(text);
  if (terms)
    return {
      of: 'terms',
      terms: (terms[1] ?? terms[2] ?? 'us').toLowerCase() === 'uk' ? 'uk' : 'us',
      problems: [],
    };
  const turning = TURNING.exec(text)?.[1]?.toLowerCase();
  if (turning !== undefined) {
    const meant = turning.startsWith('do')
      ? 'does-not-count'
      : turning === 'standing'
        ? 'standing'
        : 'counts';
    return { of: 'turning', turning: meant, problems: [] };
  }
  const gauge = GAUGE.exec(text);
  if (gauge) {
    const [, stitches = '', rows = '', length = '', unit = 'cm'] = gauge;
    const written = {
      stitches: Number(stitches),
      rows: Number(rows),
      length: Number(length) * (LENGTHS[unit.toLowerCase()] ?? 10),
    };
    if (written.stitches > 0 && written.rows > 0 && written.length > 0)
      return { of: 'gauge', gauge: written, problems: [] };
  }
  const edge = readEdge(text);
  return edge && { ...edge, problems: [] };
}

function repeat(text: string): Line | undefined {
  const found = REPEAT.exec(text);
  if (!found) return undefined;
  const [, first = '', last = first] = found;
  const span = { from: text.search(/\S/), to: text.trimEnd().length };
  return { of: 'repeat', rows: ordered(Number(first), Number(last)), span, problems: [] };
}

const ordered = (a: number, b: number): Numbers => ({ first: Math.min(a, b), last: Math.max(a, b) });

function foundation(text: string): Line | undefined {
  const found = FOUNDATION.exec(text);
  if (!found) return undefined;
  const many = Number(found[1] ?? found[2]);
  return { of: 'chain', many, span: { from: text.search(/\S/), to: text.trimEnd().length }, problems: [] };
}

function row(text: string, terms: Terms): Line | undefined {
  const found = HEADER.exec(text);
  if (!found) return undefined;
  const [header, kind, list, placed, placedKind, onto, , colour] = found;
  const numbers = numbersOf(list ?? placed ?? '');
  if (numbers.length === 0) return undefined;
  const rest = text.slice(header.length);
  const span = { from: text.search(/\S/), to: header.trimEnd().length };
  const round = /^r(?:ou)?nd/i.test(kind ?? placedKind ?? '');
  const base = {
    of: 'row',
    round,
    numbers,
    colour: colour?.toUpperCase(),
    span,
    ...(onto === undefined ? {} : { onto: Number(onto) }),
  } as const;
  const counted = COUNT.exec(rest);
  const at = (counted?.index ?? rest.length) + header.length;
  const body = text.slice(header.length, at);
  const again = AGAIN.exec(body);
  const many = counted?.[1] ?? counted?.[2] ?? counted?.[3];
  const written =
    many === undefined ? undefined : { many: Number(many), span: { from: at, to: text.trimEnd().length } };
  if (again) {
    const [, first = '', last = first] = again;
    return {
      ...base,
      body: { of: 'again', rows: ordered(Number(first), Number(last)) },
      written,
      problems: [],
    };
  }
  const { instructions, problems } = readRow(body, terms);
  const moved = (given: Span): Span => ({ from: given.from + header.length, to: given.to + header.length });
  return {
    ...base,
    body: { of: 'worked', instructions: instructions.map((one) => shifted(one, moved)) },
    written,
    problems: problems.map((problem) => ({ ...problem, span: moved(problem.span) })),
  };
}

/** An instruction as it stands in its line, not in its row. */
function shifted<I extends Instruction>(one: I, moved: (span: Span) => Span): I {
  const span = moved(one.span);
  if (one.do === 'repeat' || one.do === 'group')
    return { ...one, span, parts: one.parts.map((part) => shifted(part, moved)) };
  return { ...one, span };
}

/** `3-16`, `2, 4 and 6`. */
function numbersOf(list: string): Numbers[] {
  return list.split(/,|&|and/i).flatMap((part) => {
    const [first, last = first] = part
      .split(/-|–|to/i)
      .map((text) => Number(text.trim()))
      .filter((number) => Number.isInteger(number) && number > 0);
    return first !== undefined && last !== undefined ? [ordered(first, last)] : [];
  });
}

function stranger(text: string): Line {
  const from = text.search(/\S/);
  return {
    of: 'nothing',
    problems: [
      {
        span: { from, to: text.trimEnd().length },
        message: 'This is no row: begin it with “Row 3:” or “Round 3:”, or with # where it is only a note.',
      },
    ],
  };
}
