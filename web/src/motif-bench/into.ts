import type { RoundInto } from '@fennot/core';

/** How a round goes into the one below, in the maker's words. */
export const INTO_NAMES: Record<Exclude<RoundInto['of'], 'chain'>, string> = {
  ring: 'into the ring',
  gaps: 'into each space',
  each: 'in each stitch',
  arches: 'in arches of chains',
  petals: 'as petals on top',
};

const CORNER = { each: 2, chains: 2 };

/** A round of a way as it is begun with, to be changed. */
export function intoOf(of: RoundInto['of'], shape: number): RoundInto {
  switch (of) {
    case 'ring':
    case 'chain':
      return {
        of: 'ring',
        groups: shape === 0 ? 1 : shape,
        each: shape === 0 ? 12 : 3,
        chains: shape === 0 ? 0 : 2,
      };
    case 'gaps':
      return { of, each: 3, chains: 1, corner: { each: 3, chains: 2 } };
    case 'each':
      return { of, many: 1, spread: 0, corner: CORNER };
    case 'arches':
      return { of, chains: 3, over: 2 };
    case 'petals':
      return { of, petal: ['mid', 'tall', 'mid'], in: 'stitches', over: 2 };
  }
}
