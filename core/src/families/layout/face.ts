import { z } from 'zod';
import { type Edge, type Piece, pathOn, wholeEdge } from '../../bag/index.ts';
import { count, idSchema } from '../../fields/index.ts';
import { extent, type Point, pathLength } from '../../geometry/index.ts';
import { isSquare, type MotifKind } from '../../motif/index.ts';
import { mm } from '../../units/index.ts';
import { MOST_ROUNDS, MOST_STITCHES, motifBodySchema, workedBodySchema } from './body.ts';
import { type FaceOptions, type FaceSide, type LaidFace, sideId } from './laid-face.ts';
import type { Materials } from './materials.ts';
import { rowsFace } from './rows-face.ts';
import { BOTTOM, innerSeams, LEFT, layOut, piecesOf, RIGHT, sheetSide, TOP } from './sheet.ts';

export const oneSchema = z
  .strictObject({
    of: z.literal('one'),
    motif: idSchema,
    rounds: count('Rounds', MOST_ROUNDS),
    /** Per cent of a disc's round that no strip takes; other shapes open along their upper side. */
    open: count('The opening', 60, 5),
  })
  .meta({ description: 'One motif of any shape.' });

/** More parts than this are no longer told from a drawn outline. */
export const MOST_PARTS = 8;

const shapedSchema = z
  .strictObject({
    of: z.literal('shaped'),
    swatch: idSchema,
    /** Stitches of the first row. */
    chain: count('The first row', MOST_STITCHES),
    /** From the bottom up: over so many rows to so many stitches, as evenly at both sides. */
    parts: z
      .array(
        z.strictObject({ rows: count('Rows', MOST_STITCHES), stitches: count('Stitches', MOST_STITCHES) }),
      )
      .min(1, 'A shaped panel has at least one part.')
      .max(MOST_PARTS, `A shaped panel has at most ${MOST_PARTS} parts.`),
  })
  .meta({ description: 'A panel that widens and narrows, the same on both sides.' });

export const rowsSchema = z
  .strictObject({
    of: z.literal('rows'),
    panel: idSchema,
    /** Per cent of a round piece that no strip takes; others open along their last row. */
    open: oneSchema.shape.open,
    /** Its rows stand upright: what is its right side as it is worked lies at the bottom. */
    upright: z.literal(true).optional(),
  })
  .meta({ description: 'A panel by its rows.' });

/** What a face may be: squares or a panel in a rectangle, one motif of any shape, a shaped panel, or one by its rows. */
export const faceSchema = z.discriminatedUnion('of', [
  motifBodySchema,
  workedBodySchema,
  oneSchema,
  shapedSchema,
  rowsSchema,
]);
export type FaceMake = z.infer<typeof faceSchema>;
export type ShapedFace = Extract<FaceMake, { of: 'shaped' }>;

/** Lays a face out; its sewn edges take half a join each. */
export function layFace(face: FaceMake, materials: Materials, options: FaceOptions): LaidFace {
  switch (face.of) {
    case 'motifs':
    case 'worked':
      return rectangular(face, materials, options);
    case 'one':
      return isSquare(materials.motifKind(face.motif))
        ? rectangular({ ...face, of: 'motifs', columns: 1, rows: 1 }, materials, options)
        : single(face, materials, options);
    case 'shaped':
      return shaped(face, materials, options);
    case 'rows':
      return rowsFace(face, materials, options);
  }
}

function rectangular(
  body: Extract<FaceMake, { of: 'motifs' | 'worked' }>,
  materials: Materials,
  { id, name, at }: FaceOptions,
): LaidFace {
  const sheet = layOut(body, materials, { id, name, at, joined: [LEFT, BOTTOM, RIGHT] });
  const { width, height } = sheet;
  const corner = (x: number, y: number): Point => ({ x, y });
  return {
    width,
    height,
    at,
    pieces: piecesOf(sheet),
    ...innerSeams(sheet, id, `${name},`),
    sides: [
      {
        name: 'left side',
        id: sideId('left side'),
        chain: sheetSide(sheet, LEFT),
        path: [corner(0, height), corner(0, 0)],
      },
      {
        name: 'bottom',
        id: sideId('bottom'),
        chain: sheetSide(sheet, BOTTOM),
        path: [corner(0, 0), corner(width, 0)],
      },
      {
        name: 'right side',
        id: sideId('right side'),
        chain: sheetSide(sheet, RIGHT),
        path: [corner(width, 0), corner(width, height)],
      },
    ],
    open: sheetSide(sheet, TOP),
  };
}

/** Names of the edges of a motif that are sewn, in their order. */
const SEWN: Record<Exclude<MotifKind, 'cluster' | 'solid'>, readonly string[]> = {
  disc: ['round'],
  'half-disc': ['round'],
  hexagon: ['upper left side', 'lower left side', 'bottom', 'lower right side', 'upper right side'],
  triangle: ['left side', 'right side'],
  rectangle: ['left side', 'bottom', 'right side'],
};

