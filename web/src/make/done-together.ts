import type { MakeEvent } from '@fennot/core';
import { toast } from 'sonner';
import type { BagStore, Change } from '../open-bag/store.ts';
import type { Making } from './log/use-logbook.ts';

interface Together {
  readonly store: BagStore;
  readonly making: Making;
  /** What changes in the bag. */
  readonly change?: Change | undefined;
  /** What is done in the log. */
  readonly act: (does: Making['does']) => void;
  /** What the maker is told, by whether the bag is another one than before. */
  readonly said: (changed: boolean) => string;
}

/**
 * Does something in the plan and in the log by one press, and takes both back by another, as long as the bag has not been changed
 * since. Where the plan refuses, nothing is done.
 */
export function doTogether({ store, making, change, act, said }: Together): void {
  const before = store.getState().document;
  const refused = change && store.getState().change(change);
  if (refused !== undefined) return void toast.error(refused);
  const after = store.getState().document;
  const changed = after !== before;
  const done: MakeEvent[] = [];
  act((deed) => {
    const event = making.does(deed);
    done.push(event);
    return event;
  });
  toast.success(said(changed), {
    duration: 10_000,
    // Below lies the counter.
    position: 'top-center',
    action: {
      label: 'Undo',
      onClick: () => {
        if (changed && store.getState().document !== after)
          return void toast.error('The bag was changed since. Undo that first, under Plan.');
        if (changed) store.getState().undo();
        making.undo([...done].reverse());
      },
    },
  });
}
