import type { Piece } from '../bag/index.ts';
import {
  type BagDocument,
  type Panel,
  panelOf,
  type Stripes,
  type Swatch,
  swatchOf,
} from '../document/index.ts';
import { type CountedProgram, countedPanel } from '../fabric/index.ts';

/** What row of a panel is worked in which yarn; rows are counted from 1. */
export type RowColours = (row: number) => string;

/** The stripes of a panel: its own, or those of all; nothing where it is of one colour. */
export function stripesOf({ stripes }: Pick<BagDocument, 'stripes'>, piece: string): Stripes | undefined {
  const own = stripes?.own?.[piece];
  return own === 'plain' ? undefined : (own ?? stripes?.all);
}

/** Rows until bands begin again. */
export const bandRows = ({ bands }: Stripes): number => bands.reduce((sum, { rows }) => sum + rows, 0);

/** The yarn of each row of stripes. */
export function colourOfRow(stripes: Stripes, row: number): string {
  let left = (row - 1) % bandRows(stripes);
  for (const { yarn, rows } of stripes.bands) {
    if (left < rows) return yarn;
    left -= rows;
  }
  throw new Error(`Stripes have no row ${row}.`);
}

/** The yarn a letter in written rows stands for: A is the swatch's, the others follow as the bag has them. */
export function yarnOfLetter(yarns: Pick<BagDocument, 'yarns'>, own: string, letter: string): string {
  return letter === 'A' ? own : (otherYarn(yarns, own, letter) ?? own);
}

const otherYarn = ({ yarns }: Pick<BagDocument, 'yarns'>, own: string, letter: string): string | undefined =>
  yarns.filter(({ id }) => id !== own)[letter.charCodeAt(0) - 'B'.charCodeAt(0)]?.id;

/** Letters in written rows that no yarn of the bag stands for: what is worked in them is taken for A. */
export function strangeLetters(
  yarns: Pick<BagDocument, 'yarns'>,
  own: string,
  { rows }: Pick<CountedProgram, 'rows'>,
): string[] {
  const named = new Set(rows.flatMap(({ colour }) => colour ?? []));
  return [...named].filter((letter) => letter !== 'A' && otherYarn(yarns, own, letter) === undefined).sort();
}

/** The yarn of each row where the rows themselves say so; nothing where they name no colour. */
export function writtenColours(
  document: Pick<BagDocument, 'yarns'>,
  panel: Panel,
  swatch: Swatch,
): RowColours | undefined {
  const { rows } = countedPanel(panel, swatch);
  // A row says what is changed to at its end: it is begun in what was last named.
  return rows.some(({ colour }) => colour !== undefined)
    ? (row) => yarnOfLetter(document, swatch.yarn, rows[row - 1]?.colour ?? 'A')
    : undefined;
}

/** In which yarn each row of a panel is worked: as its rows say, or its stripes, or all in its swatch's. */
export function rowColours(document: BagDocument, { id, make }: Pick<Piece, 'id' | 'make'>): RowColours {
  if (make.of === 'motif') throw new Error(`${id} is worked in rounds.`);
  const swatch = swatchOf(document, make.swatch);
  const written =
    make.panel === undefined ? undefined : writtenColours(document, panelOf(document, make.panel), swatch);
  if (written) return written;
  const stripes = stripesOf(document, id);
  return stripes ? (row) => colourOfRow(stripes, row) : () => swatch.yarn;
}

/** Rows of one colour that lie on one another, both ends in it. */
export interface ColourRun {
  readonly yarn: string;
  readonly first: number;
  readonly last: number;
}

/** The stripes of so many rows as they come. */
export function colourRuns(colours: RowColours, rows: number): ColourRun[] {
  const runs: { yarn: string; first: number; last: number }[] = [];
  for (let row = 1; row <= rows; row++) {
    const yarn = colours(row);
    const before = runs.at(-1);
    if (before?.yarn === yarn) before.last = row;
    else runs.push({ yarn, first: row, last: row });
  }
  return runs;
}
