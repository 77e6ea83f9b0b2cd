import { distance, extent, type Point } from '../../geometry/index.ts';
import { STITCHES, type Stitch } from '../../stitches/index.ts';
import { type CountedProgram, chainOf } from '../count/count-program.ts';
import { type Fan, fanOf } from './fan.ts';
import { type Flatness, flatness } from './flatness.ts';
import { type LaidFlat, layFlat } from './lay-flat.ts';
import { layersOf, type SizedSection, type Sizes, treadOf } from './layers.ts';
import { type Side, sidesOf } from './outline.ts';
import { type RowLine, rowLines } from './row-lines.ts';

/** A worked piece at its true size and shape. */
export interface WorkedPiece {
  readonly laid: LaidFlat;
  /** Every row as it lies, from the first. */
  readonly rows: readonly RowLine[];
  readonly sides: readonly Side[];
  /** All round, counter-clockwise. */
  readonly outline: readonly Point[];
  readonly flatness: Flatness;
  /** Of what begins in a ring and is worked in rows. */
  readonly fan: Fan | undefined;
  /** The row that is widest from end to end, or across, and how wide, mm. */
  readonly widest: { readonly row: number; readonly width: number };
  /** From its lowest place to its highest, mm. */
  readonly height: number;
}

/**
 * The shape that counts make.
 *
 * @param rowEndRate insertions of one row's end.
 * @param sections side by side, where not all stitches are of one size.
 * @returns nothing where there are no rows.
 */
export function workedPiece(
  program: CountedProgram,
  sizes: Sizes,
  rowEndRate: number,
  sections: readonly SizedSection[] = [],
): WorkedPiece | undefined {
  const first = chainOf(program);
  const layers = layersOf(program.rows, first, sizes, sections);
  if (layers.length === 0) return undefined;
  const tread = treadOf(first, sizes, sections);
  const laid = layFlat(layers, tread);
  const sides = sidesOf(laid, first, rowEndRate);
  const outline = sides.flatMap(({ path }) => path.slice(0, -1));
  let widest = { row: 0, width: 0 };
  for (const { layer, nodes } of laid.rows) {
    const [a, b] = [nodes[0], nodes.at(-1)];
    const width = layer.round ? extent(nodes).width : a && b ? distance(a, b) : 0;
    if (width > widest.width) widest = { row: layer.number, width };
  }
  return {
    laid,
    rows: rowLines(laid, layers),
    sides,
    outline,
    flatness: flatness(layers, tread.length),
    fan: fanOf(layers, tread.length),
    widest,
    height: extent(outline).height,
  };
}

/** The stitch most of a piece is worked in: what a gauge written with its rows was counted in. */
export function usualStitch({ rows }: Pick<CountedProgram, 'rows'>): Stitch {
  const many = new Map<Stitch, number>(STITCHES.map((stitch) => [stitch, 0]));
  for (const { tops } of rows)
    for (const kind of tops.kind) {
      const stitch = STITCHES.find((one) => one === kind);
      if (stitch) many.set(stitch, (many.get(stitch) ?? 0) + 1);
    }
  return STITCHES.reduce((best, one) => ((many.get(one) ?? 0) > (many.get(best) ?? 0) ? one : best));
}
