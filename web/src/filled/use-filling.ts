import type { BagDocument, FilledShape, Handling, Settings } from '@fennot/core';
import { proxy, type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Filler, FillStart } from '../workers/fill.worker.ts';

/** A bag being filled, or filled: its mesh, the frames so far, and in the end what it measures. */
export interface FillState {
  readonly start: FillStart;
  readonly frames: readonly Float32Array[];
  readonly shape: FilledShape | undefined;
  /** What is being done with it, or was done last. */
  readonly handling: Handling;
  readonly handle: (handling: Handling) => void;
}

/** Quiet time after an edit before the bag is filled anew, ms. */
const PAUSE = 250;

/** Fills the bag in a worker; a changed plan ends the old filling and begins another. */
export function useFilling(
  document: BagDocument,
  hand: Settings['hand'],
): FillState | { readonly failed: string } | undefined {
  const [state, setState] = useState<ReturnType<typeof useFilling>>(undefined);
  useEffect(() => {
    let worker: Worker | undefined;
    // Held as long as the filling lasts: a remote that is collected drops its answers.
    let filler: Remote<Filler> | undefined;
    let wanted = true;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../workers/fill.worker.ts', import.meta.url), { type: 'module' });
      // A worker that cannot be loaded says nothing of itself but this.
      worker.onerror = () => {
        if (wanted) setState({ failed: 'What fills it could not be loaded. Is the Fennot server there?' });
      };
      filler = wrap<Filler>(worker);
      const frames: Float32Array[] = [];
      let begun: FillStart | undefined;
      // The answer may overtake the last frame, which comes another way: neither may undo the other.
      let shape: FilledShape | undefined;
      let handling: Handling = 'fill';
      const tell = () => {
        if (wanted && begun) setState({ start: begun, frames: [...frames], shape, handling, handle });
      };
      const onFrame = proxy((positions: Float32Array) => {
        frames.push(positions);
        tell();
      });
      const settle = (filled: Promise<FilledShape>) =>
        filled.then(
          (measured) => {
            shape = measured;
            tell();
          },
          (error: unknown) => {
            if (wanted) setState({ failed: error instanceof Error ? error.message : 'The worker ended.' });
          },
        );
      const handle = (next: Handling) => {
        if (!filler || shape === undefined) return;
        shape = undefined;
        handling = next;
        settle(filler.handle(next, onFrame));
      };
      const onStart = proxy((start: FillStart) => {
        begun = start;
      });
      settle(filler.fill(document, hand, onStart, onFrame));
    }, PAUSE);
    return () => {
      wanted = false;
      clearTimeout(timer);
      worker?.terminate();
      filler = undefined;
    };
  }, [document, hand]);
  return state;
}
