import { readDocumentText } from '@fennot/core';
import { FolderOpen, Plus } from 'lucide-react';
import { lazy, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { useBags, useCreateBag } from '../../api/queries.ts';
import { uuid } from '../../api/uuid.ts';
import { LeftBehind } from '../../frame/LeftBehind.tsx';
import { Message } from '../../frame/Message.tsx';
import { SettingsMenu } from '../../frame/SettingsMenu.tsx';
import { Wordmark } from '../../frame/Wordmark.tsx';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { BagCard } from './BagCard.tsx';
import { useLeftDrafts } from './use-left-drafts.ts';

// Not needed to see the bags: fetched when they are.
const BeginDialog = lazy(() => import('./BeginDialog.tsx'));
const RefusedFile = lazy(() => import('./RefusedFile.tsx'));

/** All bags as small made-up pictures; begin one, or open a file. */
export function BagsPage() {
  const { data: bags, error, isPending, refetch } = useBags();
  const [beginning, setBeginning] = useState<'not yet' | 'open' | 'closed'>('not yet');
  const [refused, setRefused] = useState<{ file: string; lines: string[] } | undefined>(undefined);
  const file = useRef<HTMLInputElement>(null);
  const create = useCreateBag();
  const { unsaved, stranded, forget } = useLeftDrafts(bags);
  const navigate = useNavigate();

  const importFile = async (chosen: File) => {
    const read = readDocumentText(await chosen.text());
    if (!read.ok) {
      const lines = read.problems.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`));
      setRefused({ file: chosen.name, lines });
      return;
    }
    const answer = planFor(read.document);
    if (!answer.ok) {
      setRefused({ file: chosen.name, lines: [answer.problem] });
      return;
    }
    const id = uuid();
    create.mutate(
      { id, document: read.document, imported: true },
      {
        onSuccess: () => navigate(`/bags/${id}/build`),
        onError: (problem) => toast.error(problem.message),
      },
    );
  };
  if (error && !bags)
    return (
      <Message
        title="The bags cannot be fetched just now"
        text={error.message}
        onRetry={() => void refetch()}
      />
    );
  return (
    <div className="min-h-full">
      <header className="flex min-h-12 items-center gap-3 border-b border-line bg-card px-4">
        <Wordmark />
        <div className="ml-auto">
          <SettingsMenu />
        </div>
      </header>
      <LeftBehind drafts={stranded} onDone={forget} />
      <main className="mx-auto max-w-6xl px-4 py-6">
        <div className="mb-5 flex flex-wrap items-end justify-between gap-3">
          <div>
            <h1 className="text-3xl">Bags</h1>
            <p className="text-soft">Lay it flat, see it made up, read the tapes; then pick up the hook.</p>
          </div>
          <div className="flex gap-2">
            <input
              ref={file}
              type="file"
              accept=".json,application/json"
              className="sr-only"
              tabIndex={-1}
              aria-label="Bag file"
              onChange={(event) => {
                const chosen = event.target.files?.[0];
                event.target.value = '';
                if (chosen) void importFile(chosen);
              }}
            />
            <Button onClick={() => file.current?.click()}>
              <FolderOpen size={16} /> Open a file
            </Button>
            <Button look="main" onClick={() => setBeginning('open')}>
              <Plus size={16} /> Begin a bag
            </Button>
          </div>
        </div>
        {isPending && <p className="text-soft">Fetching the bags ...</p>}
        {bags?.length === 0 && (
          <div className="rounded-sm border border-dashed border-line bg-card p-10 text-center">
            <h2 className="text-xl">No bag yet</h2>
            <p className="mx-auto mt-1 mb-4 max-w-md text-soft">
              Say how large it should be; Fennot lays out squares or panels of about that size, and you change
              them from there.
            </p>
            <Button look="main" onClick={() => setBeginning('open')}>
              <Plus size={16} /> Begin a bag
            </Button>
          </div>
        )}
        <ul className="grid grid-cols-1 gap-4 sm:grid-cols-2 lg:grid-cols-3">
          {bags?.map((bag) => (
            <BagCard key={bag.id} bag={bag} unsaved={unsaved.has(bag.id)} />
          ))}
        </ul>
      </main>
      {beginning !== 'not yet' && (
        <Suspense fallback={null}>
          <BeginDialog open={beginning === 'open'} onClose={() => setBeginning('closed')} />
        </Suspense>
      )}
      {refused && (
        <Suspense fallback={null}>
          <RefusedFile {...refused} onClose={() => setRefused(undefined)} />
        </Suspense>
      )}
    </div>
  );
}
