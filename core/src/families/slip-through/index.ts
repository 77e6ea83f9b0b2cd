import { z } from 'zod';
import type { BagGraph, Motion } from '../../bag/index.ts';
import { count, idSchema } from '../../fields/index.ts';
import { must } from '../../geometry/index.ts';
import { type Choices, type Control, motifChoice, squaresOfSize } from '../control/control.ts';
import { each } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { bend, type Region } from '../layout/bend.ts';
import { MOST_CELLS, MOST_ROUNDS } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { sew, sheetsToGraph, split } from '../layout/sew.ts';
import {
  BOTTOM,
  LEFT,
  layOut,
  piecesOf,
  RIGHT,
  reversed,
  type Sheet,
  sheetSide,
  TOP,
} from '../layout/sheet.ts';
import { scaled, X, Y } from '../layout/wrap.ts';

const MOST_HANDLE = 12;

export const slipThroughSchema = z.strictObject({
  family: z.literal('slip-through'),
  motif: idSchema,
  rounds: count('Rounds', MOST_ROUNDS),
  /** Columns of one face; as many again lie behind. */
  columns: count('Columns', MOST_CELLS / 2, 2),
  rows: count('Rows', MOST_CELLS),
  /** Squares of the two handles; the longer slips through the shorter. */
  short: count('The short handle', MOST_HANDLE),
  long: count('The long handle', MOST_HANDLE),
});
export type SlipThrough = z.infer<typeof slipThroughSchema>;

/**
 * A wrap-round body whose corner columns run on in front as two handles, one square wide. Each is turned
 * over and its end joined to the same column behind, so a handle stands on both faces and folds at its
 * middle.
 */
function build(params: SlipThrough, materials: Materials): BagGraph {
  const { motif, rounds, columns, rows } = params;
  const squares = { of: 'motifs', motif, rounds } as const;
  const body = layOut({ ...squares, columns: 2 * columns, rows }, materials, {
    id: 'body',
    name: '',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT, BOTTOM],
  });
  const half = body.width / 2;
  const handle = (id: string, name: string, length: number, x: number): Sheet =>
    layOut({ ...squares, columns: 1, rows: length }, materials, {
      id,
      name,
      at: { x, y: body.height },
      joined: [TOP, BOTTOM],
    });
  const wide = handle('probe', '', 1, 0).width;
  // Handles stand in the middle of the corner columns, which carry half a join more on either side.
  const column = half / columns;
  const left = handle('left-handle', 'Left handle', params.short, (column - wide) / 2);
  const right = handle('right-handle', 'Right handle', params.long, half - (column + wide) / 2);

  const still: Motion = { origin: { x: -half / 2, y: 0, z: 0 }, u: X, v: Y };
  const behind: Motion = { origin: { x: half * 1.5, y: 0, z: 0 }, u: scaled(X, -1), v: Y };
  const holds = (id: string) => (piece: { cell: { sheet: string } }) => piece.cell.sheet === id;
  const front = { normal: { x: 1, y: 0 }, limit: half };
  const back = { normal: { x: -1, y: 0 }, limit: -half };
  const turnedOver = (sheet: Sheet, id: string): Region[] => {
    const middle = body.height + sheet.height / 2;
    const over: Motion = {
      origin: { x: -half / 2, y: 2 * middle, z: 0 },
      u: X,
      v: scaled(Y, -1),
    };
    return [
      {
        face: 'handle',
        within: [{ normal: { x: 0, y: 1 }, limit: middle }],
        motion: still,
        holds: holds(id),
      },
      {
        face: 'handle',
        within: [{ normal: { x: 0, y: -1 }, limit: -middle }],
        motion: over,
        holds: holds(id),
      },
    ];
  };
  const [frontWay, backWay] = split(sheetSide(body, BOTTOM), half);
  const rim = sheetSide(body, TOP);
  /** The middle of the rim of one column, as wide as a handle; columns count round the bag. */
  const seat = (index: number) => {
    const right = (index + 0.5) * column + wide / 2;
    // The rim is walked from its right end.
    const [, from] = split(rim, body.width - right);
    return split(from, wide)[0];
  };
  const last = columns - 1;
  return sheetsToGraph(
    [
      { sheet: body, id: 'body', name: '' },
      { sheet: left, id: 'left-handle', name: 'Left handle,' },
      { sheet: right, id: 'right-handle', name: 'Right handle,' },
    ],
    [
      sew('flat', 'left-foot', 'Left handle to front', seat(0), reversed(sheetSide(left, BOTTOM))),
      sew('flat', 'right-foot', 'Right handle to front', seat(last), reversed(sheetSide(right, BOTTOM))),
      sew('closing', 'side', 'Side seam', sheetSide(body, RIGHT), reversed(sheetSide(body, LEFT))),
      sew('closing', 'bottom', 'Bottom seam', frontWay, reversed(backWay)),
      sew(
        'closing',
        'left-end',
        'Left handle to back',
        seat(2 * columns - 1),
        reversed(sheetSide(left, TOP)),
      ),
      sew('closing', 'right-end', 'Right handle to back', seat(columns), reversed(sheetSide(right, TOP))),
    ],
    [
      bend(
        [...piecesOf(body), ...piecesOf(left), ...piecesOf(right)],
        [
          { face: 'front', within: [front], motion: still, holds: holds('body') },
          { face: 'back', within: [back], motion: behind, holds: holds('body') },
          ...turnedOver(left, 'left-handle'),
          ...turnedOver(right, 'right-handle'),
        ],
      ),
    ],
    // The mouth between the handles, and the outer edge of each.
    3,
  );
}

