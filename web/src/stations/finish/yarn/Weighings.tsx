import type { Plan } from '@fennot/core';
import { Trash2 } from 'lucide-react';
import type { BagStore } from '../../../open-bag/store.ts';
import { Button } from '../../../ui/Button.tsx';

const percent = (share: number) => `±${Math.round(100 * share)} %`;

/** What has been weighed, and what each weighing did to the estimate. */
export function Weighings({ plan, store }: { readonly plan: Plan; readonly store: BagStore }) {
  const { weighings = [] } = plan.document;
  const { told, mute } = plan.tally.effort.learnt;
  if (weighings.length === 0) return null;
  return (
    <ul aria-label="Weighings" className="flex flex-col gap-1 text-sm">
      {weighings.map(({ id, what }) => {
        const own = told.find((one) => one.id === id);
        const silent = mute.find((one) => one.id === id);
        return (
          <li key={id} className="flex items-baseline gap-2">
            <span className="min-w-0 grow">
              <b>{what}</b>
              {own && (
                <span className="tabular-nums">
                  : {own.weighed.toFixed(1)} g, {own.expected.toFixed(1)} g expected;{' '}
                  <span className="text-soft">
                    {percent(own.before)} became {percent(own.after)}
                  </span>
                </span>
              )}
              {silent && <span className="text-loosestrife">: {silent.because}</span>}
            </span>
            <Button
              small
              look="bare"
              aria-label={`Take the weighing of ${what} out`}
              onClick={() =>
                store.getState().change((doc) => ({
                  ...doc,
                  weighings: (doc.weighings ?? []).filter((one) => one.id !== id),
                }))
              }
            >
              <Trash2 size={13} />
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
