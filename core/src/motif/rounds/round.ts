import type { StitchKind } from '../../fabric/index.ts';
import type { Terms } from '../../stitches/index.ts';

/** What a maker can work a round in: everything that has a top, but what only joins. */
export type RoundStitch = Exclude<StitchKind, 'slip' | 'yo-slip'>;

/** What stands in a corner: so many, chains, and as many again, in one place; without chains so many at once. */
export interface Corner {
  readonly each: number;
  readonly chains: number;
}

/** How a round goes into the round below. */
export type RoundInto =
  /** Groups into the ring, with chains after each. An open one is no round: half a motif, in rows to and fro. */
  | {
      readonly of: 'ring';
      readonly groups: number;
      readonly each: number;
      readonly chains: number;
      readonly open?: true;
    }
  /**
   * Along a chain and back along its other side: two short sides of `each` and two longer by `long`, with a corner's
   * chains after each.
   */
  | { readonly of: 'chain'; readonly each: number; readonly long: number; readonly chains: number }
  /** A group into every space of the round below, with chains between the groups. */
  | {
      readonly of: 'gaps';
      readonly each: number;
      readonly chains: number;
      readonly corner: Corner;
      /** So many spaces of a round become corners: a circle is turned into a square, or a hexagon. */
      readonly turnedInto?: number | undefined;
    }
  /** So many in each stitch and each chain, with increases spread where there are no corners. */
  | {
      readonly of: 'each';
      readonly many: number;
      readonly spread: number;
      /** So many more in the first and in the last stitch of a row. */
      readonly ends?: number | undefined;
      readonly corner: Corner;
      readonly turnedInto?: number | undefined;
    }
  /** One stitch, chains, and so on: an arch over every `over` places. */
  | { readonly of: 'arches'; readonly chains: number; readonly over: number }
  /**
   * Petals: different stitches in one place, in each space or in every `over`th stitch. They lie on the round below; what
   * comes next is worked behind them, on the round they stand on.
   */
  | {
      readonly of: 'petals';
      readonly petal: readonly RoundStitch[];
      readonly in: 'spaces' | 'stitches';
      readonly over: number;
    }
  /** In the maker's own words, one line of shorthand: whatever the other ways cannot say. */
  | { readonly of: 'written'; readonly words: string; readonly terms: Terms };

/** One round of a motif. */
export interface MotifRound {
  readonly stitch: RoundStitch;
  /** Which loops of the round below it takes. */
  readonly hold: 'both' | 'front' | 'back';
  readonly into: RoundInto;
}

/** Something a round leaves to be worked into. */
export type Top =
  | { readonly of: 'stitch'; readonly stitch: RoundStitch; readonly corner: boolean }
  /** A run of chains; none between two groups that stand side by side. */
  | {
      readonly of: 'space';
      readonly chains: number;
      readonly corner: boolean;
      /** One chain of several, that is worked into by itself. */
      readonly single?: true;
    };

/** The tops of a round: those of one repeat, and how often it stands round about. */
export interface Tops {
  readonly unit: readonly Top[];
  readonly times: number;
  /** Half a motif, in rows to and fro: its ends do not meet. */
  readonly open?: true;
}

/** Places of a run of tops that a stitch each can be worked into: a chain is one, too. */
export const placesOf = (tops: readonly Top[]): number =>
  tops.reduce((sum, top) => sum + (top.of === 'stitch' ? 1 : top.chains), 0);

/** Stitches of a whole round; chains are none. */
export const stitchesIn = ({ unit, times }: Tops): number =>
  times * unit.filter(({ of }) => of === 'stitch').length;

/** Stitches and chains of a whole round: what its count in brackets says. */
export const countOf = ({ unit, times }: Tops): number => times * placesOf(unit);

/** The whole round, one repeat after another. */
export const wholeRound = ({ unit, times }: Tops): Top[] => Array.from({ length: times }, () => unit).flat();
