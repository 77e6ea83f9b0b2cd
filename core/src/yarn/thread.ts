import type { BagDocument, Swatch } from '../document/index.ts';
import { swatchGauge, usualHeight } from '../fit/index.ts';

/** Share of a stitch's yarn that runs up it: the rest lies along the row. */
const UPRIGHT = 0.5;

/**
 * What one pitch of a swatch counts for where yarn is reckoned in pitches, mm: its own pitch, and as much longer as its rows
 * are higher than is usual for the stitch. Strands are not in it, nor what was learnt of the hand.
 */
export function pitchOf(document: Pick<BagDocument, 'yarns' | 'fabrics'>, swatch: Swatch): number {
  const { pitch, row } = swatchGauge(document, swatch);
  const tallness = row.value / (usualHeight(document, swatch) * pitch.value);
  return pitch.value * (1 + UPRIGHT * (tallness - 1));
}
