import { withMeasured } from '@fennot/core';
import { toast } from 'sonner';
import type { BagStore } from '../../open-bag/store.ts';
import type { Making } from '../log/use-logbook.ts';
import type { Taken } from './CheckCard.tsx';

/**
 * Takes a measure, and the way on that was chosen, into the plan and into the log by one press, and out of both by another, as long
 * as the bag has not been changed since.
 */
export function takeMeasured(store: BagStore, making: Making, { check, mm, before, choice }: Taken): void {
  const from = store.getState().document;
  const refused = store
    .getState()
    .change((document) => choice?.document ?? withMeasured(document, check.what, mm, before));
  if (refused !== undefined) return void toast.error(refused);
  const after = store.getState().document;
  const event = making.does({ of: 'measured', what: check.what, mm });
  const said = after === from ? 'It is in the log.' : 'It is in the plan: sizes and tapes rest on it now.';
  toast.success(said, {
    duration: 10_000,
    // Below lies the counter.
    position: 'top-center',
    action: {
      label: 'Undo',
      onClick: () => {
        if (store.getState().document !== after)
          return void toast.error('The bag was changed since. Undo that first, under Plan.');
        if (after !== from) store.getState().undo();
        making.undo([event]);
      },
    },
  });
}
