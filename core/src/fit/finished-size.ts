import { type BagGraph, MEASURES, type Measure, measure } from '../bag/index.ts';
import { type Range, range90 } from '../gauge/index.ts';
import type { SizeVariable } from './size-table.ts';

/** A measure of the finished bag with its 90 % range, mm. */
export interface Finished {
  readonly value: number;
  readonly sd: number;
  readonly range: Range;
  /** Which sizes it rests on, the weightiest first, with their share of the variance. */
  readonly because: ReadonlyArray<{ readonly key: string; readonly share: number }>;
}

/** How far a size is nudged to see what rests on it, mm. Sizes enter linearly, so any step gives the same. */
const NUDGE = 0.1;

/** Builds the bag with the given sizes nudged (mm by key), noting the sizes it asks for. */
export type BuildNudged = (nudge: ReadonlyMap<string, number>, used: Set<string>) => BagGraph;

export interface FinishedSizes {
  readonly sizes: Readonly<Record<Measure, Finished>>;
  /** Every size the bag rests on. */
  readonly rests: readonly SizeVariable[];
}

/**
 * Finished sizes with both kinds of error, for any construction.
 *
 * Each measure M is linear in the sizes x_k it rests on; its slope c_k is found by building the bag again
 * with x_k nudged. For a row of n motifs c is n. The common error moves all n together and the single
 * errors partly cancel: var M = sum of c_k^2 common_k^2 + |c_k| single_k^2.
 *
 * @param graph the bag as it is, and `used` the sizes it rests on.
 */
export function finishedSizes(
  graph: BagGraph,
  used: ReadonlySet<string>,
  build: BuildNudged,
  find: (key: string) => SizeVariable,
): FinishedSizes {
  const nominal = measure(graph);
  const slopes = [...used].map((key) => {
    const nudged = measure(build(new Map([[key, NUDGE]]), new Set()));
    return { variable: find(key), nudged };
  });
  const finished = (what: Measure): Finished => {
    const terms = slopes.map(({ variable, nudged }) => {
      const slope = (nudged[what] - nominal[what]) / NUDGE;
      const variance = slope ** 2 * variable.common ** 2 + Math.abs(slope) * variable.single ** 2;
      return { key: variable.key, variance };
    });
    const variance = terms.reduce((sum, term) => sum + term.variance, 0);
    const sd = Math.sqrt(variance);
    const value = nominal[what];
    return {
      value,
      sd,
      range: range90(value, sd),
      because: terms
        .filter((term) => term.variance > 1e-9)
        .map((term) => ({ key: term.key, share: term.variance / variance }))
        .sort((a, b) => b.share - a.share),
    };
  };
  const [width, height, depth, opening] = MEASURES.map(finished);
  if (!width || !height || !depth || !opening) throw new Error('A measure is missing.');
  return { sizes: { width, height, depth, opening }, rests: [...used].map(find) };
}
