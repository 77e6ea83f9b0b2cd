import { controlsOf, netEditorOf, type Plan, planOf } from '@fennot/core';
import { type ComponentType, useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import type { StoredBag } from '../api/client.ts';
import { useCreateBag } from '../api/queries.ts';
import { FlatView } from '../flat/FlatView.tsx';
import { Grips } from '../flat/Grips.tsx';
import { Marks } from '../flat/Marks.tsx';
import { NetOverlay } from '../flat/NetOverlay.tsx';
import { Threads } from '../flat/Threads.tsx';
import { OverBag } from '../keys/OverBag.tsx';
import { MadeUpView } from '../madeup/MadeUpView.tsx';
import { autosave } from '../open-bag/autosave.ts';
import { findDraft } from '../open-bag/drafts.ts';
import { type BagStore, createBagStore, useDocument } from '../open-bag/store.ts';
import { BriefStation } from '../stations/brief/BriefStation.tsx';
import { BuildStation } from '../stations/build/BuildStation.tsx';
import { FinishStation } from '../stations/finish/FinishStation.tsx';
import { JoinsStation } from '../stations/joins/JoinsStation.tsx';
import { shownStep, usePlayer } from '../stations/joins/player.ts';
import { SidesStation } from '../stations/sides/SidesStation.tsx';
import { type Station, type StationProps, stationName } from '../stations/station.ts';
import { SwatchStation } from '../stations/swatch/SwatchStation.tsx';
import { Tapes } from '../tapes/Tapes.tsx';
import { BagHeader } from './BagHeader.tsx';
import { ClashDialog } from './ClashDialog.tsx';
import { SaveTrouble } from './SaveMark.tsx';
import { StationNav } from './StationNav.tsx';
import { useBagKeys } from './use-bag-keys.ts';

const WORKTOPS: Record<Station, ComponentType<StationProps>> = {
  brief: BriefStation,
  swatch: SwatchStation,
  build: BuildStation,
  sides: SidesStation,
  joins: JoinsStation,
  finish: FinishStation,
};

/** Opens a stored bag: its store, its saving, and whatever the browser had kept of it. */
function openBag(bag: StoredBag) {
  const store = createBagStore(bag.document);
  const saving = autosave(store, bag.id, bag.version, bag.document);
  const draft = findDraft(bag.id);
  if (draft) {
    // Unsaved changes from before a reload or a crash: go on from them, and save them.
    store.getState().change(() => draft.document);
    if (draft.basedOn !== bag.version) saving.put({ is: 'clash', theirs: bag });
  }
  return { store, saving };
}

/** The open bag: laid flat, made up, the tapes, and the worktop of one station. */
export function OpenBag({ bag, station }: { readonly bag: StoredBag; readonly station: Station }) {
  const [{ store, saving }] = useState(() => openBag(bag));
  const state = useStore(saving.state);
  const document = useDocument(store);
  const plan = useMemo(() => planOf(document), [document]);
  const navigate = useNavigate();
  const create = useCreateBag();
  const player = usePlayer();
  const base = `/bags/${bag.id}`;
  useBagKeys({ store, plan, station, base });
  useEffect(() => {
    const flush = () => void saving.flush();
    window.addEventListener('pagehide', flush);
    return () => {
      window.removeEventListener('pagehide', flush);
      flush();
    };
  }, [saving]);

  const keepCopy = (theirs?: StoredBag) => {
    const mine = store.getState().document;
    create.mutate(
      { ...mine, name: `${mine.name} (copy)`.slice(0, 80) },
      {
        onSuccess: (copy) => {
          if (theirs) saving.takeOver(theirs);
          toast.success('Your state is kept as a bag of its own, and open here.');
          navigate(`/bags/${copy.id}/${station}`);
        },
        onError: (error) => toast.error(`The copy could not be made: ${error.message}`),
      },
    );
  };
  const Worktop = WORKTOPS[station];
  const shown = station === 'joins' ? shownStep(plan, player.step) : undefined;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <BagHeader store={store} state={state} />
      <SaveTrouble state={state} />
      <StationNav plan={plan} base={base} />
      <main className="min-h-0 grow overflow-y-auto lg:grid lg:grid-cols-[1fr_340px] lg:grid-rows-[minmax(0,1fr)_auto] lg:overflow-hidden">
        <div className="grid grid-cols-1 bg-table sm:h-[460px] sm:grid-cols-[1.5fr_1fr] lg:h-auto lg:min-h-0">
          <div className="grid h-[340px] min-h-0 border-line sm:h-auto sm:border-r">
            <FlatView
              plan={plan}
              named={station === 'joins' || station === 'sides'}
              seams={station !== 'joins'}
              beside={station === 'build' && netEditorOf(document) ? 1 : 0}
              overlay={(px) => <Overlay station={station} plan={plan} store={store} px={px} />}
            />
          </div>
          <div className="grid h-[340px] min-h-0 border-t border-line sm:h-auto sm:border-t-0">
            <MadeUpView
              plan={plan}
              work={shown && { run: shown.step?.run, now: shown.now, done: shown.done }}
            />
          </div>
        </div>
        <aside
          aria-label={`Worktop: ${stationName[station]}`}
          className="border-line bg-card lg:row-span-2 lg:min-h-0 lg:overflow-y-auto lg:border-l"
        >
          <Worktop plan={plan} store={store} />
        </aside>
        <Tapes plan={plan} store={store} pull={station === 'brief'} />
      </main>
      {state.is === 'clash' && (
        <ClashDialog
          theirs={state.theirs}
          onCopy={() => keepCopy(state.theirs)}
          onTake={() => saving.takeOver(state.theirs)}
        />
      )}
      <OverBag plan={plan} store={store} base={base} />
      {state.is === 'gone' && <GoneBar onCopy={() => keepCopy()} />}
    </div>
  );
}

interface OverlayProps {
  readonly station: Station;
  readonly plan: Plan;
  readonly store: BagStore;
  readonly px: number;
}

/** What a station draws over the net. */
function Overlay({ station, plan, store, px }: OverlayProps) {
  const { step } = usePlayer();
  switch (station) {
    case 'build': {
      const editor = netEditorOf(plan.document);
      return editor ? (
        <NetOverlay
          editor={editor}
          px={px}
          onChange={(construction) => store.getState().change((doc) => ({ ...doc, construction }))}
        />
      ) : (
        <Grips controls={controlsOf(plan.document)} px={px} store={store} />
      );
    }
    case 'sides':
      return <Marks plan={plan} px={px} />;
    case 'joins': {
      const shown = shownStep(plan, step);
      return <Threads plan={plan} px={px} run={shown.step?.run} now={shown.now} done={shown.done} />;
    }
    default:
      return null;
  }
}

function GoneBar({ onCopy }: { readonly onCopy: () => void }) {
  return (
    <p role="alert" className="bg-loosestrife-pale px-4 py-2 text-sm">
      This bag was deleted in another window.{' '}
      <button type="button" className="font-semibold text-kingfisher underline" onClick={onCopy}>
        Keep what is here as a new bag
      </button>
    </p>
  );
}
