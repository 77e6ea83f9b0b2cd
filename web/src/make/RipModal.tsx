import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { Modal } from '../ui/Modal.tsx';

interface RipModalProps {
  readonly rows: number;
  readonly counts: 'rounds' | 'rows';
  readonly onRip: (to: number) => void;
  readonly onClose: () => void;
}

/** How far it is ripped back. */
export function RipModal({ rows, counts, onRip, onClose }: RipModalProps) {
  const [to, setTo] = useState(Math.max(0, rows - 1));
  const gone = rows - to;
  return (
    <Modal title="Rip back" about={`${rows} ${counts} are worked. How many stay?`} open onClose={onClose}>
      <div className="flex items-center justify-center gap-3">
        <Button
          className="size-14 text-2xl"
          aria-label="One fewer"
          disabled={to <= 0}
          onClick={() => setTo(to - 1)}
        >
          −
        </Button>
        <output aria-label="Stay" className="min-w-20 text-center font-tape text-4xl tabular-nums">
          {to}
        </output>
        <Button
          className="size-14 text-2xl"
          aria-label="One more"
          disabled={to >= rows - 1}
          onClick={() => setTo(to + 1)}
        >
          +
        </Button>
      </div>
      <Button look="risk" className="mt-4 min-h-11 w-full" disabled={gone <= 0} onClick={() => onRip(to)}>
        Rip back {gone} {gone === 1 ? counts.slice(0, -1) : counts}
      </Button>
    </Modal>
  );
}
