import { type Plan, twinsOf } from '@fennot/core';
import { type ComponentType, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import { useCreateBag } from '../api/queries.ts';
import { uuid } from '../api/uuid.ts';
import { Cells } from '../flat/Cells.tsx';
import { cellKey } from '../flat/cell-keys.ts';
import { FlatView } from '../flat/FlatView.tsx';
import { Grips } from '../flat/Grips.tsx';
import { Marks } from '../flat/Marks.tsx';
import { NetOverlay } from '../flat/NetOverlay.tsx';
import { Threads } from '../flat/Threads.tsx';
import { LeftBehind } from '../frame/LeftBehind.tsx';
import { OverBag } from '../keys/OverBag.tsx';
import { MadeUpView } from '../madeup/MadeUpView.tsx';
import { copyName } from '../open-bag/copy-name.ts';
import { useControls, useNetEditor } from '../open-bag/hand.ts';
import type { Session } from '../open-bag/saving/session.ts';
import { type BagStore, settled, usePlan } from '../open-bag/store.ts';
import { ArrangeStation } from '../stations/arrange/ArrangeStation.tsx';
import { EyeFilters } from '../stations/arrange/EyeFilters.tsx';
import { useEye } from '../stations/arrange/eye.ts';
import { BriefStation } from '../stations/brief/BriefStation.tsx';
import { BuildStation } from '../stations/build/BuildStation.tsx';
import { FinishStation } from '../stations/finish/FinishStation.tsx';
import { JoinsStation } from '../stations/joins/JoinsStation.tsx';
import { shownStep, usePlayer } from '../stations/joins/player.ts';
import { SidesStation } from '../stations/sides/SidesStation.tsx';
import { type Station, type StationProps, stationName } from '../stations/station.ts';
import { SwatchStation } from '../stations/swatch/SwatchStation.tsx';
import { Tapes } from '../tapes/Tapes.tsx';
import { Boundary } from '../ui/Boundary.tsx';
import { Switcher } from '../ui/Switcher.tsx';
import { tell } from '../ui/tell.ts';
import { BagHeader } from './BagHeader.tsx';
import { ClashDialog } from './ClashDialog.tsx';
import { SaveTrouble } from './SaveMark.tsx';
import { StationNav } from './StationNav.tsx';
import { useBagKeys } from './use-bag-keys.ts';

const WORKTOPS: Record<Station, ComponentType<StationProps>> = {
  brief: BriefStation,
  swatch: SwatchStation,
  build: BuildStation,
  arrange: ArrangeStation,
  sides: SidesStation,
  joins: JoinsStation,
  finish: FinishStation,
};

const DRAWINGS = [
  { value: 'flat', label: 'Laid flat' },
  { value: 'made', label: 'Made up' },
] as const;

interface OpenBagProps {
  readonly session: Session;
  readonly station: Station;
}

/** The open bag: laid flat, made up, the tapes, and the worktop of one station. */
export function OpenBag({ session, station }: OpenBagProps) {
  const { id, store } = session;
  const state = useStore(session.state);
  const left = useStore(session.left);
  const plan = usePlan(store);
  const { document } = plan;
  const navigate = useNavigate();
  const create = useCreateBag();
  const player = usePlayer();
  const eye = useEye((state) => state.eye);
  const base = `/bags/${id}`;
  useBagKeys({ store, plan, station, base });

  // Made once a page: asked for again after a lost answer, it is the same copy.
  const [copyId] = useState(uuid);
  const keepCopy = (then: () => void) => {
    const mine = settled(store.getState());
    create.mutate(
      { id: copyId, document: { ...mine, name: copyName(mine.name) } },
      {
        onSuccess: () => {
          then();
          toast.success('Your state is kept as a bag of its own, and open here.');
          navigate(`/bags/${copyId}/${station}`);
        },
        onError: (error) => toast.error(`The copy could not be made: ${error.message}`),
      },
    );
  };
  // A phone shows one drawing at a time, so that the worktop is in reach.
  const [drawing, setDrawing] = useState<'flat' | 'made'>('flat');
  const controls = useControls(document);
  const editor = useNetEditor(document);
  const grips = useMemo(
    () =>
      station === 'build'
        ? controls.flatMap((control) => (control.kind !== 'choice' && control.grip ? [control.grip.at] : []))
        : [],
    [station, controls],
  );
  const Worktop = WORKTOPS[station];
  const shown = station === 'joins' ? shownStep(plan, player.step) : undefined;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <BagHeader store={store} state={state} base={base} at="plan" />
      <SaveTrouble state={state} />
      {state.is === 'gone' && <GoneBar busy={create.isPending} onCopy={() => keepCopy(() => {})} />}
      <LeftBehind drafts={left} onDone={session.forget} />
      <StationNav plan={plan} base={base} />
      <main className="min-h-0 grow overflow-y-auto lg:grid lg:grid-cols-[1fr_340px] lg:grid-rows-[minmax(0,1fr)_auto] lg:overflow-hidden">
        <EyeFilters />
        <div
          className="relative grid grid-cols-1 bg-table sm:h-[460px] sm:grid-cols-[1.5fr_1fr] lg:h-auto lg:min-h-0"
          data-eye={station === 'arrange' ? eye : undefined}
        >
          <div className="absolute top-1.5 left-2 z-10 sm:hidden">
            <Switcher label="Which drawing" value={drawing} options={DRAWINGS} onChange={setDrawing} />
          </div>
          <div
            className={`grid h-[min(340px,44vh)] min-h-0 border-line sm:h-auto sm:border-r ${drawing === 'flat' ? '' : 'max-sm:hidden'}`}
          >
            <Boundary what="The net" of={plan}>
              <FlatView
                plan={plan}
                named={station === 'joins' || station === 'sides'}
                seams={station !== 'joins' && station !== 'arrange'}
                beside={station === 'build' && editor ? 1 : 0}
                motifs={station === 'arrange'}
                grips={grips}
                onKey={station === 'arrange' ? (key) => cellKey(plan, store, key) : undefined}
                overlay={(px) => <Overlay station={station} plan={plan} store={store} px={px} />}
              />
            </Boundary>
          </div>
          <div
            className={`grid h-[min(340px,44vh)] min-h-0 max-sm:has-[canvas]:h-auto sm:h-auto ${drawing === 'made' ? '' : 'max-sm:hidden'}`}
          >
            <Boundary what="The made-up bag" of={plan}>
              <MadeUpView
                plan={plan}
                work={shown && { run: shown.step?.run, now: shown.now, done: shown.done }}
                laying={station === 'arrange' ? { twins: twinsOf(plan), store } : undefined}
              />
            </Boundary>
          </div>
        </div>
        <aside
          aria-label={`Worktop: ${stationName[station]}`}
          className="border-line bg-card lg:row-span-2 lg:min-h-0 lg:overflow-y-auto lg:border-l"
        >
          <Boundary key={station} what="This station" of={plan}>
            <Worktop plan={plan} store={store} />
          </Boundary>
        </aside>
        <Boundary what="The tapes" of={plan}>
          <Tapes plan={plan} store={store} pull={station === 'brief'} />
        </Boundary>
      </main>
      {state.is === 'clash' && (
        <ClashDialog busy={create.isPending} onCopy={() => keepCopy(session.take)} onTake={session.take} />
      )}
      <OverBag plan={plan} store={store} base={base} />
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
  const controls = useControls(plan.document);
  const editor = useNetEditor(plan.document);
  switch (station) {
    case 'build':
      return editor ? (
        <NetOverlay
          editor={editor}
          px={px}
          onChange={(construction) => tell(store.getState().change((doc) => ({ ...doc, construction })))}
        />
      ) : (
        <Grips controls={controls} px={px} store={store} />
      );
    case 'arrange':
      return <Cells plan={plan} store={store} px={px} twins={twinsOf(plan)} />;
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

interface GoneBarProps {
  readonly busy: boolean;
  readonly onCopy: () => void;
}

function GoneBar({ busy, onCopy }: GoneBarProps) {
  return (
    <p role="alert" className="bg-loosestrife-pale px-4 py-2 text-sm">
      This bag was deleted in another window.{' '}
      <button
        type="button"
        disabled={busy}
        className="font-semibold text-kingfisher underline"
        onClick={onCopy}
      >
        Keep what is here as a new bag
      </button>
    </p>
  );
}
