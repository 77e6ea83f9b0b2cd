import { Button } from '../ui/Button.tsx';
import { Modal } from '../ui/Modal.tsx';

interface ClashDialogProps {
  readonly busy: boolean;
  readonly onCopy: () => void;
  readonly onTake: () => void;
}

/** Two windows changed one bag. Nothing is overwritten: mine becomes a copy, or waits under Undo. */
export function ClashDialog({ busy, onCopy, onTake }: ClashDialogProps) {
  return (
    <Modal
      open
      title="This bag was changed in another window"
      about="Both states are there, and nothing has been overwritten. Which shall this window go on from?"
    >
      <div className="flex flex-col gap-3">
        <div className="flex items-center justify-between gap-4">
          <p className="text-sm">Save my state as a bag of its own, and leave the other as it is.</p>
          <Button look="main" className="shrink-0" disabled={busy} onClick={onCopy}>
            Keep mine as a copy
          </Button>
        </div>
        <div className="flex items-center justify-between gap-4">
          <p className="text-sm">Go on from the other change here. Undo brings my state back.</p>
          <Button className="shrink-0" disabled={busy} onClick={onTake}>
            Take the other
          </Button>
        </div>
      </div>
    </Modal>
  );
}
