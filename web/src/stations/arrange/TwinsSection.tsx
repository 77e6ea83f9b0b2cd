import { type Bound, neighbourText, type Plan, twinsText } from '@fennot/core';
import { usePointed } from '../../drawing/pointed.ts';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import { useArranging } from './arranging.ts';
import { useTwins } from './use-twins.ts';

interface TwinsProps {
  readonly plan: Plan;
  /** The fewest that there can be, once it is known. */
  readonly bound: Bound | undefined;
}

/** How many twins touch, and a walk through them. */
export function TwinsSection({ plan, bound }: TwinsProps) {
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
          <ol className="flex max-h-[140px] flex-col gap-0.5 overflow-y-auto">
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