function controls(params: SlipThrough, materials: Materials, choices: Choices): Control<SlipThrough>[] {
  const pitch = materials.motifSide(params.motif, params.rounds) + materials.join();
  const number = (
    id: 'rounds' | 'columns' | 'rows' | 'short' | 'long',
    label: string,
    min: number,
    max: number,
    grip?: { x: number; y: number; axis: 'x' | 'y' },
  ): Control<SlipThrough> => ({
    kind: 'count',
    id,
    label,
    value: params[id],
    min,
    max,
    step: 1,
    grip: grip && {
      at: { x: grip.x, y: grip.y },
      axis: grip.axis,
      perStep: pitch * (id === 'columns' ? 2 : 1),
    },
    set: (value) => ({ ...params, [id]: value }),
  });
  const [w, h] = [2 * params.columns * pitch, params.rows * pitch];
  return [
    ...motifChoice(params.motif, choices, (motif) => ({ ...params, motif })),
    number('rounds', 'Rounds in each square', 1, MOST_ROUNDS),
    number('columns', 'Columns of each face', 2, MOST_CELLS / 2, { x: w, y: h * 0.3, axis: 'x' }),
    number('rows', 'Rows of each face', 1, MOST_CELLS, { x: w * 0.75, y: h, axis: 'y' }),
    number('short', 'Squares of the short handle', 1, MOST_HANDLE, {
      x: pitch / 2,
      y: h + params.short * pitch,
      axis: 'y',
    }),
    number('long', 'Squares of the long handle', 1, MOST_HANDLE, {
      x: w / 2 - pitch / 2,
      y: h + params.long * pitch,
      axis: 'y',
    }),
  ];
}

export const slipThrough = defineFamily(slipThroughSchema)({
  name: 'Slip-through handles',
  about:
    'A body of squares whose corner columns run on as two handles; the longer slips through the shorter.',
  drawing: {
    pieces: 'M6 30h60v22H6zM21 30v22M36 30v22M51 30v22M6 30V18h14v12M22 30V6h14v24',
    folds: 'M36 28v26M4 24h18M20 17h18',
  },
  deep: false,
  ofMotifs: true,
  build,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    const join = materials.join();
    for (const motif of ranges.motifs) {
      each(ranges.rounds.from, ranges.rounds.to, (rounds) => {
        const side = materials.motifSide(motif, rounds);
        each(2, ranges.squares, (columns) => {
          each(1, ranges.squares, (rows) => {
            // Handles long enough to go over an arm, and over a hand.
            const [short, long] = [2, 4];
            size.width = columns * (side + join);
            size.height = rows * side + (rows - 0.5) * join;
            size.squares = 2 * columns * rows + short + long;
            if (offer(size)) take({ family: 'slip-through', motif, rounds, columns, rows, short, long });
          });
        });
      });
    }
  },
  begin: ({ width, height }, body, materials) => {
    const motif = body.of === 'motifs' ? body.motif : must(materials.anyMotif(), 'square');
    const made = squaresOfSize({ width, height }, motif, materials);
    const { rounds, columns, rows } = made;
    const across = Math.min(MOST_CELLS / 2, Math.max(2, columns));
    return { family: 'slip-through', motif, rounds, columns: across, rows, short: 2, long: 4 };
  },
});
