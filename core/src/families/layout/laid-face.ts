import type { Interval, Piece, Seam, SeamLine } from '../../bag/index.ts';
import type { Point } from '../../geometry/index.ts';

/** A part of a face's outline that is sewn, from one corner to the next. */
export interface FaceSide {
  /** What it is called, `upper left side`, and the same as part of a name: `upper-left`. */
  readonly name: string;
  readonly id: string;
  readonly chain: readonly Interval[];
  /** The line it follows, mm from the face's lower left; a curve as many short stretches. */
  readonly path: readonly Point[];
}

/** `upper left side` as part of a name. */
export const sideId = (name: string) => name.replace(/ side$/, '').replaceAll(' ', '-');

/** A face laid in the net. */
export interface LaidFace {
  readonly width: number;
  readonly height: number;
  readonly at: Point;
  readonly pieces: readonly Piece[];
  readonly seams: readonly Seam[];
  readonly lines: readonly SeamLine[];
  /** Everything but the opening, counter-clockwise from the opening's left end. */
  readonly sides: readonly FaceSide[];
  /** The upper side, where it is straight; counter-clockwise. */
  readonly open: readonly Interval[];
}

/** What a face is called and where it lies. */
export interface FaceOptions {
  readonly id: string;
  readonly name: string;
  readonly at: Point;
  /** Seen from its other side: of two that are laid on one another, the back one. */
  readonly mirrored?: boolean;
  /** It hangs by its open side, which is sewn to something straight. */
  readonly hangs?: boolean;
}
