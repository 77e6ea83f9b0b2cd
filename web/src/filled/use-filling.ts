import type { BagDocument, FilledShape } from '@fennot/core';
import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Filler, FillStart } from '../workers/fill.worker.ts';

/** A bag being filled, or filled: its mesh, the frames so far, and in the end what it measures. */
export interface FillState {
  readonly start: FillStart;
  readonly frames: readonly Float32Array[];
  readonly shape: FilledShape | undefined;
}

/** Quiet time after an edit before the bag is filled anew, ms. */
const PAUSE = 250;

/** Fills the bag in a worker; a changed plan ends the old filling and begins another. */
export function useFilling(document: BagDocument): FillState | undefined {
  const [state, setState] = useState<FillState | undefined>(undefined);
  useEffect(() => {
    let worker: Worker | undefined;
    let wanted = true;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../workers/fill.worker.ts', import.meta.url), { type: 'module' });
      const filler = wrap<Filler>(worker);
      const frames: Float32Array[] = [];
      let begun: FillStart | undefined;
      const tell = (shape?: FilledShape) => {
        if (wanted && begun) setState({ start: begun, frames: [...frames], shape });
      };
      filler
        .fill(
          document,
          proxy((start: FillStart) => {
            begun = start;
          }),
          proxy((positions: Float32Array) => {
            frames.push(positions);
            tell();
          }),
        )
        .then(tell, () => undefined);
    }, PAUSE);
    return () => {
      wanted = false;
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [document]);
  return state;
}
