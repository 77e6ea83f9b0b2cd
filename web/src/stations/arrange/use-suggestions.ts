import { type BagDocument, type Bound, type Suggestion, USUAL_WEIGHTS } from '@fennot/core';
import { proxy, type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Arranger } from '../../workers/arrange.worker.ts';

/** What is suggested, and for which bag. */
export interface Suggested {
  readonly list: readonly Suggestion[];
  readonly busy: boolean;
  /** The fewest twins, once it is known. */
  readonly bound: Bound | undefined;
  readonly why: string | undefined;
}

const NOTHING: Suggested = { list: [], busy: false, bound: undefined, why: undefined };

/** All that a suggestion rests on: with the same key the same ones are good. */
export const askedFor = ({
  arrangement,
  motifs,
  construction,
  features,
  joins,
  swatches,
  yarns,
}: BagDocument) =>
  JSON.stringify([
    // What lies unlocked may be moved: it says how many of each there are, and no more.
    Object.entries(arrangement?.cells ?? {}).filter(([, { locked }]) => locked),
    arrangement?.stock ?? [],
    arrangement?.weights ?? USUAL_WEIGHTS,
    motifs,
    construction,
    features ?? {},
    joins.method,
    swatches,
    yarns,
  ]);

/** Suggestions of a worker: begin, watch them come, and the proof after them; whatever they rest on changes, they go. */
export function useSuggestions(document: BagDocument) {
  const key = askedFor(document);
  const [state, setState] = useState<{ readonly key: string; readonly is: Suggested }>({ key, is: NOTHING });
  const worker = useRef<Worker | undefined>(undefined);
  // Held as long as it works: a remote that is collected drops its answers.
  const remote = useRef<Remote<Arranger> | undefined>(undefined);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    remote.current = undefined;
  }, []);
  useEffect(() => end, [end]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is suggested for another bag is stopped
  useEffect(() => end, [key, end]);

  const begin = (seed: number): void => {
    end();
    const own = new Worker(new URL('../../workers/arrange.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    const say = (next: Partial<Suggested>) => {
      if (worker.current === own) setState((now) => ({ key, is: { ...now.is, ...next } }));
    };
    setState({ key, is: { ...NOTHING, busy: true } });
    const failed = (why: string) => {
      say({ busy: false, why });
      if (worker.current === own) end();
    };
    // A worker that cannot be loaded says nothing of itself but this.
    own.onerror = () => failed('Suggestions could not be loaded. Is the Fennot server there? Try again.');
    const arranger = wrap<Arranger>(own);
    remote.current = arranger;
    let reached: Suggestion | undefined;
    arranger
      .suggest(
        document,
        seed,
        proxy((list: readonly Suggestion[]) => {
          reached = list[0];
          say({ list });
        }),
      )
      .then(() => (reached ? arranger.least(document, reached.judged.twins.length) : undefined))
      .then((bound) => {
        say({ busy: false, bound });
        if (worker.current === own) end();
      })
      .catch((error: unknown) =>
        failed(`Suggesting broke off: ${error instanceof Error ? error.message : 'unknown fault'}`),
      );
  };
  return { suggested: state.key === key ? state.is : NOTHING, begin };
}
