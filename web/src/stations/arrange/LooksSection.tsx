import {
  coloursExchanged,
  contrastOf,
  FRONT,
  neighbourText,
  type Plan,
  TRIED,
  type Tried,
  triedIn,
  triedYarn,
  triedYarns,
} from '@fennot/core';
import { ArrowLeftRight } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { Cards } from '../../ui/Cards.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Section } from '../../ui/Section.tsx';
import { Switcher } from '../../ui/Switcher.tsx';
import type { StationProps } from '../station.ts';
import { EYE_WORDS, EYES, useEye } from './eye.ts';
import { TintFields } from './TintFields.tsx';

const share = (value: number) => `${Math.round(value * 100)} %`;

/** How the colours go together: with other eyes, in figures, with another joining colour, and two colours exchanged. */
export function LooksSection({ plan, store }: StationProps) {
  const { eye, look } = useEye();
  const [trying, setTrying] = useState(false);
  const task = plan.arranging();
  const contrast = useMemo(() => contrastOf(task, task.laid), [task]);
  return (
    <Section title="Looks">
      <Choice
        label="Seen"
        value={eye}
        options={EYES.map((one) => ({ value: one, label: EYE_WORDS[one].name }))}
        onChange={look}
        hint={EYE_WORDS[eye].about || undefined}
      />
      {contrast.least && (
        <p className="text-sm" data-testid="contrast">
          Neighbours differ in lightness by {share(contrast.lightness)} on average, of black to white; least
          told apart: {neighbourText(plan.graph, contrast.least.pair)} ({share(contrast.least.lightness)}).
        </p>
      )}
      {trying ? (
        <Tries plan={plan} store={store} />
      ) : (
        <Button small className="self-start" onClick={() => setTrying(true)}>
          Try other colours
        </Button>
      )}
      <Exchange plan={plan} store={store} />
      <TintFields plan={plan} store={store} />
    </Section>
  );
}

const PARTS: Record<Tried, string> = { joins: 'Joined', edge: 'Edge', straps: 'Straps' };

/** The bag with a part of it in each of the yarns it could be, side by side. */
function Tries({ plan: latest, store }: StationProps) {
  // As many bags as there are yarns: they are drawn once the one on the table is.
  const plan = useDeferredValue(latest);
  const { document } = plan;
  const [chosen, setChosen] = useState<Tried>('joins');
  const parts = TRIED.filter((part) => triedYarns(document, part).length > 0);
  const part = parts.includes(chosen) ? chosen : 'joins';
  const now = triedYarn(document, part);
  const others = useMemo(
    () =>
      triedYarns(document, part).flatMap(
        ({ id, colourName }): Array<{ id: string; colourName: string; own: Plan }> => {
          if (id === now) return [{ id, colourName, own: plan }];
          const answer = planFor(triedIn(document, part, id));
          return answer.ok ? [{ id, colourName, own: answer.plan }] : [];
        },
      ),
    [document, plan, part, now],
  );
  if (now === undefined) return null;
  return (
    <div className="flex flex-col gap-1.5">
      {parts.length > 1 ? (
        <Switcher
          label="What is tried in other colours"
          value={part}
          options={parts.map((one) => ({ value: one, label: PARTS[one] }))}
          onChange={setChosen}
        />
      ) : (
        <h4 className="text-sm font-semibold">{PARTS[part]} in</h4>
      )}
      <Cards
        label={`${PARTS[part]} in`}
        className="grid-cols-3"
        value={now}
        options={others.map(({ id, colourName, own }) => ({
          value: id,
          content: (
            <>
              <MadeUpPicture
                plan={own}
                view={FRONT}
                label={`${PARTS[part]} in ${colourName}`}
                straps={part === 'straps'}
                className="h-16 w-full"
              />
              <span className="block text-center text-xs">{colourName}</span>
            </>
          ),
        }))}
        onChange={(yarn) => store.getState().change((doc) => triedIn(doc, part, yarn))}
      />
    </div>
  );
}

/** Two colours in one another's place, everywhere. */
function Exchange({ plan, store }: StationProps) {
  const { yarns } = plan.document;
  const [chosen, setChosen] = useState<{ readonly a?: string; readonly b?: string }>({});
  const [first, second] = yarns;
  const find = (id: string | undefined) => yarns.find((yarn) => yarn.id === id)?.id;
  const [a, b] = [find(chosen.a) ?? first?.id, find(chosen.b) ?? second?.id];
  if (a === undefined || b === undefined) return null;
  const options = yarns.map(({ id, colourName }) => ({ value: id, label: colourName }));
  return (
    <div className="grid grid-cols-[1fr_auto_1fr] items-end gap-2">
      <Choice
        label="Exchange"
        value={a}
        options={options}
        onChange={(next) => setChosen({ ...chosen, a: next })}
      />
      <Button
        small
        className="mb-0.5"
        disabled={a === b}
        aria-label="Exchange the two colours in squares, stripes and joins"
        onClick={() => store.getState().change((doc) => coloursExchanged(doc, a, b))}
      >
        <ArrowLeftRight size={14} />
      </Button>
      <Choice
        label="with"
        value={b}
        options={options}
        onChange={(next) => setChosen({ ...chosen, b: next })}
      />
    </div>
  );
}
