import {
  BACK,
  CORNER,
  type Face,
  FRONT,
  formatLength,
  isDeep,
  type Neighbour,
  type Plan,
  piecesText,
  type Settings,
  type View,
} from '@fennot/core';
import { lazy, type PointerEvent, Suspense, useEffect, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { usePointed } from '../drawing/pointed.ts';
import type { BagStore } from '../open-bag/store.ts';
import { Switcher } from '../ui/Switcher.tsx';
import { MadeUpCells } from './MadeUpCells.tsx';
import { MadeUpPicture } from './MadeUpPicture.tsx';
import type { Work } from './MadeUpThreads.tsx';
import { OnFigure } from './OnFigure.tsx';
import { hasWebGl } from './webgl.ts';

const filledView = () => import('../filled/FilledView.tsx');
const FilledView = lazy(filledView);
/** After the page has come to rest what fills is made ready, ms. */
const AT_REST = 400;

const VIEWS = [
  { value: 'front', label: 'Front' },
  { value: 'back', label: 'Back' },
  { value: 'corner', label: 'Corner' },
  { value: 'filled', label: 'Filled' },
] as const;
type Named = Exclude<(typeof VIEWS)[number]['value'], 'filled'>;
const VIEW_OF: Record<Named, View> = { front: FRONT, back: BACK, corner: CORNER };

interface MadeUpViewProps {
  readonly plan: Plan;
  /** The joining as far as it is played. */
  readonly work?: Work | undefined;
  /** Where motifs are laid: twins that touch, to be shown, and the bag they are laid in. */
  readonly laying?: { readonly twins: readonly Neighbour[]; readonly store: BagStore } | undefined;
}

/** Whether what is pressed is a motif that can be laid elsewhere: then the bag is not turned. */
const onMotif = ({ target }: PointerEvent) =>
  target instanceof SVGElement && target.dataset.cellId !== undefined;

/** The made-up bag beside the net: from the front, the back, a corner, or dragged round by hand. */
export function MadeUpView({ plan, work, laying }: MadeUpViewProps) {
  const { system, hand } = useSettings();
  useReadyFilled(plan, hand);
  const pointed = usePointed();
  const deep = plan.tapes.some(({ measure, finished }) => measure === 'depth' && isDeep(finished.value));
  const [filled, setFilled] = useState(false);
  const [worn, setWorn] = useState(false);
  const straps = plan.document.finish?.straps;
  const onFigure = worn && straps;
  const [named, setNamed] = useState<Named | undefined>(undefined);
  const [view, setView] = useState<View | undefined>(undefined);
  const shown = view ?? (deep ? CORNER : FRONT);
  const current = named ?? (view ? undefined : deep ? 'corner' : 'front');

  const drag = (event: PointerEvent<HTMLDivElement>) => {
    if (event.buttons !== 1 || onMotif(event)) return;
    setNamed(undefined);
    setView({
      turn: shown.turn - event.movementX * 0.01,
      tilt: Math.min(1.2, Math.max(-0.9, shown.tilt + event.movementY * 0.008)),
    });
  };
  const size = (name: string) => {
    const tape = plan.tapes.find(({ measure }) => measure === name);
    return formatLength(tape?.finished.value ?? 0, system);
  };
  const faces = [...new Set(plan.graph.facets.map(({ face }) => face))].join(', ');
  const label = `${plan.familyName} bag made up and pressed: ${size('width')} wide, ${size('height')} high${
    deep ? `, ${size('depth')} deep` : ''
  }. Faces: ${faces}. ${piecesText(plan.tally)}.`;
  return (
    <section aria-label="Made up" className="flex min-h-0 min-w-0 flex-col">
      <header className="flex items-center justify-between gap-2 px-3 pt-2 max-sm:justify-end max-sm:pt-12">
        <h2 className="text-base max-sm:hidden">Made up</h2>
        <Switcher
          label="Seen from"
          value={onFigure ? 'worn' : filled ? 'filled' : (current ?? 'turned')}
          options={[
            ...VIEWS,
            ...(straps ? [{ value: 'worn' as const, label: 'Worn' }] : []),
            ...(current || filled || onFigure ? [] : [{ value: 'turned' as const, label: 'Turned' }]),
          ]}
          onChange={(next) => {
            setFilled(next === 'filled');
            setWorn(next === 'worn');
            if (next === 'turned' || next === 'filled' || next === 'worn') return;
            setNamed(next);
            setView(VIEW_OF[next]);
          }}
        />
      </header>
      {onFigure ? (
        <>
          <div className="min-h-0 grow">
            <OnFigure plan={plan} straps={onFigure} />
          </div>
          <p className="px-3 pb-2 text-xs text-soft">
            Figure, strap and bag to one scale. Who carries it is set under Finish, Straps.
          </p>
        </>
      ) : filled && hasWebGl() ? (
        <div className="min-h-0 grow pb-2">
          <Suspense fallback={<p className="p-4 text-sm text-soft">Fetching the third dimension ...</p>}>
            <FilledView plan={plan} work={work} />
          </Suspense>
        </div>
      ) : (
        <>
          <div
            className="min-h-0 grow cursor-grab touch-none active:cursor-grabbing"
            onPointerDown={(event) => {
              if (!onMotif(event)) event.currentTarget.setPointerCapture(event.pointerId);
            }}
            onPointerMove={drag}
          >
            <MadeUpPicture
              plan={plan}
              view={shown}
              label={label}
              live
              work={work}
              twins={laying?.twins}
              over={laying && ((seen) => <MadeUpCells plan={plan} store={laying.store} seen={seen} />)}
              // What is laid must be seen as large as can be.
              straps={laying === undefined}
              className="size-full p-2"
            />
          </div>
          <p className="px-3 pb-2 text-xs text-soft">
            {filled
              ? 'This browser cannot draw in three dimensions (no WebGL), so the pressed bag is shown.'
              : (placeOf(plan, pointed.piece) ??
                (laying
                  ? 'Drag a motif onto another; drag beside the bag to turn it.'
                  : 'Pressed flat at its seams. Drag to turn it.'))}
          </p>
        </>
      )}
    </section>
  );
}

const FACE_NAMES: Record<Face, string> = {
  front: 'the front',
  back: 'the back',
  left: 'the left side',
  right: 'the right side',
  bottom: 'the bottom',
  flap: 'the flap',
  handle: 'a handle',
};

/** Which faces of the bag a piece lies on, in words. */
function placeOf({ graph }: Plan, id: string | undefined): string | undefined {
  const piece = graph.pieces.find((one) => one.id === id);
  if (!piece) return undefined;
  const faces = [...new Set(graph.facets.filter((facet) => facet.piece === id).map(({ face }) => face))];
  const said = faces.map((face) => FACE_NAMES[face]);
  const last = said.pop();
  return `${piece.name} lies on ${said.length > 0 ? `${said.join(', ')} and ` : ''}${last ?? 'nothing'}.`;
}

/** Fetches ahead what fills the bag, with the first plan that is there: then it begins at once when it is asked for. */
function useReadyFilled(plan: Plan, hand: Settings['hand']): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: once is enough
  useEffect(() => {
    if (!hasWebGl()) return;
    const timer = setTimeout(() => {
      // Offline it says so when it is asked for.
      filledView().catch(() => undefined);
      import('../filled/fill-worker.ts').then(
        ({ readyFillWorker }) => readyFillWorker(plan.document, hand),
        () => undefined,
      );
    }, AT_REST);
    return () => clearTimeout(timer);
  }, []);
}
