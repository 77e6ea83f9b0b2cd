import type { BagDocument, Settings } from '@fennot/core';
import { type Remote, wrap } from 'comlink';
import type { Filler } from '../workers/fill.worker.ts';

/** A worker that fills bags, with how it is spoken to: one held without the other drops its answers. */
export interface FillWorker {
  readonly worker: Worker;
  readonly filler: Remote<Filler>;
}

function begun(): FillWorker {
  const worker = new Worker(new URL('../workers/fill.worker.ts', import.meta.url), { type: 'module' });
  return { worker, filler: wrap<Filler>(worker) };
}

/** One made ready for whoever asks first. */
let spare: FillWorker | undefined;

/** Makes a worker ready before it is asked for: it is there, and has laid out this bag once, so that it does so quickly. */
export function readyFillWorker(document: BagDocument, hand: Settings['hand']): void {
  if (spare) return;
  const own = begun();
  spare = own;
  const drop = () => {
    own.worker.terminate();
    if (spare === own) spare = undefined;
  };
  own.worker.onerror = drop;
  // What fails here is told when it is filled.
  own.filler.ready(document, hand).catch(() => undefined);
}

/** A worker that fills, for one who will end it. */
export function fillWorker(): FillWorker {
  const own = spare ?? begun();
  spare = undefined;
  return own;
}
