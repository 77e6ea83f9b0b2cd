import type { Plan } from '@fennot/core';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { tinykeys } from 'tinykeys';
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

/** On some keyboards a digit or a mark is typed with shift, on others without: what counts is the character. */
const shiftedOrNot = (keys: Readonly<Record<string, (event: KeyboardEvent) => void>>) =>
  Object.fromEntries(
    Object.entries(keys).flatMap(([key, act]) => [
      [key, act],
      [`Shift+${key}`, act],
    ]),
  );

/** The keys of an open bag; `keys/key-list.ts` names them all. */
export function useBagKeys({ store, plan, station, base }: BagKeysOptions): void {
  const navigate = useNavigate();
  useEffect(() => {
    const { undo, redo } = store.getState();
    const { show } = useSheets.getState();
    /** Keys with the command key work everywhere but in longer texts, whose own undo they are. */
    const command = (act: () => void) => (event: KeyboardEvent) => {
      if (event.target instanceof HTMLTextAreaElement) return;
      event.preventDefault();
      act();
    };
    /** Plain keys are for typing where something is typed, and for a sheet while one is open. */
    const plain = (act: () => void) => (event: KeyboardEvent) => {
      if (!typing(event.target) && !useSheets.getState().shown) act();
    };
    const stepBy = (by: 1 | -1) =>
      plain(() => {
        if (station !== 'joins') return;
        const { step, goTo } = usePlayer.getState();
        goTo(Math.min(plan.steps().length - 1, Math.max(0, step + by)));
      });
    return tinykeys(window, {
      '$mod+k': (event) => {
        event.preventDefault();
        show(useSheets.getState().shown === 'finder' ? undefined : 'finder');
      },
      '$mod+z': command(undo),
      '$mod+Shift+z': command(redo),
      '$mod+y': command(redo),
      ...shiftedOrNot({
        '?': plain(() => show('keys')),
        ',': stepBy(-1),
        '.': stepBy(1),
        ...Object.fromEntries(
          STATIONS.map((one, i) => [String(i + 1), plain(() => void navigate(`${base}/${one}`))]),
        ),
      }),
    });
  }, [store, plan, station, base, navigate]);
}
