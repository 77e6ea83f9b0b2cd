import type { BagDocument } from '../document/index.ts';
import { range90 } from '../gauge/index.ts';
import { groupBy, whole } from '../geometry/index.ts';
import type { Learnt } from './learn.ts';

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

/** What is done at one go in the making of a bag, as far as its yarn goes: an operation of the order of work, or a part of it. */
export interface YarnStep {
  /** Id of the operation. */
  readonly operation:
    | 'swatch'
    | 'pieces'
    | 'flat'
    | 'close'
    | 'waist'
    | 'edge'
    | 'straps'
    | 'closure'
    | 'cord';
  /** `Marigold heart`, `Edge round 3`. */
  readonly what: string;
  /** So many alike are made in it, one after the other. */
  readonly many: number;
  /** The pieces of the bag that are worked in it. */
  readonly pieces: readonly string[];
}

/** One use of one yarn: everything a bag takes is such a use, and all sums are sums of these. */
export interface YarnUse {
  readonly part: YarnPart;
  /** What it is for: `Marigold heart, round 3, in 4 of them`. */
  readonly what: string;
  readonly yarn: string;
  /** Swatch whose stitches they are: joins and tails are of none, and weighing teaches nothing about them. */
  readonly swatch?: string;
  /** Of a motif's rounds all but the last, which frames them. */
  readonly inner?: true;
  /** Stitches; joins and tails are none. */
  readonly stitches: number;
  /** mm */
  readonly length: number;
  readonly step: YarnStep;
}

/** Uses of one yarn that are called alike, together. */
export type NamedUse = Pick<YarnUse, 'part' | 'what' | 'length'>;

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
  readonly uses: readonly NamedUse[];
}

/** Yarn of joins and tails is off by this share, one standard error: it goes by the maker's habits, not by stitches. */
const HABIT_ERROR = 0.15;
/** However much has been weighed, what is worked next differs from it by this share, one standard error. */
const NEXT_ERROR = 0.02;

/** What is taken of each yarn, in the bag's order; yarns that nothing is worked in are left out. */
export function yarnNeeds(
  { yarns }: Pick<BagDocument, 'yarns'>,
  uses: readonly YarnUse[],
  known: Pick<Learnt, 'factors' | 'together'>,
): YarnNeed[] {
  return yarns.flatMap(({ id }): YarnNeed[] => {
    const own = uses.filter((use) => use.yarn === id);
    if (own.length === 0) return [];
    const length = lengthOf(own);
    return [
      {
        yarn: id,
        length,
        ...range90(length, errorOf(own, known)),
        parts: YARN_PARTS.flatMap((part) => {
          const parts = own.filter((use) => use.part === part);
          return parts.length > 0 ? [{ part, length: lengthOf(parts) }] : [];
        }),
        uses: named(own),
      },
    ];
  });
}

/**
 * How far the sum of some uses of one yarn is off, one standard error, mm. Stitches of one swatch are off alike, and those of
 * two as far as the hand is the same in both.
 */
export function errorOf(
  uses: readonly YarnUse[],
  { factors, together }: Pick<Learnt, 'factors' | 'together'>,
): number {
  const worked = new Map<string, number>();
  let [habit, stitches] = [0, 0];
  for (const { swatch, length } of uses)
    if (swatch === undefined) habit += length;
    else {
      worked.set(swatch, (worked.get(swatch) ?? 0) + length);
      stitches += length;
    }
  let variance = (HABIT_ERROR * habit) ** 2 + (NEXT_ERROR * stitches) ** 2;
  for (const [a, inA] of worked)
    for (const [b, inB] of worked) {
      const usual = (inA * inB) / ((factors.get(a) ?? 1) * (factors.get(b) ?? 1));
      variance += usual * (together.get(a)?.get(b) ?? 0);
    }
  return Math.sqrt(Math.max(0, variance));
}

/** Uses with those of one name added up, the largest first. */
const named = (uses: readonly YarnUse[]): NamedUse[] =>
  [...groupBy(uses, ({ part, what }) => `${part} ${what}`).values()]
    .flatMap((alike) =>
      alike[0] ? [{ part: alike[0].part, what: alike[0].what, length: lengthOf(alike) }] : [],
    )
    .sort((a, b) => b.length - a.length);

/** Length of some uses together, mm. */
export const lengthOf = (uses: readonly Pick<YarnUse, 'length'>[]): number =>
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
