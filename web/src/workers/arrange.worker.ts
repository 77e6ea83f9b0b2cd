import { type BagDocument, type Bound, leastTwins, planOf, type Suggestion, suggestions } from '@fennot/core';
import { expose } from 'comlink';
import highsLoader, { type Highs } from 'highs';
import wasm from 'highs/runtime?url';

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
  /** The fewest twins that any arrangement of what there is can have, against the best one known. */
  least: (document: BagDocument, reached: number): Promise<Bound> =>
    leastTwins(planOf(document).arranging(), reached, highs),
};
export type Arranger = typeof arranger;

expose(arranger);
