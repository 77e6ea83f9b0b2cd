import { formatDistanceToNow } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { useCreateBag } from '../api/queries.ts';
import { uuid } from '../api/uuid.ts';
import { copyName } from '../open-bag/copy-name.ts';
import type { LeftDraft } from '../open-bag/saving/drafts.ts';
import { Button } from '../ui/Button.tsx';
import { exportRaw } from '../ui/files.ts';

interface LeftBehindProps {
  readonly drafts: readonly LeftDraft[];
  /** Called when a draft has found its place, or is given up. */
  readonly onDone: (key: string) => Promise<void>;
}

/** Changes that windows left which are gone, and that are in no bag: they wait here until their maker decides. */
export function LeftBehind({ drafts, onDone }: LeftBehindProps) {
  if (drafts.length === 0) return null;
  return (
    <section
      aria-label="Left behind"
      className="border-b border-line bg-marigold-pale px-4 py-2 text-sm text-ink"
    >
      <ul className="flex flex-col gap-1.5">
        {drafts.map((draft) => (
          <Left key={draft.key} draft={draft} onDone={() => void onDone(draft.key)} />
        ))}
      </ul>
    </section>
  );
}

function Left({ draft, onDone }: { readonly draft: LeftDraft; readonly onDone: () => void }) {
  const create = useCreateBag();
  const [id] = useState(uuid);
  const [sure, setSure] = useState(false);
  const name = draft.ok ? draft.draft.mine.name : 'A bag';
  const when = draft.at > 0 ? ` ${formatDistanceToNow(new Date(draft.at), { addSuffix: true })}` : '';
  const keep = () => {
    if (!draft.ok) return;
    const { mine } = draft.draft;
    create.mutate(
      { id, document: { ...mine, name: copyName(mine.name) } },
      {
        onSuccess: () => {
          onDone();
          toast.success(`Kept as “${copyName(mine.name)}”.`);
        },
        onError: (error) => toast.error(`It could not be kept: ${error.message}`),
      },
    );
  };
  return (
    <li className="flex flex-wrap items-center gap-2">
      <span>
        <b>{name}</b>: changes made in a window that is gone{when} were never saved.
        {!draft.ok && ` They cannot be read here: ${draft.problems[0]?.message ?? 'unknown fault.'}`}
      </span>
      {draft.ok && (
        <Button small look="main" disabled={create.isPending} onClick={keep}>
          Keep as a bag of its own
        </Button>
      )}
      <Button small onClick={() => exportRaw(draft.ok ? draft.draft.mine : draft.raw, name)}>
        Export
      </Button>
      <Button small look={sure ? 'risk' : 'bare'} onClick={() => (sure ? onDone() : setSure(true))}>
        {sure ? 'Throw them away for good' : 'Throw away ...'}
      </Button>
    </li>
  );
}
