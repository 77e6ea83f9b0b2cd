import type { BagDocument } from '@fennot/core';
import { PencilLine } from 'lucide-react';
import { useState } from 'react';
import type { BagStore } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { BenchModal } from './BenchModal.tsx';

interface OpenRowsProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  /** Ids of the panels whose rows can be opened here. */
  readonly panels: readonly string[];
}

/** Opens the rows of what a bag is made of where it is used. */
export function OpenRows({ document, store, panels }: OpenRowsProps) {
  const [open, setOpen] = useState<string | undefined>(undefined);
  const own = (document.panels ?? []).filter(({ id }) => panels.includes(id));
  if (own.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-2">
      {own.map(({ id, name }) => (
        <Button key={id} small onClick={() => setOpen(id)}>
          <PencilLine size={13} /> Rows of {name}
        </Button>
      ))}
      <BenchModal
        document={document}
        store={store}
        panel={own.find(({ id }) => id === open)}
        onClose={() => setOpen(undefined)}
      />
    </div>
  );
}
