import type { Piece } from '../bag/index.ts';
import { longOf, type MotifDefinition, ownRoundStitches, sideStitches } from '../motif/index.ts';

/** Sides of a motif that its stitches are counted along. */
const SIDES: Record<MotifDefinition['kind'], number> = {
  cluster: 4,
  solid: 4,
  hexagon: 6,
  triangle: 2,
  rectangle: 4,
  disc: 1,
  'half-disc': 1,
};

/** Stitches of one round of a motif, corner chains left out. */
export const roundStitches = (motif: MotifDefinition, round: number): number =>
  motif.making
    ? ownRoundStitches(motif, motif.making, round)
    : SIDES[motif.kind] * sideStitches(motif, round) +
      (motif.kind === 'rectangle' ? 2 * longOf(motif, round) : 0);

/** Stitches of a motif, all rounds together, corner chains left out. */
export function motifStitches(motif: MotifDefinition, rounds: number): number {
  let sum = 0;
  for (let round = 1; round <= rounds; round++) sum += roundStitches(motif, round);
  return sum;
}

/** Stitches of a panel: as many as its outline holds, whatever its shape. */
export function panelStitches(
  { outline, make }: Piece,
  areaOf: (outline: Piece['outline']) => number,
): number {
  if (make.of !== 'panel') return 0;
  const xs = outline.map(({ x }) => x);
  const ys = outline.map(({ y }) => y);
  const box = (Math.max(...xs) - Math.min(...xs)) * (Math.max(...ys) - Math.min(...ys));
  return box > 0 ? (make.stitches * make.rows * areaOf(outline)) / box : 0;
}
