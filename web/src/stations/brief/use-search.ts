import type { BagDocument, Progress } from '@fennot/core';
import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Searcher } from '../../workers/search.worker.ts';

export type SearchState =
  | { readonly is: 'idle' }
  | { readonly is: 'searching'; readonly progress: Progress | undefined }
  | { readonly is: 'done'; readonly progress: Progress };

/** A search in a worker: begin, watch its answers come, stop. */
export function useSearch() {
  const [state, setState] = useState<SearchState>({ is: 'idle' });
  const worker = useRef<Worker | undefined>(undefined);
  const end = () => {
    worker.current?.terminate();
    worker.current = undefined;
  };
  useEffect(() => () => worker.current?.terminate(), []);
  return {
    state,
    begin(document: BagDocument, panels: boolean): void {
      end();
      setState({ is: 'searching', progress: undefined });
      const own = new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      wrap<Searcher>(own)
        .search(
          document,
          panels,
          proxy((progress: Progress) => {
            if (worker.current === own)
              setState(progress.done ? { is: 'done', progress } : { is: 'searching', progress });
          }),
        )
        .catch(() => setState({ is: 'idle' }));
    },
    stop(): void {
      end();
      setState((now) =>
        now.is === 'searching' && now.progress ? { is: 'done', progress: now.progress } : { is: 'idle' },
      );
    },
  };
}
