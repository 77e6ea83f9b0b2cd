import type { BagDocument } from '@fennot/core';
import { type TemporalState, temporal } from 'zundo';
import { createStore, type StoreApi, useStore } from 'zustand';

interface OpenBag {
  readonly document: BagDocument;
  /** Replaces the document by a changed one; undo takes it back. */
  change(make: (document: BagDocument) => BagDocument): void;
}

export type BagStore = StoreApi<OpenBag> & {
  readonly temporal: StoreApi<TemporalState<Pick<OpenBag, 'document'>>>;
};

/** Steps of undo that are kept. */
const MOST_UNDO = 200;

/** The open plan with its undo history. */
export const createBagStore = (document: BagDocument): BagStore =>
  createStore<OpenBag>()(
    temporal(
      (set) => ({
        document,
        change: (make) => set((state) => ({ document: make(state.document) })),
      }),
      {
        limit: MOST_UNDO,
        partialize: ({ document: kept }) => ({ document: kept }),
        equality: (a, b) => a.document === b.document,
      },
    ),
  );

export const useDocument = (store: BagStore): BagDocument => useStore(store, (state) => state.document);

/** Undo and redo, and whether there is anything to take back or do again. */
export function useHistory(store: BagStore) {
  const history = useStore(store.temporal);
  return {
    undo: history.undo,
    redo: history.redo,
    canUndo: history.pastStates.length > 0,
    canRedo: history.futureStates.length > 0,
  };
}
