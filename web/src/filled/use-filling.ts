import type { FilledShape, Plan, Settings } from '@fennot/core';
import { proxy, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Filler, FillFrame, FillHow, FillStart } from '../workers/fill.worker.ts';
import { type FillWorker, fillWorker } from './fill-worker.ts';

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

/** Drawing without a graphics card takes from what works out the form: then it rests so many times as long as it took. */
const RESTING = 3;
/** Two pictures of a quick screen take no longer than this, ms. */
const QUICK = 40;

/**
 * Fills the bag in a worker; a changed plan, or another way to fill it, ends the old filling and begins another, from the
 * form that is there where it can.
 */
export function useFilling(
  plan: Plan,
  hand: Settings['hand'],
  { pose, soft, closed, drawn = 0 }: FillHow,
): FillState | { readonly failed: string } | undefined {
  const [state, setState] = useState<ReturnType<typeof useFilling>>(undefined);
  // One worker as long as the bag is looked at: it knows the form that is there.
  const filler = useFiller(setState);
  const first = useRef(true);
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(
      () => {
        first.current = false;
        const frames: FillFrame[] = [];
        let begun: FillStart | undefined;
        // The answer may overtake the last frame, which comes another way: neither may undo the other.
        let shape: FilledShape | undefined;
        const tell = () => {
          if (wanted && begun) setState({ plan, start: begun, frames: [...frames], shape });
        };
        const onFrames = proxy(async (more: readonly FillFrame[]) => {
          frames.push(...more);
          const began = performance.now();
          tell();
          // The second is asked for when the first has been drawn.
          for (let k = 0; k < 2; k++) await new Promise((drawn) => requestAnimationFrame(drawn));
          const spent = performance.now() - began;
          await new Promise((rested) => setTimeout(rested, RESTING * Math.max(0, spent - QUICK)));
        });
        const onStart = proxy((start: FillStart) => {
          begun = start;
          // Before it is filled it is put together: that is there to be scrubbed back to.
          frames.unshift(...start.unfolding);
        });
        filler()
          .fill(plan.document, hand, { pose, soft, closed, drawn }, onStart, onFrames)
          .then(
            (measured) => {
              shape = measured;
              tell();
            },
            (error: unknown) => {
              if (wanted) setState({ failed: error instanceof Error ? error.message : 'The worker ended.' });
            },
          );
      },
      first.current ? 0 : PAUSE,
    );
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [plan, hand, pose, soft, closed, drawn, filler]);
  return state;
}

/** The worker that fills, begun when it is first asked for; a failed one is begun anew the next time. */
function useFiller(failed: (why: { readonly failed: string }) => void): () => Remote<Filler> {
  const held = useRef<FillWorker | undefined>(undefined);
  useEffect(
    () => () => {
      held.current?.worker.terminate();
      held.current = undefined;
    },
    [],
  );
  return useCallback(() => {
    if (held.current) return held.current.filler;
    const own = fillWorker();
    // A worker that cannot be loaded says nothing of itself but this.
    own.worker.onerror = () => {
      if (held.current !== own) return;
      own.worker.terminate();
      held.current = undefined;
      failed({ failed: 'What fills it could not be loaded. Is the Fennot server there?' });
    };
    held.current = own;
    return own.filler;
  }, [failed]);
}
