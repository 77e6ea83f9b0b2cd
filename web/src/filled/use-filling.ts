import type { FilledShape, Plan, Settings } from '@fennot/core';
import { proxy, type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Filler, FillFrame, FillHow, FillStart } from '../workers/fill.worker.ts';

/** A bag being filled, or filled: what is drawn, the frames so far, and in the end what it measures. */
export interface FillState {
  /** The plan that was filled: what is shown belongs to it, until the next is there. */
  readonly plan: Plan;
  readonly start: FillStart;
  readonly frames: readonly FillFrame[];
  readonly shape: FilledShape | undefined;
}

/** Quiet time after an edit before the bag is filled anew, ms. */
const PAUSE = 150;

/** Fills the bag in a worker; a changed plan, or another way to fill it, ends the old filling and begins another. */
export function useFilling(
  plan: Plan,
  hand: Settings['hand'],
  { pose, soft, closed, drawn = 0 }: FillHow,
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
      const frames: FillFrame[] = [];
      let begun: FillStart | undefined;
      // The answer may overtake the last frame, which comes another way: neither may undo the other.
      let shape: FilledShape | undefined;
      const tell = () => {
        if (wanted && begun) setState({ plan, start: begun, frames: [...frames], shape });
      };
      const onFrames = proxy(async (more: readonly FillFrame[]) => {
        frames.push(...more);
        tell();
        await new Promise((drawn) => requestAnimationFrame(drawn));
      });
      const onStart = proxy((start: FillStart) => {
        begun = start;
        // Before it is filled it is put together: that is there to be scrubbed back to.
        frames.unshift(...start.unfolding);
      });
      filler.fill(plan.document, hand, { pose, soft, closed, drawn }, onStart, onFrames).then(
        (measured) => {
          shape = measured;
          tell();
        },
        (error: unknown) => {
          if (wanted) setState({ failed: error instanceof Error ? error.message : 'The worker ended.' });
        },
      );
    }, PAUSE);
    return () => {
      wanted = false;
      clearTimeout(timer);
      worker?.terminate();
      filler = undefined;
    };
  }, [plan, hand, pose, soft, closed, drawn]);
  return state;
}
