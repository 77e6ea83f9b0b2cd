import { useDrag } from '@use-gesture/react';
import { useEffect, useRef, useState } from 'react';
import { tell } from '../ui/tell.ts';
import type { BagStore, Change, Gesture } from './store.ts';

/** A pull that began: what each move of the pointer does to the bag, measured on the scale at its start. */
export type Pulling = (movement: { readonly x: number; readonly y: number }) => Change | undefined;

/**
 * Pulls something on a drawing, as one step of undo. `begin` looks at the drawing once, when the pull begins: the
 * drawing may fit itself anew while it is pulled, but the pull goes on by the scale it began with. Let go, it counts;
 * Escape, a cancelled pointer or one that is lost, and the drawing going away restore what was there.
 *
 * @param begin gives what moves do, or nothing where there is nothing to pull.
 */
export function usePull(store: BagStore, begin: () => Pulling | undefined) {
  const pull = useRef<{ gesture: Gesture; moved: Pulling } | undefined>(undefined);
  const [held, setHeld] = useState(false);
  const end = (keep: boolean) => {
    const own = pull.current;
    pull.current = undefined;
    setHeld(false);
    if (keep) own?.gesture.commit();
    else own?.gesture.cancel();
  };
  const stop = useRef(end);
  stop.current = end;

  useEffect(() => {
    if (!held) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      stop.current(false);
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [held]);
  useEffect(() => () => stop.current(false), []);

  const bind = useDrag(
    ({ first, last, event, movement: [x, y] }) => {
      if (first) {
        const moved = begin();
        if (!moved) return;
        pull.current = { gesture: store.getState().begin(), moved };
        setHeld(true);
      }
      const own = pull.current;
      if (!own) return;
      const change = own.moved({ x, y });
      if (change) tell(own.gesture.move(change));
      if (last) end(event.type === 'pointerup');
    },
    { pointer: { buttons: 1, keys: false }, filterTaps: false, threshold: 0 },
  );
  return { bind, held };
}
