import { BUNCHES, type RoundStitch, STITCHES, stitchName, type Terms } from '@fennot/core';

/** What a round can be worked in. */
export const ROUND_STITCHES: readonly RoundStitch[] = [...STITCHES, ...BUNCHES];

/** A stitch's name in full. */
export function nameOfStitch(stitch: RoundStitch, terms: Terms): string {
  const basic = STITCHES.find((one) => one === stitch);
  return basic ? stitchName(basic, terms) : stitch;
}
