import {
  askewIn,
  chance,
  type LaidCell,
  laidAs,
  lockSet,
  neighbourText,
  type Plan,
  painted,
  turned,
  twinsText,
} from '@fennot/core';
import { Lock, LockOpen, RotateCw, Shuffle } from 'lucide-react';
import { useEffect, useState } from 'react';
import { usePointed } from '../../drawing/pointed.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { useArranging } from './arranging.ts';
import { DesignRail } from './DesignRail.tsx';
import { useEye } from './eye.ts';
import { KeptSection } from './KeptSection.tsx';
import { LooksSection } from './LooksSection.tsx';
import { OrderSection } from './OrderSection.tsx';
import { ScrapsSection } from './ScrapsSection.tsx';
import { SuggestSection } from './SuggestSection.tsx';
import { useSuggestions } from './use-suggestions.ts';
import { useTwins } from './use-twins.ts';
import { WishSection } from './WishSection.tsx';

/** Which design goes where: laid by hand, suggested, or by a plan. */
export function ArrangeStation({ plan, store }: StationProps) {
  const suggesting = useSuggestions(plan);
  const { change } = store.getState();
  const { pieces } = plan.graph;
  const [seed, setSeed] = useState(1);
  useCleared();
  if (plan.cells.length === 0)
    return (
      <Section title="Arrange">
        <p className="text-sm text-soft">
          This bag has no motifs to lay: it is all panels. Colours by row are under Build, Stripes.
        </p>
      </Section>
    );
  return (
    <>
      <DesignRail plan={plan} store={store} />
      <Twins plan={plan} bound={suggesting.suggested.bound} />
      <Picked plan={plan} store={store} />
      <OneWay plan={plan} />
      <SuggestSection plan={plan} store={store} suggesting={suggesting} />
      <WishSection plan={plan} store={store} />
      <OrderSection plan={plan} store={store} />
      <KeptSection plan={plan} store={store} />
      <LooksSection plan={plan} store={store} />
      <ScrapsSection plan={plan} store={store} />
      <Section title="By chance">
        <Button
          small
          className="self-start"
          disabled={pieces.length < 2}
          onClick={() => {
            setSeed(seed + 1);
            return change((doc) => laidAs(doc, plan.cells, plan.arranging(), chance(plan.arranging(), seed)));
          }}
        >
          <Shuffle size={13} /> Shuffle what is not locked
        </Button>
      </Section>
    </>
  );
}

/** What the hand holds and how the eye looks is put aside with the station. */
function useCleared(): void {
  useEffect(
    () => () => {
      useArranging.getState().set({ brush: undefined, held: undefined, walk: undefined });
      useEye.getState().look('plain');
    },
    [],
  );
}

interface TwinsProps {
  readonly plan: Plan;
  readonly bound: ReturnType<typeof useSuggestions>['suggested']['bound'];
}

/** How many twins touch, and a walk through them. */
function Twins({ plan, bound }: TwinsProps) {
  const twins = useTwins(plan);
  const { walk, set } = useArranging();
  const at = walk !== undefined && walk < twins.length ? walk : undefined;
  const go = (next: number) => {
    const pair = twins[next];
    set({ walk: next });
    usePointed.getState().point({ piece: pair?.a });
  };
  return (
    <Section title="Twins">
      <p
        className={`text-sm font-medium ${twins.length === 0 ? 'text-reed' : 'text-loosestrife'}`}
        data-testid="twins"
      >
        {twinsText(twins.length, bound)}
      </p>
      {twins.length > 0 && (
        <>
          <ol className="flex max-h-40 flex-col gap-0.5 overflow-y-auto">
            {twins.map((pair, i) => (
              <li key={`${pair.a} ${pair.b}`}>
                <button
                  type="button"
                  aria-pressed={i === at}
                  onClick={() => go(i)}
                  className={`w-full rounded-sm px-2 py-0.5 text-left text-sm ${i === at ? 'bg-kingfisher-pale' : 'hover:bg-kingfisher-pale'}`}
                >
                  {neighbourText(plan.graph, pair)}
                </button>
              </li>
            ))}
          </ol>
          <Button
            small
            className="self-start"
            onClick={() => go(at === undefined ? 0 : (at + 1) % twins.length)}
          >
            {at === undefined ? 'Walk through them' : 'Next pair'}
          </Button>
        </>
      )}
    </Section>
  );
}

