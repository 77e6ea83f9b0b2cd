import { z } from 'zod';
import { type Edge, type Interval, type Piece, wholeEdge, wholeLoops } from '../../bag/index.ts';
import { count, idSchema } from '../../fields/index.ts';
import { extent, must, NOTHING, pathLength, rectangle } from '../../geometry/index.ts';
import { countsToFit, type StripCounts, spreadCounts } from '../../match/strip.ts';
import type { Multiple } from '../../panel/index.ts';
import { mm } from '../../units/index.ts';
import { MOST_STITCHES, multipleSchema } from '../layout/body.ts';
import type { FaceSide, LaidFace } from '../layout/laid-face.ts';
import type { Materials } from '../layout/materials.ts';
import { stitchPattern } from '../layout/pattern.ts';
import { type SewnLine, sew, split } from '../layout/sew.ts';
import { BOTTOM, reversed, TOP } from '../layout/sheet.ts';
import { layRowsStrip, type RowsStrip, rowsStripSchema } from './rows-strip.ts';

/** Fewest rows or stitches of a strip: it goes along three sides at least, mostly. */
export const LEAST = 3;

export const workedStripSchema = z.strictObject({
  swatch: idSchema,
  /** `across`: short rows of the depth, many rows. `along`: one long row of the way, a few rows. */
  worked: z.enum(['across', 'along']),
  /** Stitches (across) or rows (along) that make the depth. */
  depth: count('The depth', MOST_STITCHES),
  /** Rows (across) or stitches (along) that make the way round the face. */
  length: z.discriminatedUnion('by', [
    /** Each side as long as it is, to the next whole row at its corner. */
    z.strictObject({ by: z.literal('way') }),
    /** A row for each stitch along the sides, as their stitches take it. */
    z.strictObject({ by: z.literal('loops') }),
    z.strictObject({ by: z.literal('count'), count: count('The strip', MOST_STITCHES, LEAST) }),
  ]),
  multiple: multipleSchema,
});
export type WorkedStrip = z.infer<typeof workedStripSchema>;

/** A strip worked in one swatch, or a panel by its rows. */
export const stripSchema = z.union([workedStripSchema, rowsStripSchema]);
export type Strip = z.infer<typeof stripSchema>;

export const isByRows = (strip: Strip): strip is RowsStrip => 'of' in strip;

/** Size of one row (across) or one stitch (along) of the strip in the direction of its way. */
export const stripUnit = ({ swatch, worked }: WorkedStrip, materials: Materials): number =>
  worked === 'across' ? materials.rowHeight(swatch) : materials.pitch(swatch);

/** Depth of the strip, with half a join at either long edge. */
export const stripDepth = ({ swatch, worked, depth }: WorkedStrip, materials: Materials): number =>
  depth * (worked === 'across' ? materials.pitch(swatch) : materials.rowHeight(swatch)) + materials.join();

/** What its stitch pattern asks of the strip's count. */
export const stripPattern = ({ multiple, swatch }: WorkedStrip, materials: Materials): Multiple =>
  stitchPattern(multiple, swatch, materials);

/** A face a strip goes along: its sewn sides, and the pieces they are of. */
export type AlongFace = Pick<LaidFace, 'sides' | 'pieces'>;

/** Loops of each sewn side of a face. */
const sideLoops = ({ sides, pieces }: AlongFace): number[] => {
  const loops = wholeLoops({ pieces });
  return sides.map(({ chain }) => chain.reduce((sum, interval) => sum + loops(interval), 0));
};

/** Rows or stitches of a strip along some sides, with its corners: as many as it takes, or as the maker says. */
export function countsAlong(strip: Strip, face: AlongFace, materials: Materials): StripCounts {
  const ways = face.sides.map(({ path }) => pathLength(path));
  if (isByRows(strip)) {
    const { count: own, length } = layRowsStrip(strip, materials);
    return spreadCounts(ways, Math.max(ways.length, own), length / own);
  }
  const unit = stripUnit(strip, materials);
  const multiple = strip.worked === 'along' ? stripPattern(strip, materials) : undefined;
  switch (strip.length.by) {
    case 'count':
      // Every side takes a row at least.
      return spreadCounts(ways, Math.max(ways.length, strip.length.count), unit);
    case 'loops': {
      const rate = strip.worked === 'across' ? materials.rowEndRate(strip.swatch) : 1;
      // Counted in what a row end takes, a side is as long as its stitches are many.
      return countsToFit(sideLoops(face), rate, multiple);
    }
    case 'way':
      return countsToFit(ways, unit, multiple);
  }
}

