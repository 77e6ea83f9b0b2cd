import type { BagGraph, Edge, Facet, Interval, Piece } from '../../bag/index.ts';
import { rectangle } from '../../bag/index.ts';
import { countsToFit, type StripCounts, spreadCounts } from '../../match/strip.ts';
import { mm } from '../../units/index.ts';
import type { Materials } from '../shared/materials.ts';
import { APART, sew } from '../shared/sew.ts';
import {
  BOTTOM,
  innerSeams,
  LEFT,
  layOut,
  piecesOf,
  RIGHT,
  reversed,
  type Sheet,
  type Side,
  sheetSide,
  TOP,
} from '../shared/sheet.ts';
import { type Section, scaled, wrap, X, Y, Z } from '../shared/wrap.ts';
import type { FacesAndStrip, Strip } from './schema.ts';

/** The three sides of the face the strip runs along, in its order: down, across, up. */
const WAY = [
  { edge: LEFT, backEdge: RIGHT, name: 'left side' },
  { edge: BOTTOM, backEdge: BOTTOM, name: 'bottom' },
  { edge: RIGHT, backEdge: LEFT, name: 'right side' },
] as const;

/** Size of one row (across) or one stitch (along) of the strip in the direction of its way. */
export const stripUnit = ({ swatch, worked }: Strip, materials: Materials): number =>
  worked === 'across' ? materials.rowHeight(swatch) : materials.pitch(swatch);

/** Depth of the strip, with half a join at either long edge. */
export const stripDepth = ({ swatch, worked, depth }: Strip, materials: Materials): number =>
  depth * (worked === 'across' ? materials.pitch(swatch) : materials.rowHeight(swatch)) + materials.join();

const faceOptions = (id: string, name: string, x: number) => ({
  id,
  name,
  at: { x, y: 0 },
  joined: [LEFT, BOTTOM, RIGHT] as readonly Side[],
});

/** Lengths of the three sides, mm. */
export function way({ face }: FacesAndStrip, materials: Materials): readonly [number, number, number] {
  const { width, height } = layOut(face, materials, faceOptions('front', 'Front', 0));
  return [height, width, height];
}

/** Rows or stitches of the strip with its corners: as many as it takes, or as the maker says. */
export function stripCounts(params: FacesAndStrip, materials: Materials): StripCounts {
  const sides = way(params, materials);
  const { strip } = params;
  const unit = stripUnit(strip, materials);
  if (strip.length.by === 'count') return spreadCounts(sides, strip.length.count, unit);
  return countsToFit(sides, unit, strip.worked === 'along' ? strip.multiple : undefined);
}

/** Fixes the strip's length as the count it takes now. */
export function settle(params: FacesAndStrip, materials: Materials): FacesAndStrip {
  const { total } = stripCounts(params, materials);
  return { ...params, strip: { ...params.strip, length: { by: 'count', count: Math.max(3, total) } } };
}

function stripPiece(strip: Strip, total: number, length: number, depth: number, materials: Materials): Piece {
  const across = strip.worked === 'across';
  const rows = across ? total : strip.depth;
  const stitches = across ? strip.depth : total;
  const rowEnds = Math.round(rows * materials.rowEndRate(strip.swatch));
  const edge = (kind: Edge['kind'], way: number, loops: number): Edge => ({ kind, length: mm(way), loops });
  return {
    id: 'strip',
    name: 'Strip',
    make: {
      of: 'panel',
      swatch: strip.swatch,
      stitches,
      rows,
      rowsRun: across ? 'upright' : 'across',
    },
    outline: rectangle(0, 0, length, depth),
    edges: across
      ? [
          edge('row-ends', length, rowEnds),
          edge('tops', depth, stitches),
          edge('row-ends', length, rowEnds),
          edge('chain', depth, stitches),
        ]
      : [
          edge('chain', length, stitches),
          edge('row-ends', depth, rowEnds),
          edge('tops', length, stitches),
          edge('row-ends', depth, rowEnds),
        ],
    at: { x: 0, y: 0 },
    turn: 0,
    cell: { sheet: 'strip', row: 0, column: 0 },
  };
}

/** Builds two equal faces with one strip round their left side, bottom and right side. */
export function buildFacesAndStrip(params: FacesAndStrip, materials: Materials): BagGraph {
  const front = layOut(params.face, materials, faceOptions('front', 'Front', 0));
  const [w, h] = [front.width, front.height];
  const back = layOut(params.face, materials, faceOptions('back', 'Back', w + APART));
  const { total, corners } = stripCounts(params, materials);
  const unit = stripUnit(params.strip, materials);
  const depth = stripDepth(params.strip, materials);
  const length = total * unit;
  const strip: Piece = {
    ...stripPiece(params.strip, total, length, depth, materials),
    at: { x: (2 * w + APART - length) / 2, y: -APART - depth },
  };

  /** Marks along the strip: its start, two corners, its end. */
  const marks = [0, ...corners.map((corner) => corner * unit), length];
  const stretch = (i: number) => ({ from: marks[i] ?? 0, to: marks[i + 1] ?? length });
  const sewn = WAY.flatMap(({ edge, backEdge, name }, i) => {
    const { from, to } = stretch(i);
    // The strip's upper edge runs right to left, its lower edge left to right.
    const upper: Interval = { piece: 'strip', edge: TOP, from: length - from, to: length - to };
    const lower: Interval = { piece: 'strip', edge: BOTTOM, from, to };
    const onto = (id: string, title: string, chain: Interval[], own: Interval) =>
      sew('closing', id, title, chain, [own]);
    return [
      onto(`front-${i}`, `Front, ${name}`, sheetSide(front, edge), upper),
      onto(`back-${i}`, `Back, ${name}`, reversed(sheetSide(back, backEdge)), lower),
    ];
  });

  const eased = (direction: Section['u'], side: number, i: number) => {
    const { from, to } = stretch(i);
    return scaled(direction, side / (to - from));
  };
  const net = strip.at.x;
  const section = (i: number, face: Section['face'], u: Section['u'], x: number, y: number): Section => {
    const { from, to } = stretch(i);
    // Wrapping reads v along the net's y, whose zero lies above the strip.
    const z = -depth / 2 - strip.at.y;
    return { from: net + from, to: net + to, face, start: { x, y, z }, u, v: Z };
  };
  const bent = wrap([strip], 'x', [
    section(0, 'left', eased(scaled(Y, -1), h, 0), -w / 2, h),
    section(1, 'bottom', eased(X, w, 1), -w / 2, 0),
    section(2, 'right', eased(Y, h, 2), w / 2, 0),
  ]);
  const face = (sheet: Sheet, name: 'front' | 'back'): Facet[] => {
    const u = name === 'front' ? X : scaled(X, -1);
    const start = { x: (-u.x * w) / 2, y: 0, z: (u.x * depth) / 2 };
    const whole = { from: sheet.at.x, to: sheet.at.x + w, face: name, start, u, v: Y };
    return wrap(piecesOf(sheet), 'x', [whole]).facets;
  };
  const inner = [innerSeams(front, 'front', 'Front,'), innerSeams(back, 'back', 'Back,')];
  return {
    pieces: [...piecesOf(front), ...piecesOf(back), strip],
    seams: [...inner.flatMap(({ seams }) => seams), ...sewn.flatMap(({ seams }) => seams)],
    lines: [...inner.flatMap(({ lines }) => lines), ...sewn.map(({ line }) => line)],
    folds: bent.folds,
    facets: [...face(front, 'front'), ...face(back, 'back'), ...bent.facets],
    rims: 1,
  };
}
