import type { BagDocument } from '@fennot/core';
import { createStore } from 'zustand';
import { ApiProblem, AWAY, api, type StoredBag } from '../api/client.ts';
import { dropDraft, keepDraft } from './drafts.ts';
import type { BagStore } from './store.ts';

/** How the open plan stands to the server. */
export type SaveState =
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  | { readonly is: 'waiting' }
  /** Not saved and tried again: the server is away, or says why it cannot. */
  | { readonly is: 'failing'; readonly why: string; readonly kept: boolean }
  /** Changed in another window too. */
  | { readonly is: 'clash'; readonly theirs: StoredBag }
  /** Deleted elsewhere. */
  | { readonly is: 'gone' };

/** Quiet time after an edit before it is sent. */
const PAUSE = 600;
const RETRY_FIRST = 1500;
const RETRY_MOST = 15_000;

/**
 * Sends every change of the open plan to the server, on top of the version it was made from. What has
 * not arrived is kept in the browser; a clash stops sending until it is settled.
 */
export function autosave(store: BagStore, id: string, version: number, savedDocument: BagDocument) {
  const state = createStore<SaveState>(() => ({ is: 'saved' }));
  let basedOn = version;
  let saved = savedDocument;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending = false;
  let retry = RETRY_FIRST;
  let stopped = false;
  let kept = true;

  const put = (next: SaveState) => state.setState(next, true);
  const dirty = () => store.getState().document !== saved;
  const settled = () => ['clash', 'gone'].includes(state.getState().is);
  const plan = (delay: number) => {
    clearTimeout(timer);
    timer = setTimeout(send, delay);
  };

  async function send(): Promise<void> {
    if (sending || stopped || settled() || !dirty()) return;
    sending = true;
    const { document } = store.getState();
    put({ is: 'saving' });
    try {
      const bag = await api.saveBag(id, basedOn, document);
      basedOn = bag.version;
      saved = document;
      retry = RETRY_FIRST;
      if (dirty()) keep();
      else dropDraft(id);
      put(dirty() ? { is: 'waiting' } : { is: 'saved' });
    } catch (error) {
      failed(error);
    } finally {
      sending = false;
      if (dirty() && state.getState().is === 'waiting') plan(PAUSE);
    }
  }

  function failed(error: unknown): void {
    if (error instanceof ApiProblem && error.status === 409 && error.current) {
      put({ is: 'clash', theirs: error.current });
      return;
    }
    if (error instanceof ApiProblem && error.status === 404) {
      put({ is: 'gone' });
      return;
    }
    const why =
      error instanceof ApiProblem
        ? error.status === AWAY
          ? 'The Fennot server does not answer.'
          : error.message
        : 'The server gave an answer that could not be read.';
    put({ is: 'failing', why, kept });
    plan(retry);
    retry = Math.min(RETRY_MOST, retry * 2);
  }

  function keep(): void {
    kept = keepDraft(id, { basedOn, document: store.getState().document, at: Date.now() });
  }

  const unsubscribe = store.subscribe(() => {
    if (settled()) {
      keep();
      return;
    }
    if (!dirty()) {
      // Undone back to what the server has.
      dropDraft(id);
      if (!sending) put({ is: 'saved' });
      return;
    }
    keep();
    if (state.getState().is !== 'failing') put({ is: 'waiting' });
    plan(PAUSE);
  });

  return {
    state,
    /** Sends at once what has not been sent. */
    flush: send,
    /** Goes on from another version, after a clash was settled by taking it. */
    takeOver(bag: StoredBag): void {
      basedOn = bag.version;
      saved = bag.document;
      put({ is: 'saved' });
      store.getState().change(() => bag.document);
      dropDraft(id);
    },
    /** Puts a state on that was found while opening. */
    put,
    stop(): void {
      stopped = true;
      clearTimeout(timer);
      unsubscribe();
    },
  };
}
