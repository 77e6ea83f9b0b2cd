import type { Point } from '../../geometry/index.ts';
import type { CountedProgram } from '../count/count-program.ts';
import type { Layer, SizedSection, Sizes } from './layers.ts';
import { type WorkedPiece, workedPiece } from './piece.ts';

/** Shapes that have been worked out, by how wide a stitch is for its height: how large it is changes no shape. */
const known = new WeakMap<CountedProgram, Map<string, WorkedPiece | undefined>>();
/** Of one program: its gauge, and what is tried round it. */
const MOST_KNOWN = 24;

/** As `workedPiece`, remembered: a bag is built again and again with sizes that differ by a hair. */
export function sizedPiece(
  program: CountedProgram,
  sizes: Sizes,
  rowEndRate: number,
  sections: readonly SizedSection[] = [],
): WorkedPiece | undefined {
  const { pitch, row, usual } = sizes;
  const shapes = known.get(program) ?? new Map<string, WorkedPiece | undefined>();
  known.set(program, shapes);
  const own = sections.map((section) => ({
    ...section,
    pitch: section.pitch / row,
    row: section.row / row,
  }));
  const key = [
    pitch / row,
    usual,
    rowEndRate,
    ...own.flatMap((one) => [one.stitches, one.pitch, one.row, one.usual]),
  ].join(' ');
  if (!shapes.has(key)) {
    if (shapes.size >= MOST_KNOWN) shapes.clear();
    shapes.set(key, workedPiece(program, { pitch: pitch / row, row: 1, usual }, rowEndRate, own));
  }
  const piece = shapes.get(key);
  return piece && scaled(piece, row);
}

function scaled(piece: WorkedPiece, by: number): WorkedPiece {
  const points = (list: readonly Point[]) => list.map(({ x, y }) => ({ x: x * by, y: y * by }));
  const layerOf = (layer: Layer): Layer => ({
    ...layer,
    length: layer.length * by,
    widths: layer.widths.map((width) => width * by),
    heights: layer.heights.map((height) => height * by),
  });
  const { laid, rows, sides, outline, flatness, fan, widest, height } = piece;
  return {
    laid: {
      ...laid,
      base: points(laid.base),
      rows: laid.rows.map((row) => ({ ...row, layer: layerOf(row.layer), nodes: points(row.nodes) })),
    },
    rows: rows.map((row) => ({ layer: layerOf(row.layer), line: points(row.line) })),
    sides: sides.map((side) => ({ ...side, path: points(side.path) })),
    outline: points(outline),
    flatness: flatness.lies === 'cups' ? { ...flatness, depth: (flatness.depth ?? 0) * by } : flatness,
    fan,
    widest: { ...widest, width: widest.width * by },
    height: height * by,
  };
}
