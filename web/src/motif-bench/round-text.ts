import { type MotifRound, type NumberedRound, type RoundFlatness, stitchesIn } from '@fennot/core';

/** So many of a thing, by its name for one. */
export const many = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

const petalsOf = (stitches: number, { into }: MotifRound) =>
  into.of === 'petals' ? stitches / into.petal.length : 0;

/** What a round comes to: its stitches, its corners where it has some, and where it stands. */
export function roundText({ tops, corners, onto, number, round }: NumberedRound): string {
  const where = onto === number - 1 || number === 1 ? '' : ` behind the petals, on round ${onto}`;
  const petals =
    round.into.of === 'petals' ? `${many(petalsOf(tops.unit.length * tops.times, round), 'petal')}, ` : '';
  const turned = corners > 0 ? `, ${many(corners, 'corner')}` : '';
  const stitches = stitchesIn(tops);
  return `${petals}${stitches} ${stitches === 1 ? 'stitch' : 'stitches'}${turned}${where}`;
}

/** What is to be said of how a round lies: nothing where it lies flat. */
export const flatnessText = (lies: RoundFlatness | undefined): string =>
  !lies || lies.lies === 'flat' ? '' : `${lies.lies}: about ${lies.flat} would lie flat`;
