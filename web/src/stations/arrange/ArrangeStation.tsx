import { chance, laidAs } from '@fennot/core';
import { Shuffle } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { useArranging } from './arranging.ts';
import { DesignRail } from './DesignRail.tsx';
import { useEye } from './eye.ts';
import { KeptSection } from './KeptSection.tsx';
import { LooksSection } from './LooksSection.tsx';
import { OneWaySection } from './OneWaySection.tsx';
import { OrderSection } from './OrderSection.tsx';
import { PickedSection } from './PickedSection.tsx';
import { ScrapsSection } from './ScrapsSection.tsx';
import { SuggestSection } from './SuggestSection.tsx';
import { TwinsSection } from './TwinsSection.tsx';
import { useSuggestions } from './use-suggestions.ts';
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
      <TwinsSection plan={plan} bound={suggesting.suggested.bound} />
      <PickedSection plan={plan} store={store} />
      <OneWaySection plan={plan} />
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
