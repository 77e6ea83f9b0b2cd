import { type BagDocument, fullSearch, type Progress, search } from '@fennot/core';
import { expose } from 'comlink';

const searcher = {
  /** Searches the whole space, telling how far it is after each family and method. */
  async search(
    document: BagDocument,
    panels: boolean,
    onProgress: (progress: Progress) => void,
  ): Promise<void> {
    for (const progress of search(document, fullSearch(document, panels))) {
      onProgress(progress);
      // Lets a word to stop come through.
      await new Promise((next) => setTimeout(next));
    }
  },
};
export type Searcher = typeof searcher;

expose(searcher);
