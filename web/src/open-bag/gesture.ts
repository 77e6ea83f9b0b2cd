import type { BagStore } from './store.ts';

/**
 * Begins a gesture that changes the document many times but is one step of undo. Returns the function
 * that ends it.
 */
export function beginGesture(store: BagStore): () => void {
  const before = store.getState().document;
  store.temporal.getState().pause();
  return () => {
    const after = store.getState().document;
    // Undo must go back to before the gesture, not through every value on the way.
    store.getState().change(() => before);
    store.temporal.getState().resume();
    if (after !== before) store.getState().change(() => after);
  };
}