/** The strip with its length fixed as a count. By stitches it is one already, with its corners where they have it. */
export const settledStrip = (strip: Strip, { total }: StripCounts): Strip =>
  isByRows(strip) || strip.length.by === 'loops'
    ? strip
    : { ...strip, length: { by: 'count', count: Math.max(LEAST, total) } };

/** A strip cut to length, with the marks its corners fall on. */
export interface CutStrip {
  readonly piece: Piece;
  readonly depth: number;
  /** It is no rectangle. */
  readonly shaped: boolean;
  /** Its lower edge from left to right, and its upper edge from right to left. */
  readonly lower: readonly Interval[];
  readonly upper: readonly Interval[];
  /** Where along the strip each side begins, and where the last one ends, mm. */
  readonly marks: readonly number[];
}

/** A strip for the sides of a face, its middle at `middle` and its upper edge at `top` in the net. */
export function cutStrip(
  strip: Strip,
  face: AlongFace,
  { middle, top }: { middle: number; top: number },
  materials: Materials,
): CutStrip {
  const { total, corners } = countsAlong(strip, face, materials);
  if (isByRows(strip)) {
    const { piece, length, depth, lower, upper } = layRowsStrip(strip, materials);
    const unit = length / total;
    return {
      piece: { ...piece, at: { x: middle - length / 2, y: top - extent(piece.outline).height } },
      depth,
      shaped: true,
      lower,
      upper,
      marks: [0, ...corners.map((corner) => corner * unit), length],
    };
  }
  const unit = stripUnit(strip, materials);
  const depth = stripDepth(strip, materials);
  const length = total * unit;
  const piece = {
    ...stripPiece(strip, total, length, depth, materials),
    at: { x: middle - length / 2, y: top - depth },
  };
  return {
    piece,
    depth,
    shaped: false,
    lower: [wholeEdge(piece, BOTTOM)],
    upper: [wholeEdge(piece, TOP)],
    marks: [0, ...corners.map((corner) => corner * unit), length],
  };
}

/**
 * Sews a strip to the sides of the front and to the same way behind: `behind[i]` runs as the front's side i does.
 */
export function sewStrip(
  { lower, upper, marks }: CutStrip,
  sides: readonly FaceSide[],
  behind: readonly (readonly Interval[])[],
): SewnLine[] {
  const length = must(marks.at(-1), 'end of the strip');
  return sides.flatMap(({ id, name, chain }, i) => {
    const [from = 0, to = length] = [marks[i], marks[i + 1]];
    // The strip's upper edge is walked right to left, and met from left to right.
    const front = reversed(part(upper, length - to, length - from, length));
    const back = part(lower, from, to, length);
    return [
      sew('closing', `front/${id}`, `Front, ${name}`, chain, front),
      sew('closing', `back/${id}`, `Back, ${name}`, must(behind[i], 'side behind'), back),
    ];
  });
}

/** A long edge of a strip from one place to another, both mm along the strip: of an edge that is longer, its share. */
function part(chain: readonly Interval[], from: number, to: number, length: number): Interval[] {
  const all = chain.reduce((sum, { from: a, to: b }) => sum + Math.abs(b - a), 0);
  const [only] = chain;
  if (only && chain.length === 1 && Math.abs(all - length) < NOTHING) return [{ ...only, from, to }];
  const [, rest] = split(chain, (from / length) * all);
  const [own] = split(rest, ((to - from) / length) * all);
  return own;
}

function stripPiece(
  strip: WorkedStrip,
  total: number,
  length: number,
  depth: number,
  materials: Materials,
): Piece {
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
      ...(across ? {} : { multiple: stripPattern(strip, materials) }),
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
