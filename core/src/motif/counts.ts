/** Square motifs worked from the centre. */
export const MOTIF_KINDS = ['cluster', 'solid'] as const;
export type MotifKind = (typeof MOTIF_KINDS)[number];

/** What fixes a square motif's counts. */
export interface SquareDefinition {
  readonly kind: MotifKind;
  /** Chains in each corner: 1, 2 or 3. */
  readonly cornerChains: number;
  /** Chains between two clusters along a side: 0 or 1. Solid squares have none. */
  readonly gapChains: number;
}

/**
 * Stitches along one side after `rounds` rounds, without the corner chains.
 *
 * Cluster: round k has k groups of three between two corner spaces, with a gap after each but the last.
 * Solid: three in the first round, and two more at each end of the side (the 2 + chain + 2 corner)
 * in every later one: 3, 7, 11, 15 ...
 */
export function sideStitches(square: SquareDefinition, rounds: number): number {
  return square.kind === 'cluster' ? 3 * rounds + square.gapChains * (rounds - 1) : 3 + 4 * (rounds - 1);
}

/**
 * Loops along one side that a join can take: the side's stitches and, of a corner of two or three
 * chains, the one chain nearest to the side at each end. The middle chain of one or three belongs to the
 * corner itself and is not counted on either side.
 */
export const sideLoops = (square: SquareDefinition, rounds: number): number =>
  sideStitches(square, rounds) + 2 * Math.floor(square.cornerChains / 2);
