import { z } from 'zod';
import {
  type BagGraph,
  type Edge,
  type Interval,
  type Motion,
  type Piece,
  type Point,
  type Point3,
  rectangle,
} from '../../bag/index.ts';
import { mm } from '../../units/index.ts';
import { each } from '../explore.ts';
import type { Family } from '../family.ts';
import { bend, type HalfPlane, type Region } from '../shared/bend.ts';
import { bodySchema, count } from '../shared/body.ts';
import { bodyControls, bodyOfSize, type Choices, type Control, lift, sizeOf } from '../shared/control.ts';
import type { Materials } from '../shared/materials.ts';
import { APART, type SewnLine, sew, sheetsToGraph, split } from '../shared/sew.ts';
import { BOTTOM, LEFT, layOut, piecesOf, RIGHT, reversed, sheetSide, TOP } from '../shared/sheet.ts';
import { sheetsWithin } from '../shared/sheets-within.ts';

const MOST_TOGETHER = 6;
const MOST_BAND = 60;
const MOST_SLIT = 400;
/** Gap between the gathered end and its band in the net, mm. */
const GAP = APART / 3;

export const gatheredSchema = z.object({
  family: z.literal('gathered'),
  /** The whole piece: front and back end to end, folded at the bottom. */
  body: bodySchema,
  /** Stitches worked together into one of the band. */
  together: count('Stitches together', MOST_TOGETHER, 2),
  band: z.object({ swatch: z.string(), rows: count('Rows of the band', MOST_BAND) }),
  /** Left open at either side below the band, mm. */
  slit: z
    .number('The slit is a length in mm.')
    .min(0, 'A slit cannot be negative.')
    .max(MOST_SLIT, 'A slit cannot be more than 40 cm.'),
});
export type Gathered = z.infer<typeof gatheredSchema>;

/**
 * How a face w wide and `tall` high lies once its end is drawn in to w / g: it keeps its width up to a zone, in
 * which it slopes in from both sides. The slope is as long as the zone is tall, so the zone loses some height.
 */
export function drawnIn(w: number, tall: number, g: number): { zone: number; rise: number } {
  const shift = (w - w / g) / 2;
  const zone = Math.min(0.8 * tall, Math.max(1.15 * shift, 0.25 * tall));
  const rise = Math.max(0.3 * zone, Math.sqrt(Math.max(0, zone * zone - shift * shift)));
  return { zone, rise };
}

/** The inside of a triangle, counter-clockwise. */
function inside(corners: readonly [Point, Point, Point]): HalfPlane[] {
  return corners.map((p, i) => {
    const q = corners[(i + 1) % 3] ?? p;
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    const normal = { x: (q.y - p.y) / length, y: (p.x - q.x) / length };
    return { normal, limit: normal.x * p.x + normal.y * p.y };
  });
}

/** The motion that puts three points of the net at three places. */
function onto(
  [a, b, c]: readonly [Point, Point, Point],
  [A, B, C]: readonly [Point3, Point3, Point3],
): Motion {
  const [bx, by, cx, cy] = [b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y];
  const turn = bx * cy - by * cx;
  const axis = (key: 'x' | 'y' | 'z') => {
    const [p, q] = [B[key] - A[key], C[key] - A[key]];
    const [u, v] = [(p * cy - q * by) / turn, (q * bx - p * cx) / turn];
    return { u, v, o: A[key] - a.x * u - a.y * v };
  };
  const [x, y, depth] = [axis('x'), axis('y'), axis('z')];
  return {
    origin: { x: x.o, y: y.o, z: depth.o },
    u: { x: x.u, y: y.u, z: depth.u },
    v: { x: x.v, y: y.v, z: depth.v },
  };
}

