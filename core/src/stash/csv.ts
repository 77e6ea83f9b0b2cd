import Papa from 'papaparse';
import { inCoins, inWords } from '../money/index.ts';
import { type Decoded, decoded } from './decode.ts';
import { fromInert, inert } from './inert.ts';
import { gramsLeft, type Lot, lotSchema, MOST_LOTS, plainWord } from './lot.ts';

/** The columns of a stash as CSV, in their order. A file need not have all of them, nor in this order. */
export const COLUMNS = [
  'yarn',
  'colour',
  'hex',
  'weight class',
  'fibre',
  'dye lot',
  'ball g',
  'ball m',
  'full balls',
  'part balls g',
  'price',
  'currency',
  'where',
  'note',
] as const;
type Column = (typeof COLUMNS)[number];
/** Grams in all, for a list that does not tell balls from part balls. */
const GRAMS = 'grams';

/** A row that cannot be taken, as a spreadsheet counts it: 1 is the row of the names. */
export interface BadRow {
  readonly row: number;
  readonly problem: string;
}

/** A lot out of a file, and which of its fields the file says: what it does not say is taken for what is usual. */
export interface ReadLot {
  readonly lot: Lot;
  readonly says: ReadonlySet<keyof Lot>;
}

/** What a file holds: the rows that can be taken, and those that cannot, with the reason. */
export type StashFile =
  | {
      readonly ok: true;
      readonly lots: readonly ReadLot[];
      readonly bad: readonly BadRow[];
      readonly encoding: Decoded['encoding'];
      /** Columns it has that no stash has: they are left out. */
      readonly strange: readonly string[];
    }
  | { readonly ok: false; readonly problem: string };

/** What some call a column. */
const ALIASES: Readonly<Record<string, string>> = {
  color: 'colour',
  dyelot: 'dye lot',
  lot: 'dye lot',
  location: 'where',
};

const isEmpty = (row: readonly string[]): boolean => row.every((cell) => cell.trim() === '');

/** A colour nobody has said: that of undyed yarn. */
const UNDYED = '#d9cfbd';
/** Weight class until it is said: of the middle. */
const USUAL_WEIGHT = 4;

/** Writes a stash as CSV that spreadsheets read: UTF-8 with its mark, commas, all text inert. */
export function writeStash(lots: readonly Lot[]): string {
  const rows = lots.map((lot) => {
    const cells: Record<Column, string> = {
      yarn: inert(lot.yarn),
      colour: inert(lot.colourName),
      hex: lot.colour,
      'weight class': String(lot.weight),
      fibre: inert(lot.fibre),
      'dye lot': inert(lot.dyeLot),
      'ball g': lot.ball ? String(lot.ball.grams) : '',
      'ball m': lot.ball ? String(lot.ball.metres) : '',
      'full balls': String(lot.full),
      'part balls g': lot.parts.join(' + '),
      price: lot.price ? inWords(lot.price.amount, lot.price.currency) : '',
      currency: lot.price?.currency ?? '',
      where: inert(lot.place),
      note: inert(lot.note),
    };
    return COLUMNS.map((column) => cells[column]);
  });
  return `\uFEFF${Papa.unparse({ fields: [...COLUMNS], data: rows })}\r\n`;
}

