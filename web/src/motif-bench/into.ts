import { isHalf, type MotifKind, type RoundInto, type Terms } from '@fennot/core';

export type Way = RoundInto['of'];

/** How a round goes into the one below, in the maker's words. */
export const INTO_NAMES: Record<Way, string> = {
  ring: 'into the ring',
  chain: 'round a chain',
  gaps: 'into each space',
  each: 'in each stitch',
  arches: 'in arches',
  petals: 'as petals on top',
  written: 'in words of your own',
};

/** The ways there are for a round of a motif. */
export function waysOf(kind: MotifKind, number: number): readonly Way[] {
  const words = isHalf(kind) ? [] : (['written'] as const);
  if (number > 1) return ['gaps', 'each', 'arches', 'petals', ...words];
  return kind === 'rectangle' ? ['chain'] : ['ring', ...words];
}

const CORNER = { each: 2, chains: 2 };

/**
 * A round of a way as it is begun with, to be changed.
 *
 * @param words what is worked in the round until now, in the terms of the maker.
 */
export function intoOf(of: Way, shape: number, words: string, terms: Terms): RoundInto {
  switch (of) {
    case 'ring':
      return {
        of,
        groups: shape === 0 ? 1 : shape,
        each: shape === 0 ? 12 : 3,
        chains: shape === 0 ? 0 : 2,
      };
    case 'chain':
      return { of, each: 3, long: 8, chains: 2 };
    case 'gaps':
      return { of, each: 3, chains: 1, corner: { each: 3, chains: 2 } };
    case 'each':
      return { of, many: 1, spread: 0, corner: CORNER };
    case 'arches':
      return { of, chains: 3, over: 2 };
    case 'petals':
      return { of, petal: ['mid', 'tall', 'mid'], in: 'stitches', over: 2 };
    case 'written':
      return { of, words, terms };
  }
}
