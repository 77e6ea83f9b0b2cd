import { type BagGraph, type Edge, type Interval, type Piece, rectangle } from '../../bag/index.ts';
import { countsToFit, type StripCounts, spreadCounts } from '../../match/strip.ts';
import { mm } from '../../units/index.ts';
import { layFace, pathLength } from '../shared/face.ts';
import type { Materials } from '../shared/materials.ts';
import { APART, sew } from '../shared/sew.ts';
import { BOTTOM, reversed, TOP } from '../shared/sheet.ts';
import { standing, wallAlong } from '../shared/wall.ts';
import { type FacesAndStrip, LEAST, type Strip } from './schema.ts';

/** Size of one row (across) or one stitch (along) of the strip in the direction of its way. */
export const stripUnit = ({ swatch, worked }: Strip, materials: Materials): number =>
  worked === 'across' ? materials.rowHeight(swatch) : materials.pitch(swatch);

/** Depth of the strip, with half a join at either long edge. */
export const stripDepth = ({ swatch, worked, depth }: Strip, materials: Materials): number =>
  depth * (worked === 'across' ? materials.pitch(swatch) : materials.rowHeight(swatch)) + materials.join();

/** Lengths of the sewn sides of a face, mm. */
export const way = ({ face }: Pick<FacesAndStrip, 'face'>, materials: Materials): number[] =>
  layFace(face, materials, { id: 'front', name: 'Front', at: { x: 0, y: 0 } }).sides.map(({ path }) =>
    pathLength(path),
  );

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
  return { ...params, strip: { ...params.strip, length: { by: 'count', count: Math.max(LEAST, total) } } };
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

/** Builds two equal faces with one strip along all of their outline but the opening. */
export function buildFacesAndStrip(params: FacesAndStrip, materials: Materials): BagGraph {
  const front = layFace(params.face, materials, { id: 'front', name: 'Front', at: { x: 0, y: 0 } });
  const w = front.width;
  const back = layFace(params.face, materials, { id: 'back', name: 'Back', at: { x: w + APART, y: 0 } });
  const { total, corners } = stripCounts(params, materials);
  const unit = stripUnit(params.strip, materials);
  const depth = stripDepth(params.strip, materials);
  const length = total * unit;
  const strip: Piece = {
    ...stripPiece(params.strip, total, length, depth, materials),
    at: { x: (2 * w + APART - length) / 2, y: -APART - depth },
  };

  /** Marks along the strip: its start, its corners, its end. */
  const marks = [0, ...corners.map((corner) => corner * unit), length];
  const sewn = front.sides.flatMap(({ name, chain }, i) => {
    const [from = 0, to = length] = [marks[i], marks[i + 1]];
    // The strip's upper edge runs right to left, its lower edge left to right.
    const upper: Interval = { piece: 'strip', edge: TOP, from: length - from, to: length - to };
    const lower: Interval = { piece: 'strip', edge: BOTTOM, from, to };
    // Behind, the same way runs along the back's sides from the other end.
    const behind = reversed(back.sides.at(-1 - i)?.chain ?? []);
    return [
      sew('closing', `front-${i}`, `Front, ${name}`, chain, [upper]),
      sew('closing', `back-${i}`, `Back, ${name}`, behind, [lower]),
    ];
  });
  const bent = wallAlong(strip, front.sides, marks, w, [-depth / 2, depth / 2]);
  return {
    pieces: [...front.pieces, ...back.pieces, strip],
    seams: [...front.seams, ...back.seams, ...sewn.flatMap(({ seams }) => seams)],
    lines: [...front.lines, ...back.lines, ...sewn.map(({ line }) => line)],
    folds: bent.folds,
    facets: [...standing(front, 'front', depth / 2), ...standing(back, 'back', -depth / 2), ...bent.facets],
    rims: 1,
  };
}
