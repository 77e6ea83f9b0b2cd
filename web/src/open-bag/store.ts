import { type BagDocument, edited, keepSame, type Plan } from '@fennot/core';
import { type TemporalState, temporal } from 'zundo';
import { createStore, type StoreApi, useStore } from 'zustand';
import { useSettings } from '../api/queries.ts';
import { handed } from './hand.ts';
import { planFor } from './plans.ts';

/** Makes a changed document out of the one there is. */
export type Change = (document: BagDocument) => BagDocument;

/** Why a change was not made, in a sentence; nothing when it was. */
export type Refusal = string | undefined;

/**
 * A change in motion: a pull, a slide, a colour being looked for. It is one step of undo, or none when it is given
 * up. Every move starts from the document as it was at the beginning.
 */
export interface Gesture {
  move(change: Change): Refusal;
  commit(): void;
  cancel(): void;
}

interface OpenBag {
  readonly document: BagDocument;
  /** The document before the gesture under way. */
  readonly before: BagDocument | undefined;
  /** Changes the document, if what comes of it is a bag; undo takes it back. */
  change(change: Change): Refusal;
  begin(): Gesture;
  /** Puts a state that came from elsewhere on the table, over whatever is under way; undo takes it back. */
  replace(document: BagDocument): void;
  undo(): void;
  redo(): void;
}

export type BagStore = StoreApi<OpenBag> & {
  readonly temporal: StoreApi<TemporalState<Pick<OpenBag, 'document'>>>;
};

/** Steps of undo that are kept. */
const MOST_UNDO = 200;

/** The document without the gesture under way: what is worth keeping. */
export const settled = ({ document, before }: Pick<OpenBag, 'document' | 'before'>): BagDocument =>
  before ?? document;

/**
 * The open plan with its undo history. It never holds a document that cannot be planned or saved.
 *
 * @param tell is told what a change took along: a choice whose line is gone.
 */
export function createBagStore(document: BagDocument, tell: (note: string) => void = () => {}): BagStore {
  /** Ends the gesture under way, whoever holds it. */
  let endGesture = (_keep: boolean) => {};

  const store = createStore<OpenBag>()(
    temporal(
      (set, get) => {
        const put = (change: Change, from: BagDocument): Refusal => {
          const answer = edited(from, change, { plan: planFor });
          if (!answer.ok) return answer.problems[0]?.message ?? 'This cannot be.';
          if (answer.document !== get().document) set({ document: answer.document });
          for (const note of answer.notes) tell(note);
          return undefined;
        };
        return {
          document: keepSame(undefined, document),
          before: undefined,
          change: (change) => {
            endGesture(true);
            return put(change, get().document);
          },
          replace: (next) => {
            endGesture(false);
            put(() => next, get().document);
          },
          begin: () => {
            endGesture(true);
            const before = get().document;
            const { temporal: history } = store;
            history.getState().pause();
            set({ before });
            let over = false;
            const end = (keep: boolean) => {
              if (over) return;
              over = true;
              endGesture = () => {};
              const after = get().document;
              set({ document: keep ? after : before, before: undefined });
              history.getState().resume();
              if (keep && after !== before)
                history.setState(({ pastStates }) => ({
                  pastStates: [...pastStates, { document: before }].slice(-MOST_UNDO),
                  futureStates: [],
                }));
            };
            endGesture = end;
            return {
              move: (change) => (over ? undefined : put(change, before)),
              commit: () => end(true),
              cancel: () => end(false),
            };
          },
          undo: () => {
            endGesture(false);
            store.temporal.getState().undo();
          },
          redo: () => {
            endGesture(false);
            store.temporal.getState().redo();
          },
        };
      },
      {
        limit: MOST_UNDO,
        partialize: ({ document: kept }) => ({ document: kept }),
        equality: (a, b) => a.document === b.document,
      },
    ),
  );
  return store;
}

export const useDocument = (store: BagStore): BagDocument => useStore(store, (state) => state.document);

/** The plan of the document as it stands; every document in a store has one. */
export function usePlan(store: BagStore): Plan {
  const { hand } = useSettings();
  const answer = planFor(useDocument(store));
  if (!answer.ok) throw new Error(answer.problem);
  return handed(answer.plan, hand);
}

/** Undo and redo, and whether there is anything to take back or do again. */
export function useHistory(store: BagStore) {
  const { undo, redo } = store.getState();
  const history = useStore(store.temporal);
  return {
    undo,
    redo,
    canUndo: history.pastStates.length > 0,
    canRedo: history.futureStates.length > 0,
  };
}
