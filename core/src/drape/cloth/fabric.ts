import type { Point } from '../../geometry/index.ts';
import type { Side } from './common-sides.ts';

/** Thickness of crocheted fabric, mm. */
export const THICK = 3;

/** A triangle of fabric: its nodes, and its corners as they lie flat, mm. */
export interface Patch {
  readonly nodes: readonly [number, number, number];
  readonly flat: readonly [Point, Point, Point];
  /** Whether it holds what is in the bag; flap, handles and straps do not. */
  readonly holds: boolean;
}

/** The common side of two patches, and how much they want to lie in one plane: 1 within a piece. */
export interface Crease {
  readonly sides: readonly [Side, Side];
  readonly stiff: number;
}

/** Fabric as it is cut and sewn, and where it lies at first. Lengths in mm. */
export interface Fabric {
  readonly count: number;
  readonly patches: readonly Patch[];
  readonly creases: readonly Crease[];
  /** Three numbers a node. */
  readonly start: Float64Array;
}
