import type { BagDocument } from '../document/index.ts';
import { whole } from '../geometry/index.ts';

/** What yarn goes into. */
export const YARN_PARTS = [
  'motifs',
  'panels',
  'tails',
  'edge',
  'straps',
  'closure',
  'cord',
  'joins',
  'swatches',
  'ripping',
] as const;
export type YarnPart = (typeof YARN_PARTS)[number];

/** One use of one yarn: everything a bag takes is such a use, and all sums are sums of these. */
export interface YarnUse {
  readonly part: YarnPart;
  /** What it is for: `Marigold heart, round 3, in 4 of them`. */
  readonly what: string;
  readonly yarn: string;
  /** Stitches; chains, joins and tails are none. */
  readonly stitches: number;
  /** mm */
  readonly length: number;
}

/** What a bag takes of one yarn. */
export interface YarnNeed {
  readonly yarn: string;
  /** mm */
  readonly length: number;
  /** 90 % range, mm. */
  readonly low: number;
  readonly high: number;
  readonly parts: ReadonlyArray<{ readonly part: YarnPart; readonly length: number }>;
  /** The largest first. */
  readonly uses: readonly YarnUse[];
}

/**
 * How far an estimate from gauge and stitch alone is off, as a share, one standard error: how tightly a hand works shows
 * little in its gauge and much in its yarn. It is the same hand in every stitch, so what is off adds up.
 */
const ESTIMATE_ERROR = 0.15;
/** Standard errors of a 90 % range. */
const RANGE = 1.645;

/** What is taken of each yarn, in the bag's order; yarns that nothing is worked in are left out. */
export function yarnNeeds({ yarns }: Pick<BagDocument, 'yarns'>, uses: readonly YarnUse[]): YarnNeed[] {
  return yarns.flatMap(({ id }): YarnNeed[] => {
    const own = uses.filter((use) => use.yarn === id);
    if (own.length === 0) return [];
    const length = lengthOf(own);
    const off = RANGE * ESTIMATE_ERROR * length;
    return [
      {
        yarn: id,
        length,
        low: length - off,
        high: length + off,
        parts: YARN_PARTS.flatMap((part) => {
          const parts = own.filter((use) => use.part === part);
          return parts.length > 0 ? [{ part, length: lengthOf(parts) }] : [];
        }),
        uses: [...own].sort((a, b) => b.length - a.length),
      },
    ];
  });
}

/** Length of some uses together, mm. */
export const lengthOf = (uses: readonly YarnUse[]): number =>
  uses.reduce((sum, { length }) => sum + length, 0);

/** What some uses take of each yarn: stitches and mm, in the order of the bag's yarns. */
export function byColour(
  { yarns }: Pick<BagDocument, 'yarns'>,
  uses: readonly YarnUse[],
): Array<{ readonly yarn: string; readonly stitches: number; readonly length: number }> {
  return yarns.flatMap(({ id }) => {
    const own = uses.filter(({ yarn }) => yarn === id);
    if (own.length === 0) return [];
    return [
      {
        yarn: id,
        stitches: whole(own.reduce((sum, { stitches }) => sum + stitches, 0)),
        length: lengthOf(own),
      },
    ];
  });
}

/** A ball as it is sold. */
export interface Ball {
  readonly grams: number;
  readonly metres: number;
}

/** What a need comes to in balls and grams. */
export interface InBalls {
  readonly grams: number;
  /** Whole balls with which it suffices in 95 cases of 100. */
  readonly balls: number;
  /** Balls it takes by the estimate. */
  readonly taken: number;
}

/** A need in balls: they are bought whole, and so many that the high end of the range is reached. */
export function inBalls(
  { length, high }: Pick<YarnNeed, 'length' | 'high'>,
  { grams, metres }: Ball,
): InBalls {
  const taken = length / 1000 / metres;
  return { grams: taken * grams, balls: Math.ceil(high / 1000 / metres - 1e-9), taken };
}
