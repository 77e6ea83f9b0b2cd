import type { Numbers } from './read-program.ts';

/** What of a piece's edge is worked along. */
export type Along =
  /** Up the one end of these rows, over the last, down the other. */
  | { readonly of: 'rows'; readonly rows: Numbers }
  | { readonly of: 'side'; readonly side: 'left' | 'right'; readonly rows: Numbers }
  | { readonly of: 'round' };

/** How many are worked along an edge: into each stitch that lies open there, beside so many rows, in a corner. */
export interface EdgeRate {
  readonly eachStitch: number;
  readonly beside: number;
  readonly perRows: number;
  readonly corner: number;
}

/** A line that says how an edge is worked along. */
export interface EdgeLine {
  readonly of: 'edge';
  readonly name: string;
  readonly along: Along;
  readonly rate: EdgeRate;
}

const NAME = String.raw`^\s*([a-z][a-z ]{0,30}?)\s*:\s*[^:]*?evenly\s+`;
const ROWS = String.raw`\s+of\s+rows?\s+(\d+)\s*(?:-|–|to)\s*(\d+)(.*)$`;
const ALONG = new RegExp(String.raw`${NAME}along\s+(?:the\s+)?(?:(left|right)\s+)?(?:edge|side)${ROWS}`, 'i');
const ROUND = new RegExp(
  String.raw`${NAME}(?:all\s+(?:a)?round|(?:a)?round\s+(?:the\s+)?(?:edge|piece|outside))(.*)$`,
  'i',
);

/** `3 beside each 2 rows`, `1 beside each sl st`, `2 in each row end`. */
const BESIDE =
  /(\d+)\s+(?:beside|at|in|for)\s+(?:each|every)\s+(?:(\d+)\s+)?(?:sl\s*sts?|slip\s*st\w*|rows?(?:\s+ends?)?|ends?)/i;

/** Reads a line that works along an edge; nothing where it is another. */
export function readEdge(text: string): EdgeLine | undefined {
  const round = ROUND.exec(text);
  if (round)
    return {
      of: 'edge',
      name: (round[1] ?? '').trim(),
      along: { of: 'round' },
      rate: rateOf(round[2] ?? ''),
    };
  const found = ALONG.exec(text);
  if (!found) return undefined;
  const [, name = '', side, first = '', last = '', rest = ''] = found;
  const [a, b] = [Number(first), Number(last)];
  const rows = { first: Math.min(a, b), last: Math.max(a, b) };
  const one = side?.toLowerCase();
  return {
    of: 'edge',
    name: name.trim(),
    along: one === 'left' || one === 'right' ? { of: 'side', side: one, rows } : { of: 'rows', rows },
    rate: rateOf(rest),
  };
}

function rateOf(text: string): EdgeRate {
  const [, beside = '1', per = '1'] = BESIDE.exec(text) ?? [];
  const each = /(\d+)\s+in\s+(?:each|every)\s+st/i.exec(text)?.[1];
  const corner = /(\d+)\s+in\s+(?:each|every)\s+corner/i.exec(text)?.[1];
  return {
    eachStitch: Number(each ?? 1),
    beside: Number(beside),
    perRows: Math.max(1, Number(per)),
    corner: Number(corner ?? 1),
  };
}
