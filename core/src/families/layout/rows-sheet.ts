import { z } from 'zod';
import type { Edge, Piece } from '../../bag/index.ts';
import type { Side as RowsSide, WorkedPiece } from '../../fabric/index.ts';
import { idSchema } from '../../fields/index.ts';
import { area, extent, type Point, pathLength, rectangle } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import type { Materials } from './materials.ts';
import { affineOf, asItIs, stoodUpright } from './rows-sides.ts';
import { BOTTOM, LEFT, RIGHT, type Sheet, type SheetOptions, type Side, TOP } from './sheet.ts';

export const rowsBodySchema = z
  .strictObject({
    of: z.literal('rows'),
    panel: idSchema,
    /** Its rows stand upright. */
    upright: z.literal(true).optional(),
  })
  .meta({ description: 'A sheet that is a panel by its rows: one that makes a rectangle.' });
export type RowsBody = z.infer<typeof rowsBodySchema>;

/** Of its box a rectangle fills so much at least: rows curl a little at their ends. */
const FILLED = 0.94;

/** Whether a piece can be laid as a sheet: it has four sides, each of them one, and fills their box. */
export function isRectangular({ sides, outline }: Pick<WorkedPiece, 'sides' | 'outline'>): boolean {
  const each = (['bottom', 'right', 'top', 'left'] as const).every(
    (at) => sides.filter((side) => side.at === at).length === 1,
  );
  const { width, height } = extent(outline);
  return each && Math.abs(area(outline)) > FILLED * width * height;
}

const SIDES: ReadonlyArray<readonly [RowsSide['at'], Side]> = [
  ['bottom', BOTTOM],
  ['right', RIGHT],
  ['top', TOP],
  ['left', LEFT],
];

/** Width and height of a panel as a sheet without joins, mm: opposite sides, one with the other. */
export function rowsSheetSize({ panel, upright }: RowsBody, materials: Materials) {
  const { sides } = materials.panel(panel).piece;
  const way = (...at: RowsSide['at'][]) =>
    sides.filter((side) => at.includes(side.at)).reduce((sum, { path }) => sum + pathLength(path), 0) /
    at.length;
  const [across, up] = [way('bottom', 'top'), way('left', 'right')];
  return upright ? { width: up, height: across } : { width: across, height: up };
}

/** Lays a panel by its rows as a sheet of one piece, drawn as the rectangle it about is. */
export function layRowsSheet(body: RowsBody, materials: Materials, options: SheetOptions): Sheet {
  const half = materials.join() / 2;
  const joined = (side: Side) => (options.joined.includes(side) ? half : 0);
  const { piece, swatch, stitches, rows } = materials.panel(body.panel);
  const bare = rowsSheetSize(body, materials);
  const width = bare.width + joined(LEFT) + joined(RIGHT);
  const height = bare.height + joined(BOTTOM) + joined(TOP);
  const stood = body.upright ? stoodUpright(piece.sides) : { sides: piece.sides, way: asItIs };
  const points = stood.sides.flatMap(({ path }) => path);
  const box = extent(points);
  const [left, low] = [Math.min(...points.map(({ x }) => x)), Math.min(...points.map(({ y }) => y))];
  const placed = (p: Point): Point => {
    const { x, y } = stood.way(p);
    return { x: ((x - left) * width) / box.width, y: ((y - low) * height) / box.height };
  };
  const edges = SIDES.map(([at, side]): Edge => {
    const own = stood.sides.find((one) => one.at === at);
    const length = side === BOTTOM || side === TOP ? width : height;
    return { kind: own?.kind ?? 'row-ends', loops: own?.loops ?? 1, length: mm(length) };
  });
  const laid: Piece = {
    id: options.id,
    name: options.name || 'Panel',
    make: {
      of: 'panel',
      swatch,
      stitches,
      rows,
      rowsRun: body.upright ? 'upright' : 'across',
      panel: body.panel,
      placed: affineOf(placed),
    },
    outline: rectangle(0, 0, width, height),
    edges,
    at: options.at,
    turn: 0,
    cell: { sheet: options.id, row: 0, column: 0 },
  };
  return { width, height, at: options.at, grid: [[laid]] };
}
