import type { Fabric, WorkedPiece } from '../../fabric/index.ts';
import type { MotifKind, MotifShape, RoundsRange } from '../../motif/index.ts';
import type { Mm } from '../../units/index.ts';

/** A panel by its rows, as a builder sees it. */
export interface RowsPanel {
  readonly piece: WorkedPiece;
  readonly swatch: string;
  /** Stitches of its widest row, and rows. */
  readonly stitches: number;
  readonly rows: number;
}

/**
 * What a builder may ask about sizes and counts. The sizes behind it may be nominal or nudged: that is
 * how ranges are found, so a builder must take every length from here.
 */
export interface Materials {
  /** Only the bag's measures are wanted: a sheet of squares may be laid as one piece. */
  readonly coarse: boolean;
  /** The same with every size as it stands: what is counted from sizes is counted once, however they are nudged. */
  readonly nominal: Materials;
  /** Side of a motif by itself, without joins. */
  motifSide(motif: string, rounds: number): Mm;
  /** Side of a motif with the half joins at both its ends, for nets where every motif is joined all round. */
  joinedSide(motif: string, rounds: number): Mm;
  /** Insertions along one side of a motif. */
  motifLoops(motif: string, rounds: number): number;
  /** Outline and edges of a motif of any shape, by itself. */
  motifShape(motif: string, rounds: number): MotifShape;
  motifKind(motif: string): MotifKind;
  /** How many rounds it can have. */
  motifRounds(motif: string): RoundsRange;
  /** Whether any row of a panel by its rows makes a stitch: if not, there is nothing to ask of it. */
  hasRows(panel: string): boolean;
  /** A panel by its rows, at its size and shape, without joins. */
  panel(panel: string): RowsPanel;
  /**
   * What one join adds between two pieces (a tight one takes: negative). A builder that knows which line it asks for
   * names it: lines may be joined by methods of their own.
   */
  join(line?: string): Mm;
  pitch(swatch: string): Mm;
  rowHeight(swatch: string): Mm;
  /** Insertions one row end of this swatch's stitch takes. */
  rowEndRate(swatch: string): number;
  /** The fabric a swatch is worked in, where that is more than one stitch. */
  fabric(swatch: string): Fabric | undefined;
  /** The swatch a strip is worked in unless the maker says otherwise. */
  stripSwatch(): string;
  /** A square to begin with, when the bag has any. */
  anyMotif(): string | undefined;
}