/** Whether motifs that have a top hang upright, on every face they are seen on. */
function OneWay({ plan }: Pick<StationProps, 'plan'>) {
  if (!plan.cells.some(({ motif }) => plan.document.motifs.find(({ id }) => id === motif)?.oneWay))
    return null;
  const found = askewIn(plan);
  const name = (id: string) => plan.graph.pieces.find((piece) => piece.id === id)?.name ?? id;
  return (
    <Section title="One way up">
      {found.length === 0 ? (
        <p className="text-sm text-reed" data-testid="one-way">
          All hang upright. What carries ↓ is laid upside down.
        </p>
      ) : (
        <ul className="flex flex-col gap-0.5 text-sm text-loosestrife" data-testid="one-way">
          {found.map(({ piece, face, how, folded }) => (
            <li key={`${piece} ${face}`}>
              <button
                type="button"
                className="text-left hover:underline"
                onClick={() => usePointed.getState().point({ piece })}
              >
                {name(piece)} is {how} on the {face}
                {folded ? ': folded over, it is upright on one face only.' : '.'}
              </button>
            </li>
          ))}
        </ul>
      )}
    </Section>
  );
}

/** The motif that is looked at: what lies there, turned and locked by buttons as by keys. */
function Picked({ plan, store }: StationProps) {
  const { piece } = usePointed();
  const held = useArranging((state) => state.held);
  const [last, setLast] = useState<string>();
  const pointed = plan.cells.find((cell) => cell.piece === piece);
  // Pointing elsewhere, at these very buttons among others, keeps the one that was chosen.
  if (pointed && pointed.piece !== last) setLast(pointed.piece);
  const cell: LaidCell | undefined = pointed ?? plan.cells.find((one) => one.piece === last);
  const { change } = store.getState();
  if (!cell) return null;
  const motif = plan.document.motifs.find(({ id }) => id === cell.motif);
  const name = plan.graph.pieces.find(({ id }) => id === cell.piece)?.name ?? cell.piece;
  const heldName = plan.graph.pieces.find(({ id }) => id === held)?.name;
  return (
    <Section title={name}>
      <div className="flex items-end gap-2">
        <div className="min-w-0 grow">
          <Choice
            label="Design"
            value={cell.design}
            options={(motif?.colourways ?? []).map((way) => ({ value: way.id, label: way.name }))}
            onChange={(design) =>
              cell.locked
                ? `${name} is locked. Unlock it first.`
                : change((doc) => painted(doc, plan.cells, [cell.piece], design))
            }
          />
        </div>
        <Button
          small
          aria-label={`Turn ${name} a quarter`}
          onClick={() => change((doc) => turned(doc, plan.cells, cell))}
        >
          <RotateCw size={14} />
        </Button>
        <Button
          small
          aria-pressed={cell.locked}
          aria-label={cell.locked ? `Unlock ${name}` : `Lock ${name}`}
          onClick={() => change((doc) => lockSet(doc, plan.cells, cell, !cell.locked))}
        >
          {cell.locked ? <Lock size={14} /> : <LockOpen size={14} />}
        </Button>
      </div>
      <p className="text-xs text-soft">
        {heldName
          ? `${heldName} is picked up: choose the one it changes places with.`
          : `${cell.turn === 0 ? '' : `Turned by ${['', 'a quarter', 'half', 'three quarters'][cell.turn]}. `}${cell.locked ? 'Locked: no suggestion moves it.' : 'Drag it onto another: the two change places.'}`}
      </p>
    </Section>
  );
}
