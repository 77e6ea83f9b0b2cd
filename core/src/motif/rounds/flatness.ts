import type { Stitch } from '../../stitches/index.ts';
import { countOf } from './round.ts';
import { heightIn, type NumberedRound } from './work-rounds.ts';

/** How a round without corners lies. */
export interface RoundFlatness {
  readonly round: number;
  readonly lies: 'flat' | 'cups' | 'ruffles';
  /** Stitches that would lie flat there. */
  readonly flat: number;
}

/** Fabric gives: so far off, as a share, a round still lies flat. */
const GIVES = 0.15;
/** Chains side by side that bow out of the way instead of pushing. */
const BOWS = 2;

/**
 * Whether the round part of a motif lies flat, round by round, up to its first corners. The ring opens as wide as the
 * first round needs, but is not less than none: a flat round is one first round long and longer by 2 pi times all heights
 * since. Arches of chains bow behind and are not judged.
 *
 * @param by the stitch of the swatch.
 * @param row height of one of its rows as a multiple of the pitch.
 */
export function roundFlatness(rounds: readonly NumberedRound[], by: Stitch, row: number): RoundFlatness[] {
  const found: RoundFlatness[] = [];
  let flat = 0;
  for (const own of rounds) {
    const { round, tops, number, corners } = own;
    if (corners > 0) break;
    if (round.into.of === 'petals') continue;
    const grows = 2 * Math.PI * heightIn(own, by) * row;
    const many = countOf(tops);
    flat = number === 1 ? Math.max(many, grows) : flat + grows;
    if (tops.unit.some((top) => top.of === 'space' && top.chains >= BOWS)) continue;
    const off = many / flat - 1;
    found.push({
      round: number,
      lies: off > GIVES ? 'ruffles' : off < -GIVES ? 'cups' : 'flat',
      flat: Math.round(flat),
    });
  }
  return found;
}
