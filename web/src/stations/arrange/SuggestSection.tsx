import { laidAs, type Plan, scoreText } from '@fennot/core';
import { Sparkles } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { BagStore } from '../../open-bag/store.ts';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import { tell } from '../../ui/tell.ts';
import { SmallBag } from './SmallBag.tsx';
import type { useSuggestions } from './use-suggestions.ts';

interface SuggestSectionProps {
  readonly plan: Plan;
  readonly store: BagStore;
  readonly suggesting: ReturnType<typeof useSuggestions>;
}

/** Good arrangements that differ, each as a small bag with its scores; pressed, it lies on the table. */
export function SuggestSection({ plan, store, suggesting }: SuggestSectionProps) {
  const { suggested, begin } = suggesting;
  const [seed, setSeed] = useState(1);
  const { list, busy, why } = suggested;
  const { document, cells } = plan;
  const task = plan.arranging();
  const outers = new Set(task.designs.map(({ outer }) => outer)).size > 1;
  const bags = useMemo(
    () => list.map(({ laying }) => laidAs(document, cells, task, laying)),
    [list, document, cells, task],
  );
  return (
    <Section title="Suggestions">
      <Button
        look={list.length === 0 ? 'main' : 'plain'}
        small
        className="self-start"
        disabled={busy}
        onClick={() => {
          begin(seed);
          setSeed(seed + 1);
        }}
      >
        <Sparkles size={13} />{' '}
        {busy ? 'Looking ...' : list.length === 0 ? 'Suggest arrangements' : 'Suggest others'}
      </Button>
      {why && (
        <p role="alert" className="text-sm text-loosestrife">
          {why}
        </p>
      )}
      <ul className="flex flex-col gap-2" aria-label="Suggested arrangements">
        {list.map((one, i) => {
          const bag = bags[i];
          if (!bag) return null;
          return (
            <li key={one.laying.join()}>
              <button
                type="button"
                onClick={() => tell(store.getState().change((doc) => laidAs(doc, cells, task, one.laying)))}
                className="w-full rounded-sm border border-line p-1.5 text-left hover:border-kingfisher"
              >
                <SmallBag document={bag} label={`Suggestion ${i + 1}`} />
                <span className="block pt-1 text-xs">{scoreText(one.judged, outers)}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </Section>
  );
}
