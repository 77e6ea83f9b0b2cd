import type { Stitch } from '../../stitches/index.ts';

/** Where in its row's text something stands: from this letter up to, not including, that one. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Which loops of the top a stitch is worked into, or round which side of the post. */
export type Hold = 'both' | 'back' | 'front' | 'front-post' | 'back-post';

/**
 * Several unfinished stitches, or loops, closed as one: however it is done, it stands in one stitch and has one top. A
 * maker's words for them differ in how they look and what they take, not in how they count.
 */
export const BUNCHES = ['bobble', 'puff', 'popcorn', 'cluster'] as const;
export type Bunch = (typeof BUNCHES)[number];

/** What makes a top. */
export type StitchKind = Stitch | 'slip' | 'yo-slip' | Bunch;

/** What a stitch is worked into. */
export type Into =
  | 'stitch'
  /** Under a chain of the row below: the whole chain is used, however long. */
  | 'space'
  /** Where the last one was worked: nothing more is used. */
  | 'same'
  /** The ring a round begins with. */
  | 'ring'
  /** Between two stitches of the row below: nothing of it is used. */
  | 'gap';

/** What is worked there uses nothing of the row below. */
export const usesNothing = (into: Into): boolean => into === 'same' || into === 'ring' || into === 'gap';

/** What a row says to do, one thing after another; every count is a whole number of at least 1. */
export type Instruction = Work | Group | Repeat | Simple;

/** Stitches alike: each takes so many of the row below together, and so many are made there. */
export interface Work {
  readonly do: 'work';
  /** Nothing where only `inc` or `dec` is said: then it is what the row is worked in there. */
  readonly stitch: StitchKind | undefined;
  readonly hold: Hold;
  readonly takes: number;
  readonly makes: number;
  readonly into: Into;
  readonly many: number;
  readonly span: Span;
}

/** Different things in one place: `(dc, ch 1, dc) in next st`. */
export interface Group {
  readonly do: 'group';
  readonly parts: readonly (Work | Simple)[];
  readonly into: Into;
  readonly many: number;
  readonly span: Span;
}

/** How often something is repeated: so often, or until only so many of the row below are left for what comes after. */
export type Times =
  | { readonly of: 'times'; readonly many: number }
  | { readonly of: 'end'; readonly before: number };

export interface Repeat {
  readonly do: 'repeat';
  readonly parts: readonly Instruction[];
  readonly times: Times;
  readonly span: Span;
}

/** Everything that takes or makes no stitch of its own, and chains. */
export type Simple = { readonly span: Span } & (
  | { readonly do: 'chain'; readonly many: number; readonly counts?: boolean }
  | { readonly do: 'skip'; readonly many: number }
  /** The first stitch stands in the one of this number; with new yarn, where it is joined. */
  | { readonly do: 'start'; readonly at: number; readonly joined: boolean; readonly chains: boolean }
  | { readonly do: 'leave'; readonly many: number | 'rest' }
  | { readonly do: 'join' | 'turn' | 'ring' | 'fasten-off' }
  | { readonly do: 'colour'; readonly colour: string }
);

/** Something that is wrong, where it stands in the text of its row, said for the maker. */
export interface Problem {
  readonly span: Span;
  readonly message: string;
}
