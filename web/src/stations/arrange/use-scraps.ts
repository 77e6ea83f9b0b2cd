import type { ScrapsAnswer, ScrapsAsk } from '@fennot/core';
import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Arranger } from '../../workers/arrange.worker.ts';

/** So much more of a yarn is tried, mm: about half a small ball. */
export const EXTRA = 50_000;

/** Works scraps out in a worker; the latest question counts. */
export function useScraps() {
  const [answer, setAnswer] = useState<{ readonly key: string; readonly found: ScrapsAnswer }>();
  const [busy, setBusy] = useState(false);
  const [why, setWhy] = useState<string>();
  const worker = useRef<Worker | undefined>(undefined);
  // Held as long as it works: a remote that is collected drops its answers.
  const remote = useRef<Remote<Arranger> | undefined>(undefined);
  useEffect(() => () => worker.current?.terminate(), []);
  const work = (key: string, ask: ScrapsAsk, colours: Record<string, string>): void => {
    worker.current?.terminate();
    const own = new Worker(new URL('../../workers/arrange.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    setBusy(true);
    setWhy(undefined);
    const end = (then: () => void) => {
      if (worker.current !== own) return;
      own.terminate();
      worker.current = undefined;
      remote.current = undefined;
      setBusy(false);
      then();
    };
    own.onerror = () => end(() => setWhy('This could not be loaded. Is the Fennot server there? Try again.'));
    const arranger = wrap<Arranger>(own);
    remote.current = arranger;
    arranger.scraps(ask, colours, EXTRA).then(
      (found) => end(() => setAnswer({ key, found })),
      (error: unknown) =>
        end(() => setWhy(`It broke off: ${error instanceof Error ? error.message : 'unknown fault'}`)),
    );
  };
  return { answer, busy, why, work };
}
