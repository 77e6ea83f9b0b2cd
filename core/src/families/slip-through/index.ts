import { z } from 'zod';
import { type BagGraph, chainLength, type Interval } from '../../bag/index.ts';
import { count, idSchema } from '../../fields/index.ts';
import { must } from '../../geometry/index.ts';
import { type Choices, type Control, motifChoice, squaresOfSize } from '../control/control.ts';
import { squareRounds } from '../control/control-kinds.ts';
import { each, eachRounds } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { bend, type Region } from '../layout/bend.ts';
import { MOST_CELLS, MOST_ROUNDS } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, type SewnLine, sew, sheetsToGraph, split } from '../layout/sew.ts';
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
  /** Which sides have a seam: one sheet goes round and closes at one of them, or each face is a sheet of its own. */
  sides: z.enum(['one', 'both']).optional(),
});
export type SlipThrough = z.infer<typeof slipThroughSchema>;

/** The two faces of the body, one sheet or two, with their parts of the outline. */
interface Faces {
  readonly sheets: ReadonlyArray<{ readonly sheet: Sheet; readonly id: string; readonly name: string }>;
  /** Upper sides, from right to left as each lies in the net. */
  readonly front: readonly Interval[];
  readonly back: readonly Interval[];
  readonly sewn: readonly SewnLine[];
  readonly regions: readonly Region[];
}

const holds = (id: string) => (piece: { cell: { sheet: string } }) => piece.cell.sheet === id;

function layFaces({ motif, rounds, columns, rows, sides }: SlipThrough, materials: Materials): Faces {
  const squares = { of: 'motifs', motif, rounds, rows } as const;
  const joined = [LEFT, RIGHT, BOTTOM] as const;
  const lay = (id: string, name: string, many: number, x: number) =>
    layOut({ ...squares, columns: many }, materials, { id, name, at: { x, y: 0 }, joined });
  const region = (face: 'front' | 'back', sheet: string, x: number, within: Region['within']): Region => ({
    face,
    within,
    motion: { origin: { x, y: 0, z: 0 }, u: scaled(X, face === 'front' ? 1 : -1), v: Y },
    holds: holds(sheet),
  });
  if (sides === 'both') {
    const front = lay('front', 'Front', columns, 0);
    const apart = front.width + APART;
    const back = lay('back', 'Back', columns, apart);
    const half = front.width;
    return {
      sheets: [
        { sheet: front, id: 'front', name: 'Front,' },
        { sheet: back, id: 'back', name: 'Back,' },
      ],
      front: sheetSide(front, TOP),
      back: sheetSide(back, TOP),
      // Behind, the sheet lies the other way round: its left side is on the right.
      sewn: [
        sew(
          'closing',
          'left-side',
          'Left side seam',
          sheetSide(back, RIGHT),
          reversed(sheetSide(front, LEFT)),
        ),
        sew(
          'closing',
          'right-side',
          'Right side seam',
          sheetSide(front, RIGHT),
          reversed(sheetSide(back, LEFT)),
        ),
        sew('closing', 'bottom', 'Bottom seam', sheetSide(front, BOTTOM), reversed(sheetSide(back, BOTTOM))),
      ],
      regions: [region('front', 'front', -half / 2, []), region('back', 'back', apart + half / 2, [])],
    };
  }
  const body = lay('body', '', 2 * columns, 0);
  const half = body.width / 2;
  const [frontWay, backWay] = split(sheetSide(body, BOTTOM), half);
  const [behind, before] = split(sheetSide(body, TOP), half);
  return {
    sheets: [{ sheet: body, id: 'body', name: '' }],
    front: before,
    back: behind,
    sewn: [
      sew('closing', 'side', 'Side seam', sheetSide(body, RIGHT), reversed(sheetSide(body, LEFT))),
      sew('closing', 'bottom', 'Bottom seam', frontWay, reversed(backWay)),
    ],
    regions: [
      region('front', 'body', -half / 2, [{ normal: { x: 1, y: 0 }, limit: half }]),
      region('back', 'body', half * 1.5, [{ normal: { x: -1, y: 0 }, limit: -half }]),
    ],
  };
}

/**
 * A wrap-round body whose corner columns run on in front as two handles, one column wide. Each is turned
 * over and its end joined to the same column behind, so a handle stands on both faces and folds at its
 * middle. Handles are as wide as their columns, joins and all: so their corners meet the side's.
 */
