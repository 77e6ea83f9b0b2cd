import type { BagDocument, Check, CheckChoice, Counted } from '@fennot/core';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Checker } from '../../workers/check.worker.ts';

/** The ways on after a measure: not asked for, being tried, there, or not to be had. */
export type Choices =
  | { readonly is: 'none' }
  | { readonly is: 'trying' }
  | { readonly is: 'there'; readonly all: readonly CheckChoice[]; readonly of: BagDocument }
  | { readonly is: 'failed' };

/** Tries the ways on in a worker, beside what is on the screen. Another measure gives up the one before. */
export function useChoices(
  document: BagDocument,
  check: Check,
  mm: number | undefined,
  before: Counted | undefined,
): Choices {
  const [choices, setChoices] = useState<Choices>({ is: 'none' });
  const asked = mm === undefined ? undefined : JSON.stringify([check, mm, before]);
  useEffect(() => {
    if (asked === undefined) {
      setChoices({ is: 'none' });
      return;
    }
    const [own, length, counted]: [Check, number, Counted | undefined] = JSON.parse(asked);
    if (typeof Worker === 'undefined') return;
    setChoices({ is: 'trying' });
    const worker = new Worker(new URL('../../workers/check.worker.ts', import.meta.url), { type: 'module' });
    const failed = () => setChoices({ is: 'failed' });
    worker.onerror = failed;
    const checker = wrap<Checker>(worker);
    checker
      .choicesAfter(document, own, length, counted ?? undefined)
      .then((all) => setChoices({ is: 'there', all, of: document }), failed)
      .finally(() => worker.terminate());
    return () => worker.terminate();
  }, [document, asked]);
  // What was tried on a bag that has been changed since is not offered: it would undo the change.
  return choices.is === 'there' && choices.of !== document ? { is: 'trying' } : choices;
}