/** A number as it is written here or there: `1.5`, `1,5`, `1 200`. What can be read in two ways (`1,200`) is none. */
function numberOf(cell: string): number | undefined {
  const plain = cell.replaceAll(/[\s\u00a0']/g, '').replace(/(g|m)$/i, '');
  if (plain === '') return undefined;
  if (/^\d{1,3},\d{3}$/.test(plain)) return Number.NaN;
  return Number(/^[^.]*,[^,.]*$/.test(plain) ? plain.replace(',', '.') : plain);
}

/** What stands between cells, told by the row of the names alone: other cells may hold any of them. */
function separatorOf(text: string): string {
  const head = text.split(/\r?\n|\r/).find((line) => /[^\s,;|]/.test(line)) ?? '';
  const many = (separator: string) => head.split(separator).length;
  return [',', ';', '\t', '|'].reduce((best, one) => (many(one) > many(best) ? one : best));
}

/**
 * Reads a stash out of a CSV file: any of the usual separators, encodings and decimal signs. Rows that are wrong are named
 * and left out; the others are taken.
 *
 * @param currency of prices that do not say theirs.
 */
export function readStash(bytes: Uint8Array, currency: string): StashFile {
  const { text, encoding } = decoded(bytes);
  if (text.includes('\0'))
    return { ok: false, problem: 'This is no text, so that it cannot be a list of yarn.' };
  const plain = text.replace(/^\uFEFF/, '');
  const { data } = Papa.parse<string[]>(plain, { delimiter: separatorOf(plain) });
  // Empty rows count as rows, so that a bad one is found where a spreadsheet has it.
  const first = data.findIndex((row) => !isEmpty(row));
  const rows = data.slice(first + 1);
  const names = (data[first] ?? []).map(plainWord).map((name) => ALIASES[name] ?? name);
  if (!names.includes('yarn') || !names.includes('colour'))
    return {
      ok: false,
      problem: `The first row must name the columns; “yarn” and “colour” at least. This one has: ${names.slice(0, 8).join(', ') || 'nothing'}.`,
    };
  const full = rows.filter((row) => !isEmpty(row)).length;
  if (full > MOST_LOTS)
    return { ok: false, problem: `That are ${full} rows; a stash has at most ${MOST_LOTS} lots.` };
  const known: ReadonlySet<string> = new Set([...COLUMNS, GRAMS]);
  const lots: ReadLot[] = [];
  const bad: BadRow[] = [];
  rows.forEach((row, i) => {
    if (isEmpty(row)) return;
    const cell = (column: Column | typeof GRAMS) => fromInert(row[names.indexOf(column)] ?? '');
    const read = lotOf(cell, currency);
    if ('problem' in read) bad.push({ row: first + i + 2, problem: read.problem });
    else lots.push({ lot: read, says: saysOf(cell, names) });
  });
  return { ok: true, lots, bad, encoding, strange: names.filter((name) => name !== '' && !known.has(name)) };
}

function lotOf(
  cell: (column: Column | typeof GRAMS) => string,
  currency: string,
): Lot | { readonly problem: string } {
  const number = (column: Column | typeof GRAMS) => numberOf(cell(column));
  const [ballGrams, ballMetres] = [number('ball g'), number('ball m')];
  const ball =
    ballGrams !== undefined && ballMetres !== undefined
      ? { grams: ballGrams, metres: ballMetres }
      : undefined;
  if (!ball && (ballGrams !== undefined || ballMetres !== undefined))
    return { problem: 'A ball needs both its grams and its metres.' };
  const hex = cell('hex').trim();
  const price = cell('price').trim();
  const of = cell('currency').trim().toUpperCase() || currency;
  const amount = price === '' ? undefined : inCoins(price, of);
  if (price !== '' && amount === undefined) return { problem: `“${price}” is no amount of ${of}.` };
  const parts = cell('part balls g')
    .split(/[+;/|]/)
    .map((part) => part.trim())
    .filter(Boolean);
  const counted =
    cell('full balls').trim() === '' && parts.length === 0 ? fromGrams(number(GRAMS), ball) : undefined;
  const read = lotSchema.safeParse({
    yarn: cell('yarn'),
    colourName: cell('colour'),
    colour: hex === '' ? UNDYED : hex.toLowerCase(),
    weight: number('weight class') ?? USUAL_WEIGHT,
    fibre: cell('fibre'),
    dyeLot: cell('dye lot'),
    ...(ball && { ball }),
    ...(counted ?? { full: number('full balls') ?? 0, parts: parts.map((part) => numberOf(part)) }),
    ...(amount !== undefined && { price: { amount, currency: of } }),
    place: cell('where'),
    note: cell('note'),
  });
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  const at = NAMES[String(issue?.path[0] ?? '')];
  return { problem: `${at ? `${at}: ` : ''}${issue?.message ?? 'It is wrong.'}` };
}

/** Fields a row says: words wherever there is a column for them, figures where something stands in it. */
function saysOf(
  cell: (column: Column | typeof GRAMS) => string,
  names: readonly string[],
): ReadonlySet<keyof Lot> {
  const filled = (...columns: Array<Column | typeof GRAMS>) => columns.some((one) => cell(one).trim() !== '');
  const amount = filled('full balls', 'part balls g', GRAMS);
  const fields: ReadonlyArray<readonly [keyof Lot, boolean]> = [
    ['yarn', true],
    ['colourName', true],
    ['dyeLot', true],
    ['fibre', names.includes('fibre')],
    ['place', names.includes('where')],
    ['note', names.includes('note')],
    ['colour', filled('hex')],
    ['weight', filled('weight class')],
    ['ball', filled('ball g')],
    ['price', filled('price')],
    ['full', amount],
    ['parts', amount],
  ];
  return new Set(fields.flatMap(([field, said]) => (said ? [field] : [])));
}

/** The column a field is read from. */
const NAMES: Readonly<Record<string, string>> = {
  yarn: 'yarn',
  colourName: 'colour',
  colour: 'hex',
  weight: 'weight class',
  ball: 'ball',
  full: 'full balls',
  parts: 'part balls g',
  price: 'price',
};

/** So many grams in all as balls and what is over. */
function fromGrams(grams: number | undefined, ball: Lot['ball']): Pick<Lot, 'full' | 'parts'> | undefined {
  if (grams === undefined || grams === 0) return undefined;
  const full = ball && grams > 0 ? Math.floor(grams / ball.grams + 1e-9) : 0;
  const rest = Math.round((grams - full * (ball?.grams ?? 0)) * 1000) / 1000;
  return { full, parts: rest !== 0 ? [rest] : [] };
}

/** A stash in a sentence: how many lots, and what they weigh. */
export const stashText = (lots: readonly Pick<Lot, 'ball' | 'full' | 'parts'>[]): string =>
  `${lots.length} ${lots.length === 1 ? 'lot' : 'lots'}, ${Math.round(lots.reduce((sum, lot) => sum + gramsLeft(lot), 0))} g`;
