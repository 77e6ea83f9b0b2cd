import { type BagGraph, MEASURES, type Measure, measure } from '../bag/index.ts';
import { type Range, range90 } from '../gauge/index.ts';
import type { Asked, MaterialOptions } from './materials-of.ts';
import type { Sized, SizeVariable } from './size-table.ts';

/** A measure of the finished bag with its 90 % range, mm. */
export interface Finished {
  readonly value: number;
  readonly sd: number;
  readonly range: Range;
  /** Which sizes it rests on, the weightiest first, with their share of the variance. */
  readonly because: ReadonlyArray<{ readonly what: Sized; readonly share: number }>;
}

/** How far a size is nudged to see what rests on it, mm. Sizes enter linearly but for the shape of written rows: any step gives the same, or nearly. */
const NUDGE = 0.1;
/** A share of the variance, mm², that nobody would miss. */
const NOTHING = 1e-9;

export interface FinishedSizes {
  readonly sizes: Readonly<Record<Measure, Finished>>;
  /** Every size the bag rests on. */
  readonly rests: readonly SizeVariable[];
  /** How many mm each measure grows when a size does by one. */
  readonly slopes: ReadonlyMap<SizeVariable, Readonly<Record<Measure, number>>>;
}

/**
 * Finished sizes with both kinds of error, for any construction.
 *
 * Each measure M is linear in the sizes x_k it rests on; its slope c_k is found by building the bag again
 * with x_k nudged. For a row of n motifs c is n. The common error moves all n together and the single
 * errors partly cancel: var M = sum of c_k^2 common_k^2 + |c_k| single_k^2.
 *
 * Slopes are found on the coarse bag, whose sheets of squares are one piece each: it measures the same (a property
 * over every family), and so moves the same.
 *
 * @param graph the bag as it is, and `used` the lengths that were asked for to build it.
 * @param build builds it anew, for its measures alone.
 */
export function finishedSizes(
  graph: BagGraph,
  used: ReadonlySet<Asked>,
  build: (options: MaterialOptions) => BagGraph,
): FinishedSizes {
  const nominal = measure(graph);
  const slopes = new Map<SizeVariable, Record<Measure, number>>();
  for (const asked of used) {
    const moved = measure(build({ coarse: true, nudged: { asked, by: NUDGE } }));
    for (const size of asked) {
      const before = slopes.get(size);
      const slope = (what: Measure) => (before?.[what] ?? 0) + (moved[what] - nominal[what]) / NUDGE;
      slopes.set(size, {
        width: slope('width'),
        height: slope('height'),
        depth: slope('depth'),
        opening: slope('opening'),
      });
    }
  }
  const finished = (measured: Measure): Finished => {
    const terms = [...slopes].map(([{ what, common, single }, slope]) => {
      const c = slope[measured];
      return { what, variance: c ** 2 * common ** 2 + Math.abs(c) * single ** 2 };
    });
    const variance = terms.reduce((sum, term) => sum + term.variance, 0);
    const sd = Math.sqrt(variance);
    const value = nominal[measured];
    return {
      value,
      sd,
      range: range90(value, sd),
      because: terms
        .filter((term) => term.variance > NOTHING)
        .map((term) => ({ what: term.what, share: term.variance / variance }))
        .sort((a, b) => b.share - a.share),
    };
  };
  const [width, height, depth, opening] = MEASURES.map(finished);
  if (!width || !height || !depth || !opening) throw new Error('A measure is missing.');
  return { sizes: { width, height, depth, opening }, rests: [...slopes.keys()], slopes };
}