function build(params: SlipThrough, materials: Materials): BagGraph {
  const { motif, rounds, columns, short, long } = params;
  const faces = layFaces(params, materials);
  const { height } = must(faces.sheets[0], 'sheet').sheet;
  const half = chainLength(faces.front);
  const column = half / columns;
  const handle = (id: string, name: string, rows: number, x: number): Sheet =>
    layOut({ of: 'motifs', motif, rounds, columns: 1, rows }, materials, {
      id,
      name,
      at: { x, y: height },
      joined: [TOP, BOTTOM, LEFT, RIGHT],
    });
  const left = handle('left-handle', 'Left handle', short, 0);
  const right = handle('right-handle', 'Right handle', long, half - column);

  const turnedOver = (sheet: Sheet, id: string): Region[] => {
    const middle = height + sheet.height / 2;
    const origin = { x: -half / 2, y: 0, z: 0 };
    return [
      {
        face: 'handle',
        within: [{ normal: { x: 0, y: 1 }, limit: middle }],
        motion: { origin, u: X, v: Y },
        holds: holds(id),
      },
      {
        face: 'handle',
        within: [{ normal: { x: 0, y: -1 }, limit: -middle }],
        motion: { origin: { ...origin, y: 2 * middle }, u: X, v: scaled(Y, -1) },
        holds: holds(id),
      },
    ];
  };
  /** The rim of the first column of an upper side, and of its last. */
  const ends = (side: readonly Interval[]) => {
    const [first, others] = split(side, column);
    return { first, last: split(others, half - 2 * column)[1] };
  };
  const [before, behind] = [ends(faces.front), ends(faces.back)];
  const join = (kind: 'flat' | 'closing', id: string, name: string, seat: Interval[], side: Interval[]) =>
    sew(kind, id, name, seat, reversed(side));
  return sheetsToGraph(
    [
      ...faces.sheets,
      { sheet: left, id: 'left-handle', name: 'Left handle,' },
      { sheet: right, id: 'right-handle', name: 'Right handle,' },
    ],
    [
      // Upper sides are walked from right to left: in front the left column comes last, behind it comes first.
      join('flat', 'left-foot', 'Left handle to front', before.last, sheetSide(left, BOTTOM)),
      join('flat', 'right-foot', 'Right handle to front', before.first, sheetSide(right, BOTTOM)),
      ...faces.sewn,
      join('closing', 'left-end', 'Left handle to back', behind.first, sheetSide(left, TOP)),
      join('closing', 'right-end', 'Right handle to back', behind.last, sheetSide(right, TOP)),
    ],
    [
      bend(
        [...faces.sheets.flatMap(({ sheet }) => piecesOf(sheet)), ...piecesOf(left), ...piecesOf(right)],
        [...faces.regions, ...turnedOver(left, 'left-handle'), ...turnedOver(right, 'right-handle')],
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
  const wide = 2 * params.columns * pitch;
  const [w, h] = [params.sides === 'both' ? wide + APART : wide, params.rows * pitch];
  return [
    ...motifChoice(params.motif, choices, (motif) => ({ ...params, motif })),
    ...squareRounds(params, materials, (rounds): SlipThrough => ({ ...params, rounds })),
    {
      kind: 'choice',
      id: 'sides',
      label: 'Side seams',
      value: params.sides ?? 'one',
      options: [
        { value: 'one', label: 'One: a sheet goes round the other side' },
        { value: 'both', label: 'At both sides: each goes on into a handle' },
      ],
      set: (value) =>
        value === (params.sides ?? 'one') ? params : { ...params, sides: value === 'both' ? 'both' : 'one' },
    },
    number('columns', 'Columns of each face', 2, MOST_CELLS / 2, { x: w, y: h * 0.3, axis: 'x' }),
    number('rows', 'Rows of each face', 1, MOST_CELLS, { x: w * 0.75, y: h, axis: 'y' }),
    number('short', 'Squares of the short handle', 1, MOST_HANDLE, {
      x: pitch / 2,
      y: h + params.short * pitch,
      axis: 'y',
    }),
    number('long', 'Squares of the long handle', 1, MOST_HANDLE, {
      x: wide / 2 - pitch / 2,
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
      eachRounds(motif, ranges.rounds, materials, (rounds) => {
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
