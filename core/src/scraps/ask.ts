/** What is to be made of what is left. */
export interface ScrapsAsk {
  /** Squares that are wanted. */
  readonly wanted: number;
  /** Yarn that each round of one square takes, from the heart outwards, mm. */
  readonly need: readonly number[];
  /** What there is of each yarn, mm. */
  readonly yarns: ReadonlyArray<{ readonly id: string; readonly length: number }>;
  /** The last round of all squares alike, in whichever yarn, or in a given one; or free like the others. */
  readonly last: 'alike' | 'free' | { readonly yarn: string };
}

/** Squares out of what is left. */
export interface ScrapSquares {
  /** As many as can be, up to those that are wanted. */
  readonly squares: number;
  /** Colours of the rounds from the heart, and how many squares have them. */
  readonly designs: ReadonlyArray<{ readonly rounds: readonly string[]; readonly many: number }>;
  /** What they take of each yarn, mm. */
  readonly used: ReadonlyMap<string, number>;
}

/** How many squares have each yarn in each round: by round from the heart, then by yarn. */
export type Counts = ReadonlyArray<ReadonlyMap<string, number>>;
