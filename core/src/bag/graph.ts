import type { Point, Point3 } from '../geometry/index.ts';
import type { Multiple } from '../panel/index.ts';
import type { Mm } from '../units/index.ts';

/** What an edge is made of; it fixes what a join can be worked into and at which rate. */
export const EDGE_KINDS = ['tops', 'chain', 'row-ends', 'round'] as const;
export type EdgeKind = (typeof EDGE_KINDS)[number];

/** One side of a piece, counter-clockwise. */
export interface Edge {
  readonly kind: EdgeKind;
  /** Along the edge, round its bends. */
  readonly length: Mm;
  /** Insertions a join can take along the whole edge. */
  readonly loops: number;
  /** Stretches of the outline it runs along: one when it is straight, more when it is curved. */
  readonly sides?: number;
}

/** From one plane to another, mm: x = a x + c y + e, y = b x + d y + f. */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/** How a piece is made. */
export type Make =
  | { readonly of: 'motif'; readonly motif: string; readonly rounds: number }
  | {
      readonly of: 'panel';
      readonly swatch: string;
      readonly stitches: number;
      readonly rows: number;
      /** Which way the rows run in the piece's own drawing. */
      readonly rowsRun: 'across' | 'upright';
      /** The rows it is worked by, where they are written. */
      readonly panel?: string;
      /** Where a piece by its rows lies in this piece's drawing. */
      readonly placed?: Affine;
      /** Of a strip along its way: what its stitch pattern asks of the count. */
      readonly multiple?: Multiple;
    };

/**
 * A flat piece. Outline and net are in mm, y up; the outline's lower left is at 0, 0. The edges follow one
 * another along the outline from `outline[0]`, each over as many stretches as it has sides.
 */
export interface Piece {
  readonly id: string;
  /** What the maker calls it: `B3`, `Front A1`, `Strip`. */
  readonly name: string;
  readonly make: Make;
  readonly outline: readonly Point[];
  readonly edges: readonly Edge[];
  /** Where the outline's origin lies in the net, and by how much the piece is turned there (radians). */
  readonly at: Point;
  readonly turn: number;
  /** Cell in the sheet the piece belongs to, counted from its upper left; panels sit at 0, 0. */
  readonly cell: { readonly sheet: string; readonly row: number; readonly column: number };
}

/**
 * Part of an edge, in mm from the edge's start. `from` may be larger than `to`: then it is walked
 * against the outline.
 */
export interface Interval {
  readonly piece: string;
  readonly edge: number;
  readonly from: number;
  readonly to: number;
}

/** Two intervals that meet: `a.from` on `b.from`, `a.to` on `b.to`. */
export interface Seam {
  readonly id: string;
  readonly a: Interval;
  readonly b: Interval;
  /**
   * `flat` can be worked while the net lies open, `closing` only after a fold. `grown` takes no joining: one
   * piece, `b`'s, is worked straight out of the other's edge.
   */
  readonly kind: 'flat' | 'closing' | 'grown';
  /** The line of the bag this seam is part of. Seams of one line are named and matched together. */
  readonly line: string;
}

/** A line of seams with its name for words: `Side seam`, `Front, left side`. */
export interface SeamLine {
  readonly id: string;
  readonly name: string;
}

export const FACES = ['front', 'back', 'left', 'right', 'bottom', 'flap', 'handle'] as const;
export type Face = (typeof FACES)[number];

/**
 * A motion of a piece's plane into space: (x, y) goes to origin + x u + y v, and u x v looks out of the
 * right side. u and v are unit vectors at right angles; only where a piece is eased onto a partner of
 * another length is the one along that seam a little longer or shorter.
 */
export interface Motion {
  readonly origin: Point3;
  readonly u: Point3;
  readonly v: Point3;
}

/** A part of a piece between folds, and where it lies when the bag is made up. */
export interface Facet {
  readonly piece: string;
  readonly outline: readonly Point[];
  readonly face: Face;
  readonly motion: Motion;
  /** It is folded away inside, and the bag is sewn across along its border. */
  readonly tucked?: true;
}

/** A fold across a piece, in the piece's own coordinates. */
export interface Fold {
  readonly piece: string;
  readonly from: Point;
  readonly to: Point;
}

/** Rounds of stitches along the opening of the joined bag. */
export interface Edging {
  readonly swatch: string;
  readonly rounds: number;
  /** mm it stands above the rim. */
  readonly height: number;
  /** Share by which its last round is longer than the rim; negative where it draws in. */
  readonly growth: number;
}

/** A strap, from one place of the made-up bag to another. */
export interface Strap {
  readonly name: string;
  readonly from: Point3;
  readonly to: Point3;
  /** mm */
  readonly length: number;
  readonly width: number;
  /** Where its ends are sewn on: one face, or a side each. */
  readonly on: 'front' | 'back' | 'sides';
  /** It hangs behind, for the back to bear, not above the opening. */
  readonly behind: boolean;
  /** Only its beginning is sewn on: the other end hangs free. */
  readonly free?: true;
  /** What it is worked in, where that is chosen. */
  readonly swatch?: string;
}

/** What a way of building brings to be worked as straps: so many alike, with what is counted along each. */
export interface Band {
  readonly name: string;
  readonly many: number;
  readonly swatch: string;
  /** Stitches. */
  readonly wide: number;
  /** mm from end to end, as it hangs. */
  readonly length: number;
  /** Its middle is sewn to the back's rim, over one part in so many of its length. */
  readonly middle?: number;
  /** Button holes along it. */
  readonly holes?: number;
  /** It is sewn into a ring round the bag, and must carry a clasp so high, mm; 0 where there is none. */
  readonly ring?: { readonly clasp: number };
}

/** What is worked onto the bag or hung on it once it is joined. */
export interface Trim {
  readonly edging?: Edging;
  /** A waist drawn in at a height (mm on the made-up bag), by a share of the way round there. */
  readonly waist?: { readonly height: number; readonly draw: number };
  /** Eyelets of a drawstring, along the whole rim. */
  readonly eyelets?: number;
  readonly straps?: readonly Strap[];
  /** The straps among them that come with the way of building, as they are worked. */
  readonly bands?: readonly Band[];
}

/** Extents in mm. */
export interface Extents {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
}

/**
 * A whole bag: what it is made of, what meets what, and how it is folded. Families build it; everything
 * else reads it.
 */
export interface BagGraph {
  readonly pieces: readonly Piece[];
  readonly seams: readonly Seam[];
  readonly lines: readonly SeamLine[];
  readonly folds: readonly Fold[];
  readonly facets: readonly Facet[];
  /** How many closed loops the rim should have. */
  readonly rims: number;
  readonly trim?: Trim;
  /** Corners of the closed bag that are sewn across to give it depth, mm. */
  readonly tucks?: ReadonlyArray<{ readonly name: string; readonly length: number }>;
  /** A ready-made bag that this one is drawn over: its size is the target. */
  readonly covers?: Extents;
}
