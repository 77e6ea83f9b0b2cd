import type { TopKind } from '../fabric/index.ts';
import type { Stitch } from '../stitches/index.ts';

/** Yarn in one stitch as a multiple of its pitch: an estimate until a piece has been weighed. */
export const YARN_BY_PITCH: Record<Stitch, number> = { low: 5.5, mid: 7, tall: 9, high: 11.5 };
/** Low stitches, joining insertions and ends that steady hands do in a minute, until a log says better. */
export const STITCHES_A_MINUTE = 18;
export const JOINS_A_MINUTE = 12;
export const ENDS_A_MINUTE = 0.7;

/** A chain takes so many of its pitches: less than a stitch, which is drawn through twice or more. */
export const CHAIN_BY_PITCH = 3.5;

/** What a top of written rows takes, in pitches; a bunch as many unfinished tall stitches as it usually has. */
export const YARN_OF_TOP: Record<TopKind, number> = {
  ...YARN_BY_PITCH,
  slip: 3,
  'yo-slip': 4,
  chain: CHAIN_BY_PITCH,
  bobble: 38,
  popcorn: 43,
  puff: 26,
  cluster: 24,
};

/** How much longer a top takes than a low stitch. */
export const TIME_OF_TOP: Record<TopKind, number> = {
  low: 1,
  mid: 1.1,
  tall: 1.3,
  high: 1.6,
  slip: 0.8,
  'yo-slip': 0.9,
  chain: 0.4,
  bobble: 4,
  popcorn: 4.5,
  puff: 3,
  cluster: 3,
};
