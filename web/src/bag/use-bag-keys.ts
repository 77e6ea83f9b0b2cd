import type { Plan } from '@fennot/core';
import { useEffect } from 'react';
import { usePlayer } from '../stations/joins/player.ts';
import type { BagStore } from './store.ts';

const typing = (target: EventTarget | null) =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

/** Undo and redo everywhere; `.` and `,` step through the joins. */
export function useBagKeys(store: BagStore, plan: Plan, joins: boolean): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { undo, redo } = store.temporal.getState();
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (command && (key === 'z' || key === 'y') && !(event.target instanceof HTMLTextAreaElement)) {
        event.preventDefault();
        if (key === 'y' || event.shiftKey) redo();
        else undo();
        return;
      }
      if (!joins || command || typing(event.target)) return;
      const by = key === '.' ? 1 : key === ',' ? -1 : 0;
      if (by === 0) return;
      const { step, goTo } = usePlayer.getState();
      goTo(Math.min(plan.steps().length - 1, Math.max(0, step + by)));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store, plan, joins]);
}
