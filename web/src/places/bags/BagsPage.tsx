import { type LIST_ORDERS, readDocumentText } from '@fennot/core';
import { FolderOpen, Plus } from 'lucide-react';
import { lazy, Suspense, useDeferredValue, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { useBagList, useCreateBag } from '../../api/queries.ts';
import { uuid } from '../../api/uuid.ts';
import { LeftBehind } from '../../frame/LeftBehind.tsx';
import { Message } from '../../frame/Message.tsx';
import { NothingYet } from '../../frame/NothingYet.tsx';
import { PlaceHeader } from '../../frame/PlaceHeader.tsx';
import { KeptBags } from '../../offline/KeptBags.tsx';
import { Button } from '../../ui/Button.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import { SearchField } from '../../ui/SearchField.tsx';
import { Switcher } from '../../ui/Switcher.tsx';
import { BagShelf } from './BagShelf.tsx';
import { useLeftDrafts } from './use-left-drafts.ts';

// Not needed to see the bags: fetched when they are.
const BeginDialog = lazy(() => import('./BeginDialog.tsx'));
const RefusedFile = lazy(() => import('./RefusedFile.tsx'));

/** Fewer bags than this are looked over at once: nothing is offered to look for one. */
const FEW = 8;

const ORDERS = [
  { value: 'changed', label: 'Last changed' },
  { value: 'name', label: 'By name' },
] as const;

/** All bags as small made-up pictures; begin one, or open a file. */
export function BagsPage() {
  const [order, setOrder] = useState<(typeof LIST_ORDERS)[number]>('changed');
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const list = useBagList({ order, search });
  const { data, error, isPending, refetch } = list;
  const bags = useMemo(() => data?.pages.flatMap((page) => page.bags), [data]);
  const total = data?.pages[0]?.total ?? 0;
  const more = list.hasNextPage && !list.isFetchingNextPage ? () => void list.fetchNextPage() : undefined;
  const [beginning, setBeginning] = useState<'not yet' | 'open' | 'closed'>('not yet');
  const [refused, setRefused] = useState<{ file: string; lines: string[] } | undefined>(undefined);
  const create = useCreateBag();
  const { unsaved, stranded, forget } = useLeftDrafts();
  const navigate = useNavigate();

  const importFile = async (chosen: File) => {
    const read = readDocumentText(await chosen.text());
    if (!read.ok) {
      const lines = read.problems.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`));
      setRefused({ file: chosen.name, lines });
      return;
    }
    // The list itself plans nothing: what can is fetched for a file alone.
    const { planFor } = await import('../../open-bag/plans.ts');
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
      >
        <KeptBags />
      </Message>
    );
  return (
    <div className="min-h-full">
      <PlaceHeader />
      <LeftBehind drafts={stranded} onDone={forget} />
      <main className="mx-auto max-w-6xl px-4 py-6">
        <div className="mb-5 flex flex-wrap items-end justify-between gap-3">
          <div>
            <h1 className="text-3xl">Bags</h1>
            <p className="text-soft">Lay it flat, see it made up, read the tapes; then pick up the hook.</p>
          </div>
          <div className="flex gap-2">
            <FileButton
              label="Bag file"
              accept=".json,application/json"
              onFile={(chosen) => void importFile(chosen)}
            >
              <FolderOpen size={16} /> Open a file
            </FileButton>
            <Button look="main" onClick={() => setBeginning('open')}>
              <Plus size={16} /> Begin a bag
            </Button>
          </div>
        </div>
        {isPending && <p className="text-soft">Fetching the bags ...</p>}
        {bags?.length === 0 && search === '' && (
          <NothingYet
            title="No bag yet"
            text="Say how large it should be; Fennot lays out squares or panels of about that size, and you change them from there."
          >
            <Button look="main" onClick={() => setBeginning('open')}>
              <Plus size={16} /> Begin a bag
            </Button>
          </NothingYet>
        )}
        {(total > FEW || search !== '') && (
          <div className="mb-4 flex flex-wrap items-center gap-3">
            <SearchField
              label="Look for a bag by its name"
              value={typed}
              onChange={setTyped}
              className="min-w-0 grow sm:max-w-xs"
            />
            <Switcher label="Order of the bags" value={order} options={ORDERS} onChange={setOrder} />
            <span className="text-sm text-soft tabular-nums" aria-live="polite">
              {total} {total === 1 ? 'bag' : 'bags'}
            </span>
          </div>
        )}
        {bags && bags.length > 0 && <BagShelf bags={bags} unsaved={unsaved} total={total} onEnd={more} />}
        {bags?.length === 0 && search !== '' && (
          <p className="text-soft">No bag is called anything with “{search}”.</p>
        )}
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
