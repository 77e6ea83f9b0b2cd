import type { Plan } from '@fennot/core';
import { lazy, Suspense } from 'react';
import type { BagStore } from '../open-bag/store.ts';
import { useSheets } from './sheets.ts';

const KeysSheet = lazy(() => import('./KeysSheet.tsx'));
const Finder = lazy(() => import('./Finder.tsx'));

interface OverBagProps {
  readonly plan: Plan;
  readonly store: BagStore;
  readonly base: string;
}

/** The sheet of keys or the finder, when one is called for. */
export function OverBag(props: OverBagProps) {
  const { shown, show } = useSheets();
  const close = () => show(undefined);
  if (!shown) return null;
  return (
    <Suspense fallback={null}>
      {shown === 'keys' ? <KeysSheet onClose={close} /> : <Finder {...props} onClose={close} />}
    </Suspense>
  );
}
