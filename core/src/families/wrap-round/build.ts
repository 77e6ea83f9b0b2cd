import type { BagGraph, Interval } from '../../bag/index.ts';
import { NOTHING, type Point3 } from '../../geometry/index.ts';
import type { Body } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { APART, sew, sheetsToGraph, split, turned } from '../layout/sew.ts';
import {
  BOTTOM,
  LEFT,
  piecesOf,
  RIGHT,
  reversed,
  type Sheet,
  type SheetOptions,
  sheetSide,
  TOP,
} from '../layout/sheet.ts';
import { laySheet } from '../layout/sheet-make.ts';
import { type Section, scaled, wrap, X, Y, Z } from '../layout/wrap.ts';
import { roundBase } from './round-base.ts';
import type { WrapRound } from './schema.ts';

const WEST = scaled(X, -1);
const SOUTH = scaled(Y, -1);
const point = (x: number, y: number, z: number): Point3 => ({ x, y, z });

const closing = (id: string, name: string, a: Interval[], b: Interval[]) => sew('closing', id, name, a, b);

/** Pressed flat: half the way round in front, half behind, the first `skip` mm of the sheet behind. */
function flatTube(sheet: Sheet, skip: number) {
  const half = sheet.width / 2;
  const sections: Section[] = [
    { from: 0, to: skip, face: 'back', start: point(skip - half / 2, 0, 0), u: WEST, v: Y },
    { from: skip, to: skip + half, face: 'front', start: point(-half / 2, 0, 0), u: X, v: Y },
    { from: skip + half, to: sheet.width, face: 'back', start: point(half / 2, 0, 0), u: WEST, v: Y },
  ];
  return wrap(
    piecesOf(sheet),
    'x',
    sections.filter(({ from, to }) => to > from + NOTHING),
  );
}

function tube(params: WrapRound, materials: Materials): BagGraph {
  const { body } = params;
  const row = baseRow(params);
  const options: SheetOptions = { id: 'body', name: '', at: { x: 0, y: 0 }, joined: [LEFT, RIGHT, BOTTOM] };
  const sheet = laySheet(body, materials, { ...options, name: body.of === 'motifs' ? '' : 'Body' });
  const side = closing('side', 'Side seam', sheetSide(sheet, RIGHT), reversed(sheetSide(sheet, LEFT)));
  if (!row) {
    // A side that folds down a column's middle starts the front half a column in.
    // Joined all round, the columns are alike.
    const skip = params.sides === 'columns' && body.of === 'motifs' ? sheet.width / body.columns / 2 : 0;
    const [front, back] = split(turned(sheetSide(sheet, BOTTOM), skip), sheet.width / 2);
    return sheetsToGraph(
      [{ sheet, id: 'body', name: '' }],
      [side, closing('bottom', 'Bottom seam', front, reversed(back))],
      [flatTube(sheet, skip)],
    );
  }

  const square = sheet.width / (2 * row.columns + 2);
  const floor = laySheet(row, materials, {
    id: 'base',
    name: 'Base',
    at: { x: 0, y: -square },
    joined: [LEFT, RIGHT, BOTTOM, TOP],
  });
  const [w, d] = [floor.width, floor.height];
  const [frontWay, rest] = split(sheetSide(sheet, BOTTOM), w);
  const [rightWay, rest2] = split(rest, d);
  const [backWay, leftWay] = split(rest2, w);
  const sections: Section[] = [
    { from: 0, to: w, face: 'front', start: point(-w / 2, 0, d / 2), u: X, v: Y },
    { from: w, to: w + d, face: 'right', start: point(w / 2, 0, d / 2), u: scaled(Z, -1), v: Y },
    { from: w + d, to: 2 * w + d, face: 'back', start: point(w / 2, 0, -d / 2), u: WEST, v: Y },
    { from: 2 * w + d, to: 2 * w + 2 * d, face: 'left', start: point(-w / 2, 0, -d / 2), u: Z, v: Y },
  ];
  const under: Section = {
    from: 0,
    to: w,
    face: 'bottom',
    start: point(-w / 2, 0, d / 2),
    u: X,
    v: Z,
  };
  const joinUnder = (
    id: string,
    name: string,
    way: Interval[],
    edge: typeof LEFT | typeof RIGHT | typeof BOTTOM,
  ) => closing(id, name, way, reversed(sheetSide(floor, edge)));
  return sheetsToGraph(
    [
      { sheet, id: 'body', name: '' },
      { sheet: floor, id: 'base', name: 'Base,' },
    ],
    [
      sew('flat', 'base-front', 'Base to front', frontWay, reversed(sheetSide(floor, TOP))),
      side,
      joinUnder('base-right', 'Base to right side', rightWay, RIGHT),
      joinUnder('base-back', 'Base to back', backWay, BOTTOM),
      joinUnder('base-left', 'Base to left side', leftWay, LEFT),
    ],
    [wrap(piecesOf(sheet), 'x', sections), wrap(piecesOf(floor), 'x', [under])],
  );
}

