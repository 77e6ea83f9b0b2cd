import { readFileSync } from 'node:fs';
import {
  type CountedProgram,
  countProgram,
  flatnessText,
  heightByPitch,
  rowEndRate,
  TURNINGS,
  type Turning,
  usualStitch,
  workedPiece,
} from '@fennot/core';

const USAGE =
  'Name a file of rows: ./fennot count my-panel.txt [--uk] [--turning counts|does-not-count|standing], or - for standard input.';

/**
 * `./fennot count FILE`: what every row of a piece in shorthand uses and makes, and what does not come out, as JSON on
 * standard output. Exit code 1 when something does not come out, 2 when there is nothing to count.
 */
export function printCount(args: readonly string[]): void {
  process.exitCode = print(args);
}

/** Standard input. */
const STANDARD_INPUT = 0;

function print(args: readonly string[]): number {
  const turning = turningOf(args);
  const [file] = args.filter((arg, i) => !arg.startsWith('--') && args[i - 1] !== '--turning');
  if (file === undefined || turning === undefined) {
    console.error(USAGE);
    return 2;
  }
  let text: string;
  try {
    text = readFileSync(file === '-' ? STANDARD_INPUT : file, 'utf8');
  } catch {
    console.error(`There is no readable file ${file}.`);
    return 2;
  }
  const terms = args.includes('--uk') ? 'uk' : 'us';
  const counted = countProgram(text, { terms, turning, usual: 'low' });
  if (counted.rows.length === 0 && counted.problems.length === 0) {
    console.error('There are no rows in it: they begin with “Row 1:” or “Round 1:”.');
    return 2;
  }
  console.log(JSON.stringify(printed(counted), null, 2));
  return counted.problems.length > 0 ? 1 : 0;
}

/** How the turning chain is meant, or nothing where what is said is none. */
function turningOf(args: readonly string[]): Turning | undefined {
  const at = args.indexOf('--turning');
  return at < 0 ? 'does-not-count' : TURNINGS.find((one) => one === args[at + 1]);
}

/** The counts as they are printed: lines and stitches are counted from 1, lengths in mm. */
function printed(counted: CountedProgram) {
  const { rules, gauge, chain, rows, edges, problems } = counted;
  const width = (stitches: number) =>
    gauge && Math.round((10 * stitches * gauge.length) / gauge.stitches) / 10;
  return {
    terms: rules.terms,
    turning: rules.turning,
    ...(chain === undefined ? {} : { chain }),
    rows: rows.map(({ number, round, line, uses, makes, available, before, left, ...row }) => ({
      [round ? 'round' : 'row']: number,
      line: line + 1,
      uses,
      makes,
      ...(available === undefined ? {} : { of: available }),
      ...(before > 0 ? { before } : {}),
      ...(left > 0 ? { left } : {}),
      increases: row.increases.map((at) => at + 1),
      decreases: row.decreases.map((at) => at + 1),
      ...(row.colour === undefined ? {} : { colour: row.colour }),
      ...(gauge ? { widthMm: width(makes) } : {}),
    })),
    edges: edges.map(({ name, line, along, parts, makes }) => ({
      name,
      line: line + 1,
      along,
      ...parts,
      makes,
    })),
    ...(gauge ? { shape: shapeOf(counted, gauge) } : {}),
    problems: problems.map(({ line, span, row, message }) => ({
      line: line + 1,
      from: span.from + 1,
      to: span.to,
      ...(row === undefined ? {} : { row }),
      message,
    })),
  };
}

/** What a piece measures laid flat, and whether it lies so: with the gauge that is written with its rows. */
function shapeOf(counted: CountedProgram, gauge: NonNullable<CountedProgram['gauge']>) {
  const stitch = usualStitch(counted);
  const sizes = {
    pitch: gauge.length / gauge.stitches,
    row: gauge.length / gauge.rows,
    usual: heightByPitch(stitch),
  };
  const piece = workedPiece(counted, sizes, rowEndRate(stitch));
  if (!piece) return undefined;
  const tenths = (mm: number) => Math.round(10 * mm) / 10;
  const { widest, height, flatness, fan, sides } = piece;
  return {
    widestMm: tenths(widest.width),
    widestRow: widest.row,
    heightMm: tenths(height),
    lies: flatnessText(
      flatness,
      counted.rows.some(({ round }) => round),
    ),
    ...(fan ? { opensDegrees: Math.round(fan.angle) } : {}),
    sides: sides.map(({ at, kind, loops }) => ({ at, kind, loops })),
  };
}
