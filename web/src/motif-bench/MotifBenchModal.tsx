import type { BagDocument, Motif } from '@fennot/core';
import { lazy, Suspense } from 'react';
import type { BagStore } from '../open-bag/store.ts';
import { Modal } from '../ui/Modal.tsx';

const MotifBench = lazy(() => import('./MotifBench.tsx'));

interface MotifBenchModalProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly motif: Motif;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** The Motif bench over whatever it was opened from. */
export function MotifBenchModal({ document, store, motif, open, onClose }: MotifBenchModalProps) {
  return (
    <Modal
      title={`Motif bench: ${motif.name}`}
      about="A motif by its rounds: counted, drawn and put into words as you change them"
      wide="most"
      open={open}
      onClose={onClose}
    >
      {motif.making?.of === 'rounds' && (
        <Suspense fallback={<p className="text-sm text-soft">Fetching the bench ...</p>}>
          <MotifBench document={document} store={store} motif={motif} making={motif.making} />
        </Suspense>
      )}
    </Modal>
  );
}
