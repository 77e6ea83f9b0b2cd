import type { BagDocument, Panel } from '@fennot/core';
import { lazy, Suspense, useRef } from 'react';
import type { BagStore } from '../open-bag/store.ts';
import { Modal } from '../ui/Modal.tsx';
import { tell } from '../ui/tell.ts';

const PanelBench = lazy(() => import('./PanelBench.tsx'));

interface BenchModalProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  /** The panel on the bench; nothing while it is shut. */
  readonly panel: Panel | undefined;
  readonly onClose: () => void;
}

/** The Row bench over whatever it was opened from. */
export function BenchModal({ document, store, panel, onClose }: BenchModalProps) {
  /** Puts what is typed on the bench into the plan, or says why not. */
  const leave = useRef<() => string | undefined>(() => undefined);
  return (
    <Modal
      title={panel ? `Row bench: ${panel.name}` : 'Row bench'}
      about="Rows as you would write them by hand: each is counted as you type"
      wide="most"
      open={panel !== undefined}
      onClose={() => {
        const refusal = leave.current();
        // What the plan cannot take would be lost.
        if (refusal === undefined) onClose();
        else tell(`${refusal} Bring it in order before you close, or take it back with Ctrl+Z.`);
      }}
    >
      {panel && (
        <Suspense fallback={<p className="text-sm text-soft">Fetching the bench ...</p>}>
          <PanelBench key={panel.id} document={document} store={store} panel={panel} leave={leave} />
        </Suspense>
      )}
    </Modal>
  );
}
