import { LIMITS } from '../../fields/index.ts';
import type { MotifDefinition } from '../counts.ts';
import { makingTrouble } from './making.ts';

/** How many rounds a motif can have, both ends in it. */
export interface RoundsRange {
  readonly from: number;
  readonly to: number;
}

/**
 * Rounds with which a motif has its shape: any number of the kinds; of one's own from the first that has all its corners
 * on; one where nobody knows how it is made: only its size and its loops are told.
 */
export function roundsRange({ making, kind }: Pick<MotifDefinition, 'making' | 'kind'>): RoundsRange {
  if (!making) return { from: 1, to: LIMITS.rounds };
  if (making.of === 'given') return { from: 1, to: 1 };
  const own = making.rounds.length;
  const shaped = Array.from({ length: own }, (_, k) => k + 1).find(
    (rounds) => !makingTrouble(making, rounds, kind),
  );
  return { from: shaped ?? own, to: LIMITS.rounds };
}

/** Rounds of a motif among those that are looked through; its nearest where there are none. */
export function roundsAmong(range: RoundsRange, { from, to }: RoundsRange): RoundsRange {
  const low = Math.min(Math.max(range.from, from), to);
  return { from: low, to: Math.max(low, Math.min(range.to, to)) };
}
