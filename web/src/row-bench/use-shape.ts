import type { WorkedPiece } from '@fennot/core';
import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Shaper } from '../workers/shape.worker.ts';
import { type ShapeAsk, shapeOf } from './shape.ts';

/** What shapes are found with: a worker, or where there is none, or it cannot be loaded, this very thread. */
interface Hand {
  readonly worker: Worker | undefined;
  readonly shaper: Remote<Shaper> | undefined;
  busy: boolean;
  /** The last one that was asked for while it was busy; those between are passed over. */
  waiting: string | undefined;
}

function hire(onLost: () => void): Hand {
  if (typeof Worker === 'undefined')
    return { worker: undefined, shaper: undefined, busy: false, waiting: undefined };
  const worker = new Worker(new URL('../workers/shape.worker.ts', import.meta.url), { type: 'module' });
  worker.onerror = onLost;
  return { worker, shaper: wrap<Shaper>(worker), busy: false, waiting: undefined };
}

/**
 * The shape of rows, found beside what is typed: until the new one is there the last one stays.
 *
 * @param ask nothing where there is no shape to find.
 */
export function useShape(ask: ShapeAsk | undefined): WorkedPiece | undefined {
  const [found, setFound] = useState<{ readonly key: string; readonly piece: WorkedPiece | undefined }>();
  const hand = useRef<Hand | undefined>(undefined);
  const key = ask && JSON.stringify(ask);
  useEffect(() => {
    if (key === undefined) return;
    const here = (wanted: string) => setFound({ key: wanted, piece: shapeOf(JSON.parse(wanted)) });
    const lost = () => {
      const left = hand.current?.waiting ?? key;
      hand.current?.worker?.terminate();
      hand.current = { worker: undefined, shaper: undefined, busy: false, waiting: undefined };
      here(left);
    };
    hand.current ??= hire(lost);
    const own = hand.current;
    const next = (wanted: string): void => {
      if (!own.shaper) {
        here(wanted);
        return;
      }
      if (own.busy) {
        own.waiting = wanted;
        return;
      }
      own.busy = true;
      own.shaper.shapeOf(JSON.parse(wanted)).then((piece) => {
        own.busy = false;
        setFound({ key: wanted, piece });
        const { waiting } = own;
        own.waiting = undefined;
        if (waiting !== undefined) next(waiting);
      }, lost);
    };
    next(key);
  }, [key]);
  useEffect(
    () => () => {
      hand.current?.worker?.terminate();
      hand.current = undefined;
    },
    [],
  );
  return key === undefined ? undefined : found?.piece;
}