function single(
  face: Extract<FaceMake, { of: 'one' }>,
  materials: Materials,
  { id, name, at }: FaceOptions,
): LaidFace {
  const { motif, rounds } = face;
  const bare = materials.motifShape(motif, rounds);
  const box = extent(bare.outline);
  // The outline moves out by half a join all round.
  const by = 1 + materials.join() / Math.min(box.width, box.height);
  const outline = bare.outline.map(({ x, y }) => ({ x: x * by, y: y * by }));
  const edges = bare.edges.map((edge): Edge => ({ ...edge, length: mm(edge.length * by) }));
  const piece: Piece = {
    id,
    name,
    make: { of: 'motif', motif, rounds },
    outline,
    edges,
    at,
    turn: 0,
    cell: { sheet: id, row: 0, column: 0 },
  };
  const kind = materials.motifKind(motif);
  const names = kind === 'cluster' || kind === 'solid' ? [] : SEWN[kind];
  const share = kind === 'disc' ? face.open / 200 : 0;
  return {
    width: box.width * by,
    height: box.height * by,
    at,
    pieces: [piece],
    seams: [],
    lines: [],
    sides: names.map((side, edge) => {
      const { length = mm(0) } = edges[edge] ?? {};
      const interval = { edge, from: length * share, to: length * (1 - share) };
      return {
        name: side,
        id: sideId(side),
        chain: [{ piece: id, ...interval }],
        path: pathOn(piece, interval),
      };
    }),
    open: kind === 'disc' ? [] : [wholeEdge(piece, edges.length - 1)],
  };
}

/** Outline of a shaped panel by its widths, bottom up, mm: half of it lies left of the middle. */
export function shapedWidths(face: ShapedFace, materials: Materials): Array<{ width: number; y: number }> {
  const [pitch, row] = [materials.pitch(face.swatch), materials.rowHeight(face.swatch)];
  let rows = 0;
  return [
    { width: face.chain * pitch, y: 0 },
    ...face.parts.map((part) => {
      rows += part.rows;
      return { width: part.stitches * pitch, y: rows * row };
    }),
  ];
}

function shaped(face: ShapedFace, materials: Materials, { id, name, at }: FaceOptions): LaidFace {
  const bare = shapedWidths(face, materials);
  const join = materials.join();
  const [widest, tallest] = [Math.max(...bare.map(({ width }) => width)), bare.at(-1)?.y ?? 1];
  const [wider, taller] = [1 + join / widest, 1 + join / 2 / tallest];
  const widths = bare.map(({ width, y }) => ({ width: width * wider, y: y * taller }));
  const middle = (widest * wider) / 2;
  const right = widths.map(({ width, y }): Point => ({ x: middle + width / 2, y }));
  const left = widths.map(({ width, y }): Point => ({ x: middle - width / 2, y })).reverse();
  const rows = face.parts.reduce((sum, part) => sum + part.rows, 0);
  const rowEnds = Math.round(rows * materials.rowEndRate(face.swatch));
  const { chain, parts } = face;
  const edge = (kind: Edge['kind'], loops: number, path: readonly Point[]): Edge => ({
    kind,
    loops,
    length: mm(pathLength(path)),
    ...(path.length > 2 ? { sides: path.length - 1 } : {}),
  });
  const [lowLeft, topLeft] = [left.at(-1), left[0]];
  const [lowRight, topRight] = [right[0], right.at(-1)];
  if (!lowLeft || !topLeft || !lowRight || !topRight) throw new Error('A shaped panel without rows.');
  const piece: Piece = {
    id,
    name,
    make: {
      of: 'panel',
      swatch: face.swatch,
      stitches: Math.max(chain, ...parts.map(({ stitches }) => stitches)),
      rows,
      rowsRun: 'across',
    },
    outline: [...right, ...left],
    edges: [
      edge('row-ends', rowEnds, right),
      edge('tops', parts.at(-1)?.stitches ?? chain, [topRight, topLeft]),
      edge('row-ends', rowEnds, left),
      edge('chain', chain, [lowLeft, lowRight]),
    ],
    at,
    turn: 0,
    cell: { sheet: id, row: 0, column: 0 },
  };
  const side = (title: string, index: number, path: readonly Point[]): FaceSide => ({
    name: title,
    id: sideId(title),
    chain: [wholeEdge(piece, index)],
    path,
  });
  return {
    width: 2 * middle,
    height: tallest * taller,
    at,
    pieces: [piece],
    seams: [],
    lines: [],
    sides: [side('left side', 2, left), side('bottom', 3, [lowLeft, lowRight]), side('right side', 0, right)],
    open: [wholeEdge(piece, 1)],
  };
}
