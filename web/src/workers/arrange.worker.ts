import {
  type BagDocument,
  type Bound,
  difference,
  leastTwins,
  planOf,
  type ScrapsAnswer,
  type ScrapsAsk,
  type Suggestion,
  seen,
  shortList,
  squaresOf,
  suggestionOf,
  suggestions,
} from '@fennot/core';
import { expose } from 'comlink';
import highsLoader, { type Highs } from 'highs';
import wasm from 'highs/runtime?url';

/** What is proven, and the list with what the proof came upon. */
export interface Proof {
  readonly bound: Bound;
  readonly list: readonly Suggestion[];
}

let solver: Promise<Highs> | undefined;
const highs = () => {
  solver ??= highsLoader({ locateFile: () => wasm });
  return solver;
};

const arranger = {
  /** Good arrangements of a bag, the list anew after each try. */
  async suggest(
    document: BagDocument,
    seed: number,
    onList: (list: readonly Suggestion[]) => void,
  ): Promise<void> {
    for (const list of suggestions(planOf(document).arranging(), seed)) {
      onList(list);
      // Lets a word to stop come through.
      await new Promise((next) => setTimeout(next));
    }
  },
  /**
   * The fewest twins that any arrangement of what there is can have, against the best one known; what the proof comes
   * upon that has fewer is put into the list.
   */
  async least(document: BagDocument, list: readonly Suggestion[]): Promise<Proof> {
    const task = planOf(document).arranging();
    const reached = list[0]?.judged.twins.length ?? 0;
    const bound = await leastTwins(task, reached, highs);
    return { bound, list: bound.found ? shortList(task, [suggestionOf(task, bound.found), ...list]) : list };
  },
  /** Squares out of what is left; `colours` of the yarns, `#rrggbb` by id. */
  async scraps(
    ask: ScrapsAsk,
    colours: Readonly<Record<string, string>>,
    extra: number,
  ): Promise<ScrapsAnswer> {
    const look = new Map(Object.entries(colours).map(([id, colour]) => [id, seen(colour)]));
    const unlike = (p: string, q: string) => {
      const [a, b] = [look.get(p), look.get(q)];
      return a && b ? difference(a, b) : 0;
    };
    return squaresOf(ask, await highs(), unlike, extra);
  },
};
export type Arranger = typeof arranger;

expose(arranger);
