import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface ModalProps {
  readonly title: string;
  readonly about?: string;
  readonly open: boolean;
  /** Without it the dialog cannot be dismissed, only answered. */
  readonly onClose?: () => void;
  /** Room for things side by side; the most there is. */
  readonly wide?: boolean | 'most';
  readonly children: ReactNode;
}

/** A question that comes before everything else. */
export function Modal({ title, about, open, onClose, wide, children }: ModalProps) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose?.()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[#101a17]/50" />
        <Dialog.Content
          className={`fixed top-1/2 left-1/2 z-50 max-h-[92vh] ${wide === 'most' ? 'w-[min(1180px,96vw)]' : wide ? 'w-[min(860px,94vw)]' : 'w-[min(560px,94vw)]'} -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-sm border border-line bg-card p-5`}
        >
          <Dialog.Title className="font-head text-xl">{title}</Dialog.Title>
          <Dialog.Description className={about ? 'mt-1 text-soft' : 'sr-only'}>
            {about ?? title}
          </Dialog.Description>
          <div className="mt-4">{children}</div>
          {onClose && (
            <Dialog.Close
              aria-label="Close"
              className="absolute top-3 right-3 rounded-sm p-1.5 text-soft hover:bg-kingfisher-pale hover:text-kingfisher"
            >
              <X size={18} />
            </Dialog.Close>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