/** The row of squares a tube stands on, as long as half its columns but one; nothing when it closes along a seam. */
function baseRow({ laid, bottom, body }: WrapRound): Extract<Body, { of: 'motifs' }> | undefined {
  if (laid !== 'tube' || bottom !== 'row' || body.of !== 'motifs') return undefined;
  const { columns } = body;
  return columns >= 4 && columns % 2 === 0 ? { ...body, columns: columns / 2 - 1, rows: 1 } : undefined;
}

/** One sheet, the front above the fold and the back below it, on its head. */
function folded({ body }: WrapRound, materials: Materials): BagGraph {
  const sheet = laySheet(body, materials, {
    id: 'body',
    name: body.of === 'motifs' ? '' : 'Body',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT],
  });
  const half = sheet.height / 2;
  const sections: Section[] = [
    { from: 0, to: half, face: 'back', start: point(-sheet.width / 2, half, 0), u: X, v: SOUTH },
    { from: half, to: sheet.height, face: 'front', start: point(-sheet.width / 2, 0, 0), u: X, v: Y },
  ];
  const [leftFront, leftBack] = split(sheetSide(sheet, LEFT), half);
  const [rightBack, rightFront] = split(sheetSide(sheet, RIGHT), half);
  return sheetsToGraph(
    [{ sheet, id: 'body', name: '' }],
    [
      closing('left', 'Left side seam', leftFront, reversed(leftBack)),
      closing('right', 'Right side seam', rightFront, reversed(rightBack)),
    ],
    [wrap(piecesOf(sheet), 'y', sections)],
  );
}

/** Two equal panels sewn together on three sides. */
function panels({ body }: WrapRound, materials: Materials): BagGraph {
  const joined = [LEFT, RIGHT, BOTTOM] as const;
  const front = laySheet(body, materials, { id: 'front', name: 'Front', at: { x: 0, y: 0 }, joined });
  const at = { x: front.width + APART, y: 0 };
  const back = laySheet(body, materials, { id: 'back', name: 'Back', at, joined });
  const w = front.width;
  const face = (name: 'front' | 'back', sheet: Sheet, u: Point3): Section => ({
    from: sheet.at.x,
    to: sheet.at.x + w,
    face: name,
    start: scaled(u, -w / 2),
    u,
    v: Y,
  });
  return sheetsToGraph(
    [
      { sheet: front, id: 'front', name: 'Front,' },
      { sheet: back, id: 'back', name: 'Back,' },
    ],
    [
      closing('left', 'Left side seam', sheetSide(front, LEFT), reversed(sheetSide(back, RIGHT))),
      closing('bottom', 'Bottom seam', sheetSide(front, BOTTOM), reversed(sheetSide(back, BOTTOM))),
      closing('right', 'Right side seam', sheetSide(front, RIGHT), reversed(sheetSide(back, LEFT))),
    ],
    [
      wrap(piecesOf(front), 'x', [face('front', front, X)]),
      wrap(piecesOf(back), 'x', [face('back', back, WEST)]),
    ],
  );
}

/** Builds the bag graph of a wrap-round bag. */
export function buildWrapRound(params: WrapRound, materials: Materials): BagGraph {
  switch (params.laid) {
    case 'tube':
      return params.base && (params.base.of === 'rows' || materials.motifKind(params.base.motif) === 'disc')
        ? roundBase(params, params.base, materials)
        : tube(params, materials);
    case 'folded':
      return folded(params, materials);
    case 'panels':
      return panels(params, materials);
  }
}
