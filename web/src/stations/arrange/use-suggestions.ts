import { type Bound, type Plan, type Suggestion, USUAL_WEIGHTS } from '@fennot/core';
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
export function askedFor({ document, cells }: Pick<Plan, 'document' | 'cells'>): string {
  const { arrangement, motifs, construction, features, joins, swatches, yarns } = document;
  // What lies unlocked may be moved: it says how many of each there are, and no more.
  const laid = cells.map(({ motif, rounds, design }) => `${motif} ${rounds} ${design}`).sort();
  const locked = cells.filter((cell) => cell.locked).map(({ piece, design }) => `${piece} ${design}`);
  return JSON.stringify([
    laid,
    locked,
    arrangement?.stock ?? [],
    arrangement?.weights ?? USUAL_WEIGHTS,
    motifs,
    construction,
    features ?? {},
    joins.method,
    joins.lines ?? {},
    swatches,
    yarns,
  ]);
}

/** Suggestions of a worker: begin, watch them come, and the proof after them; whatever they rest on changes, they go. */
export function useSuggestions(plan: Plan) {
  const { document } = plan;
  const key = askedFor(plan);
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
    let last: readonly Suggestion[] = [];
    arranger
      .suggest(
        document,
        seed,
        proxy((list: readonly Suggestion[]) => {
          last = list;
          say({ list });
        }),
      )
      .then(() => arranger.least(document, last))
      .then(({ bound, list }) => {
        say({ busy: false, bound, list });
        if (worker.current === own) end();
      })
      .catch((error: unknown) =>
        failed(`Suggesting broke off: ${error instanceof Error ? error.message : 'unknown fault'}`),
      );
  };
  return { suggested: state.key === key ? state.is : NOTHING, begin };
}
