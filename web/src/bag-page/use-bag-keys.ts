import type { Plan } from '@fennot/core';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { useSheets } from '../keys/sheets.ts';
import type { BagStore } from '../open-bag/store.ts';
import { usePlayer } from '../stations/joins/player.ts';
import { STATIONS, type Station } from '../stations/station.ts';

const typing = (target: EventTarget | null) =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

interface BagKeysOptions {
  readonly store: BagStore;
  readonly plan: Plan;
  readonly station: Station;
  /** Address of the open bag. */
  readonly base: string;
}

/** The keys of an open bag; `keys/key-list.ts` names them all. */
export function useBagKeys({ store, plan, station, base }: BagKeysOptions): void {
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { undo, redo } = store.temporal.getState();
      const { shown, show } = useSheets.getState();
      const key = event.key.toLowerCase();
      if (event.ctrlKey || event.metaKey) {
        if (key === 'k') {
          event.preventDefault();
          show(shown === 'finder' ? undefined : 'finder');
        } else if ((key === 'z' || key === 'y') && !(event.target instanceof HTMLTextAreaElement)) {
          event.preventDefault();
          if (key === 'y' || event.shiftKey) redo();
          else undo();
        }
        return;
      }
      if (typing(event.target) || shown || event.altKey) return;
      if (key === '?') show('keys');
      const wanted = STATIONS[Number(key) - 1];
      if (wanted) navigate(`${base}/${wanted}`);
      const by = key === '.' ? 1 : key === ',' ? -1 : 0;
      if (station !== 'joins' || by === 0) return;
      const { step, goTo } = usePlayer.getState();
      goTo(Math.min(plan.steps().length - 1, Math.max(0, step + by)));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store, plan, station, base, navigate]);
}
