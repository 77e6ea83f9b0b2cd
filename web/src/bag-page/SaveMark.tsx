import type { BagDocument } from '@fennot/core';
import { Check, CloudOff, LoaderCircle, TriangleAlert } from 'lucide-react';
import type { SaveState } from '../open-bag/saving/saver.ts';

type State = SaveState<BagDocument>;

/** Whether the plan is safe, in a word. */
export function SaveMark({ state }: { readonly state: State }) {
  const mark = {
    saved: { icon: <Check size={15} />, text: 'Saved', colour: 'text-reed' },
    saving: {
      icon: <LoaderCircle size={15} className="animate-spin" />,
      text: 'Saving',
      colour: 'text-soft',
    },
    failing: { icon: <CloudOff size={15} />, text: 'Not saved yet', colour: 'text-loosestrife' },
    clash: { icon: <TriangleAlert size={15} />, text: 'Changed elsewhere', colour: 'text-loosestrife' },
    gone: { icon: <TriangleAlert size={15} />, text: 'Deleted elsewhere', colour: 'text-loosestrife' },
  }[state.is];
  return (
    <span
      role="status"
      aria-label="Saving"
      className={`flex items-center gap-1 text-xs font-medium whitespace-nowrap ${mark.colour}`}
    >
      {mark.icon} <span className="max-sm:sr-only">{mark.text}</span>
    </span>
  );
}

/** The bar under the header while changes cannot be saved. */
export function SaveTrouble({ state }: { readonly state: State }) {
  if (state.is !== 'failing') return null;
  return (
    <p role="alert" className="bg-loosestrife-pale px-4 py-1.5 text-sm text-ink">
      <b>{state.why}</b>{' '}
      {state.kept
        ? 'Your changes are kept in this browser, also through a reload, and are sent as soon as it can be done.'
        : 'Your changes could not be kept in this browser either: do not close this window, and export the bag to be safe.'}
    </p>
  );
}
