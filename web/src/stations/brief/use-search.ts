import type { BagDocument, FamilyId, Progress } from '@fennot/core';
import { proxy, type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Searcher } from '../../workers/search.worker.ts';

export type SearchState =
  | { readonly is: 'idle' }
  | { readonly is: 'searching'; readonly progress: Progress | undefined }
  | { readonly is: 'done'; readonly progress: Progress }
  /** It could not be done, and why. */
  | { readonly is: 'failed'; readonly why: string };

/** A search in a worker: begin, watch its answers come, stop. */
export function useSearch() {
  const [state, setState] = useState<SearchState>({ is: 'idle' });
  const worker = useRef<Worker | undefined>(undefined);
  // Held as long as the search lasts: a remote that is collected drops its answers.
  const searcher = useRef<Remote<Searcher> | undefined>(undefined);
  const end = () => {
    worker.current?.terminate();
    worker.current = undefined;
    searcher.current = undefined;
  };
  useEffect(() => () => worker.current?.terminate(), []);
  return {
    state,
    begin(document: BagDocument, panels: boolean, families: readonly FamilyId[]): void {
      end();
      setState({ is: 'searching', progress: undefined });
      const own = new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      const failed = (why: string) => {
        if (worker.current !== own) return;
        end();
        setState({ is: 'failed', why });
      };
      // A worker that cannot be loaded says nothing of itself but this.
      own.onerror = () => failed('The search could not be loaded. Is the Fennot server there? Try again.');
      searcher.current = wrap<Searcher>(own);
      searcher.current
        .search(
          document,
          panels,
          families,
          proxy((progress: Progress) => {
            if (worker.current === own)
              setState(progress.done ? { is: 'done', progress } : { is: 'searching', progress });
          }),
        )
        .catch((error: unknown) =>
          failed(`The search broke off: ${error instanceof Error ? error.message : 'unknown fault'}`),
        );
    },
    stop(): void {
      end();
      setState((now) =>
        now.is === 'searching' && now.progress ? { is: 'done', progress: now.progress } : { is: 'idle' },
      );
    },
  };
}