/** One face of the sheet: its straight part, and three triangles that take its end in. */
function faceRegions(face: 'front' | 'back', w: number, tall: number, g: number): Region[] {
  const { zone, rise } = drawnIn(w, tall, g);
  const shoulder = tall - zone;
  const half = w / 2 / g;
  // The back lies below the fold, on its head: net heights are counted from the fold.
  const sign = face === 'front' ? 1 : -1;
  const net = (x: number, up: number): Point => ({ x, y: tall + sign * up });
  const made = (x: number, y: number): Point3 => ({ x, y, z: 0 });
  const region = (
    corners: readonly [Point, Point, Point],
    places: readonly [Point3, Point3, Point3],
  ): Region => {
    const ccw = sign > 0 ? corners : ([corners[0], corners[2], corners[1]] as const);
    return { face, within: inside(ccw), motion: onto(corners, places), holds: ofSheet };
  };
  const ofSheet = (piece: Piece) => piece.cell.sheet === 'body';
  const [bl, bm, br, tl, tr] = [
    net(0, shoulder),
    net(w / 2, shoulder),
    net(w, shoulder),
    net(0, tall),
    net(w, tall),
  ];
  const [BL, BM, BR] = [made(-w / 2, shoulder), made(0, shoulder), made(w / 2, shoulder)];
  const [TL, TR] = [made(-half, shoulder + rise), made(half, shoulder + rise)];
  return [
    {
      face,
      within: [
        { normal: { x: 0, y: sign }, limit: sign * tall + shoulder },
        { normal: { x: 0, y: -sign }, limit: -sign * tall },
      ],
      motion: onto([net(0, 0), br, bl], [made(-w / 2, 0), BR, BL]),
      holds: ofSheet,
    },
    region([bl, bm, tl], [BL, BM, TL]),
    region([bm, tr, tl], [BM, TR, TL]),
    region([bm, br, tr], [BM, BR, TR]),
  ];
}

function bandPiece(
  params: Gathered,
  name: 'front' | 'back',
  w: number,
  length: number,
  loops: number,
  materials: Materials,
): Piece {
  const { swatch, rows } = params.band;
  const [wide, tall] = [w / params.together, rows * materials.rowHeight(swatch)];
  const stitches = Math.max(1, Math.round(loops / params.together));
  const edge = (kind: Edge['kind'], way: number, own: number): Edge => ({
    kind,
    length: mm(way),
    loops: own,
  });
  const ends = edge('row-ends', tall, Math.max(1, Math.round(rows * materials.rowEndRate(swatch))));
  const id = `${name}-band`;
  return {
    id,
    name: name === 'front' ? 'Front band' : 'Back band',
    make: { of: 'panel', swatch, stitches, rows, rowsRun: 'across' },
    outline: rectangle(0, 0, wide, tall),
    edges: [edge('chain', wide, stitches), ends, edge('tops', wide, stitches), ends],
    at: { x: (w - wide) / 2, y: name === 'front' ? length + GAP : -GAP - tall },
    turn: 0,
    cell: { sheet: id, row: 0, column: 0 },
  };
}

/** A piece folded at the bottom whose ends are drawn in onto two bands. */
function build(params: Gathered, materials: Materials): BagGraph {
  const sheet = layOut(params.body, materials, {
    id: 'body',
    name: params.body.of === 'worked' ? 'Body' : '',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT],
  });
  const [w, length] = [sheet.width, sheet.height];
  const tall = length / 2;
  const loops = (side: typeof TOP | typeof BOTTOM) =>
    sheetSide(sheet, side).reduce((sum, { piece, edge }) => {
      const own = piecesOf(sheet).find(({ id }) => id === piece);
      return sum + (own?.edges[edge]?.loops ?? 0);
    }, 0);
  const front = bandPiece(params, 'front', w, length, loops(TOP), materials);
  const back = bandPiece(params, 'back', w, length, loops(BOTTOM), materials);
  const whole = (piece: Piece, edge: number): Interval[] => [
    { piece: piece.id, edge, from: 0, to: piece.edges[edge]?.length ?? 0 },
  ];
  const { zone, rise } = drawnIn(w, tall, params.together);
  const top = tall - zone + rise;
  const bandRegion = (piece: Piece, face: 'front' | 'back'): Region => {
    const sign = face === 'front' ? 1 : -1;
    // The edge that meets the sheet is the band's lower one in front and its upper one behind.
    const root = face === 'front' ? piece.at.y : piece.at.y + (piece.outline[2]?.y ?? 0);
    return {
      face,
      within: [],
      motion: {
        origin: { x: -w / 2, y: top - sign * root, z: 0 },
        u: { x: 1, y: 0, z: 0 },
        v: { x: 0, y: sign, z: 0 },
      },
      holds: ({ id }) => id === piece.id,
    };
  };
  const slit = Math.min(params.slit, 0.9 * tall);
  const [leftFront, leftRest] = split(split(sheetSide(sheet, LEFT), slit)[1], tall - slit);
  const [leftBack] = split(leftRest, tall - slit);
  const [rightBack, rightRest] = split(split(sheetSide(sheet, RIGHT), slit)[1], tall - slit);
  const [rightFront] = split(rightRest, tall - slit);
  const lines: SewnLine[] = [
    sew('grown', 'front-band', 'Front, drawn in', sheetSide(sheet, TOP), reversed(whole(front, BOTTOM))),
    sew('grown', 'back-band', 'Back, drawn in', sheetSide(sheet, BOTTOM), reversed(whole(back, TOP))),
    sew('closing', 'left', 'Left side seam', leftFront, reversed(leftBack)),
    sew('closing', 'right', 'Right side seam', rightFront, reversed(rightBack)),
    // With no slit the bands close to a ring.
    ...(slit === 0
      ? [
          sew(
            'closing',
            'band-left',
            'Left end of the bands',
            whole(front, LEFT),
            reversed(whole(back, LEFT)),
          ),
          sew(
            'closing',
            'band-right',
            'Right end of the bands',
            whole(front, RIGHT),
            reversed(whole(back, RIGHT)),
          ),
        ]
      : []),
  ];
  const bent = bend(
    [...piecesOf(sheet), front, back],
    [
      ...faceRegions('front', w, tall, params.together),
      ...faceRegions('back', w, tall, params.together),
      bandRegion(front, 'front'),
      bandRegion(back, 'back'),
    ],
  );
  const graph = sheetsToGraph([{ sheet, id: 'body', name: '' }], lines, [bent]);
  const netY = (piece: string, p: Point) => (piecesOf(sheet).find(({ id }) => id === piece)?.at.y ?? 0) + p.y;
  return {
    ...graph,
    pieces: [...graph.pieces, front, back],
    // Only the bottom folds; where the end is drawn in nothing is creased.
    folds: graph.folds.filter(({ piece, from, to }) =>
      [from, to].every((p) => Math.abs(netY(piece, p) - tall) < 1e-3),
    ),
  };
}

