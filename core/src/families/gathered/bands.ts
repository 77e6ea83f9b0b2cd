import { type Edge, type Interval, type Piece, wholeEdge } from '../../bag/index.ts';
import { must, type Point, type Point3, rectangle, whole } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';
import type { Region } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { APART } from '../layout/sew.ts';
import { type DrawnIn, motionTo } from './draw-in.ts';

/** Gap between a gathered edge and its band in the net, mm. */
const GAP = APART / 3;

/** What all bands of a bag are worked in. */
interface Worked {
  readonly swatch: string;
  readonly rows: number;
}

interface BandOptions {
  readonly id: string;
  readonly name: string;
  /** mm along the band, and the stitches it is begun with. */
  readonly length: number;
  readonly stitches: number;
  /** The side of the sheet it is worked onto. */
  readonly beside: 'top' | 'bottom' | 'left' | 'right';
  /** Where the middle of its inner edge lies in the net. */
  readonly middle: Point;
}

/** Edge of a band that is worked onto the sheet, by the side of the sheet it lies at. */
const ROOT = { top: 0, left: 1, bottom: 2, right: 3 } as const;

/** A band laid beside the edge it takes in. */
function bandPiece({ swatch, rows }: Worked, materials: Materials, options: BandOptions): Piece {
  const { id, name, length, stitches, beside, middle } = options;
  const tall = rows * materials.rowHeight(swatch);
  const level = beside === 'top' || beside === 'bottom';
  const edge = (kind: Edge['kind'], way: number, loops: number): Edge => ({ kind, length: mm(way), loops });
  const ends = edge('row-ends', tall, Math.max(1, Math.round(rows * materials.rowEndRate(swatch))));
  const root = ROOT[beside];
  const [wide, high] = level ? [length, tall] : [tall, length];
  const edges = [0, 1, 2, 3].map((side) =>
    side === root
      ? edge('chain', length, stitches)
      : side === (root + 2) % 4
        ? edge('tops', length, stitches)
        : ends,
  );
  const at = {
    top: { x: middle.x - length / 2, y: middle.y + GAP },
    bottom: { x: middle.x - length / 2, y: middle.y - GAP - tall },
    left: { x: middle.x - GAP - tall, y: middle.y - length / 2 },
    right: { x: middle.x + GAP, y: middle.y - length / 2 },
  }[beside];
  return {
    id,
    name,
    make: { of: 'panel', swatch, stitches, rows, rowsRun: level ? 'across' : 'upright' },
    outline: rectangle(0, 0, wide, high),
    edges,
    at,
    turn: 0,
    cell: { sheet: id, row: 0, column: 0 },
  };
}

/** A band with the places it takes on the made-up bag. */
export interface Band {
  readonly piece: Piece;
  readonly regions: readonly Region[];
  /** Its inner edge, walked counter-clockwise round the band. */
  readonly root: Interval;
  /** Its ends, likewise: the one that comes after the root, and the one before it. */
  readonly after: Interval;
  readonly before: Interval;
}

const banded = (piece: Piece, root: number, regions: readonly Region[]): Band => {
  return {
    piece,
    regions,
    root: wholeEdge(piece, root),
    after: wholeEdge(piece, (root + 1) % 4),
    before: wholeEdge(piece, (root + 3) % 4),
  };
};

/** Everything bands need to know of the sheet they take in: it is folded in the middle, at height `tall`. */
export interface Gathering {
  readonly worked: Worked;
  readonly width: number;
  readonly tall: number;
  /** The bands of the two ends. */
  readonly end: BandSize;
  readonly drawn: DrawnIn;
}

/** A band by its counts. */
export interface BandSize {
  readonly stitches: number;
  /** mm in its own gauge. */
  readonly length: number;
}

/** A band that takes in a whole end of so many loops, so many of them together: as long as its stitches are. */
export function bandSize(loops: number, together: number, swatch: string, materials: Materials): BandSize {
  const stitches = Math.max(1, whole(loops / together));
  return { stitches, length: stitches * materials.pitch(swatch) };
}

/**
 * A band that takes in part of a side. Where that ends is a length, not a count, so its own length is left as it comes,
 * within half a stitch of the count: sizes must not jump when a length changes a little.
 */
export function partBandSize(
  loops: number,
  together: number,
  swatch: string,
  materials: Materials,
): BandSize {
  const stitches = loops / together;
  return { stitches: Math.max(1, whole(stitches)), length: stitches * materials.pitch(swatch) };
}

/** The band of the front's or the back's end. */
export function endBand(
  face: 'front' | 'back',
  { worked, width: w, tall, end, drawn }: Gathering,
  materials: Materials,
): Band {
  const front = face === 'front';
  const piece = bandPiece(worked, materials, {
    id: `${face}-band`,
    name: front ? 'Front band' : 'Back band',
    ...end,
    beside: front ? 'top' : 'bottom',
    middle: { x: w / 2, y: front ? 2 * tall : 0 },
  });
  const sign = front ? 1 : -1;
  // The edge that meets the sheet is the band's lower one in front and its upper one behind.
  const root = front ? piece.at.y : piece.at.y + must(piece.outline[2], 'corner').y;
  const region: Region = {
    face,
    within: [],
    motion: {
      origin: { x: -w / 2, y: tall - drawn.zone + drawn.rise - sign * root, z: 0 },
      u: { x: 1, y: 0, z: 0 },
      v: { x: 0, y: sign, z: 0 },
    },
    holds: ({ id }) => id === piece.id,
  };
  return banded(piece, front ? ROOT.top : ROOT.bottom, [region]);
}

/**
 * The band of one side: it runs from the front's corner down to where the side is closed and up to the back's
 * corner, folded in its middle. It stands upright like the end bands, so that its ends meet theirs.
 */
export function sideBand(
  side: 'left' | 'right',
  { worked, width: w, tall, end, drawn: { zone, rise } }: Gathering,
  own: BandSize,
  materials: Materials,
): Band {
  const left = side === 'left';
  const { length } = own;
  const piece = bandPiece(worked, materials, {
    id: `${side}-band`,
    name: left ? 'Left band' : 'Right band',
    ...own,
    beside: side,
    middle: { x: left ? 0 : w, y: tall },
  });
  const band = must(piece.outline[2], 'corner').x;
  const out = left ? -1 : 1;
  const root = (left ? 0 : w) + out * GAP;
  const net = (outward: number, up: number): Point => ({ x: root + out * outward, y: tall + up });
  const made = (x: number, y: number): Point3 => ({ x, y, z: 0 });
  const closed = made((out * w) / 2, tall - zone);
  const corner = made((out * end.length) / 2, tall - zone + rise);
  const above = made(corner.x, corner.y + band);
  const half = (face: 'front' | 'back'): Region => {
    const sign = face === 'front' ? 1 : -1;
    return {
      face,
      within: [{ normal: { x: 0, y: -sign }, limit: -sign * tall }],
      motion: motionTo(
        [net(0, 0), net(0, (sign * length) / 2), net(band, (sign * length) / 2)],
        [closed, corner, above],
      ),
      holds: ({ id }) => id === piece.id,
    };
  };
  return banded(piece, ROOT[side], [half('front'), half('back')]);
}
