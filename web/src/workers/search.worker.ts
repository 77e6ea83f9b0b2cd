import { type BagDocument, type FamilyId, fullSearch, type Progress, search } from '@fennot/core';
import { expose } from 'comlink';

const searcher = {
  /** Searches the whole space of the given families, telling how far it is after each family and method. */
  async search(
    document: BagDocument,
    panels: boolean,
    families: readonly FamilyId[],
    onProgress: (progress: Progress) => void,
  ): Promise<void> {
    const whole = fullSearch(document, panels);
    const options = { ...whole, families };
    for (const progress of search(document, options)) {
      onProgress(progress);
      // Lets a word to stop come through.
      await new Promise((next) => setTimeout(next));
    }
  },
};
export type Searcher = typeof searcher;

expose(searcher);