function controls(params: Gathered, materials: Materials, choices: Choices): Control<Gathered>[] {
  const { width, height } = sizeOf(params.body, materials);
  const body = bodyControls(params.body, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns across',
    rowsLabel: 'Rows of front and back together',
  }).map((control) => lift(control, (next): Gathered => ({ ...params, body: next })));
  return [
    ...body,
    {
      kind: 'count',
      id: 'together',
      label: 'Stitches worked together at the top',
      value: params.together,
      min: 2,
      max: MOST_TOGETHER,
      step: 1,
      hint: 'two together draw the top in to half of its width',
      set: (together) => ({ ...params, together }),
    },
    {
      kind: 'count',
      id: 'band-rows',
      label: 'Rows of the band',
      value: params.band.rows,
      min: 1,
      max: MOST_BAND,
      step: 1,
      set: (rows) => ({ ...params, band: { ...params.band, rows } }),
    },
    {
      kind: 'length',
      id: 'slit',
      label: 'Left open at either side',
      value: params.slit,
      min: 0,
      max: MOST_SLIT,
      step: 5,
      hint: 'below the band; 0 closes the bands to a ring',
      set: (slit) => ({ ...params, slit }),
    },
  ];
}

export const gathered: Family<Gathered> = {
  id: 'gathered',
  name: 'Gathered',
  about: 'One piece folded at the bottom; both ends are drawn in by working stitches together onto a band.',
  drawing: {
    pieces: 'M14 12h44v32H14zM26 4h20v5H26zM26 47h20v5H26z',
    folds: 'M10 28h52M14 12l12 -3M58 12l-12 -3M14 44l12 3M58 44l-12 3',
  },
  deep: false,
  ofMotifs: false,
  build,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    const [swatch] = ranges.strips;
    if (swatch === undefined) return;
    const rows = 4;
    const band = rows * materials.rowHeight(swatch);
    sheetsWithin(ranges, materials, [1, 0], (width, height, squares, make) => {
      each(2, 3, (together) => {
        const { zone, rise } = drawnIn(width, height / 2, together);
        Object.assign(size, { width, height: height / 2 - zone + rise + band, squares });
        if (!offer(size)) return;
        take({ family: 'gathered', body: make(), together, band: { swatch, rows }, slit: 0 });
      });
    });
  },
  begin: ({ width, height }, body, materials) => {
    const swatch = body.of === 'worked' ? body.swatch : materials.stripSwatch();
    const tall = height - 4 * materials.rowHeight(swatch);
    const { zone, rise } = drawnIn(width, tall, 2);
    const size = { width, height: 2 * (tall + zone - rise) };
    return {
      family: 'gathered',
      body: bodyOfSize(size, body, materials),
      together: 2,
      band: { swatch, rows: 4 },
      slit: 0,
    };
  },
};
