import { type Deed, type MakeEvent, NOTHING_DONE } from '@fennot/core';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { Logbook, LogState } from './logbook.ts';
import { holdLogbook } from './logbooks.ts';

/** The log of a bag, as a page shows it. */
export interface Making {
  readonly log: LogState;
  /** Something is done. */
  readonly does: (deed: Deed) => MakeEvent;
  /** Some of it is taken back, in this order. */
  readonly undo: (events: readonly MakeEvent[]) => void;
  /** Events out of a file. */
  readonly takeIn: (events: readonly MakeEvent[]) => void;
}

type Opening = { readonly is: 'opening' } | { readonly is: 'open' } | { readonly is: 'failed' };

/**
 * The logbook of a bag, held as long as it is shown.
 *
 * @param plan the version of the bag that is worked by.
 */
export function useLogbook(
  bag: string,
  plan: number,
): { readonly opening: Opening; readonly making: Making } {
  const [opening, setOpening] = useState<Opening>({ is: 'opening' });
  const [held, setHeld] = useState<Logbook | undefined>(undefined);
  useEffect(() => {
    const { book, open, letGo } = holdLogbook(bag);
    setHeld(book);
    open.then(
      () => setOpening({ is: 'open' }),
      () => setOpening({ is: 'failed' }),
    );
    return letGo;
  }, [bag]);
  const log = useSyncExternalStore(held?.subscribe ?? never, held?.getState ?? (() => NONE));
  const making = useMemo(
    (): Making => ({
      log,
      does: (deed) => {
        if (!held) throw new Error('Nothing can be done before the log is open.');
        return held.does(deed, plan);
      },
      undo: (events) => {
        for (const { id } of events) held?.does({ of: 'undone', event: id }, plan);
      },
      takeIn: (events) => held?.takeIn(events),
    }),
    [log, held, plan],
  );
  return { opening, making };
}

const never = () => () => {};
/** Before the log is there. */
const NONE: LogState = {
  record: NOTHING_DONE,
  events: [],
  unsent: 0,
  unkept: 0,
  full: false,
  refused: 0,
  line: 'even',
};
