import {
  type BagDocument,
  freeId,
  type Plan,
  type Weighing,
  weighables,
  weighingOf,
  weighingTrouble,
  yarnOf,
} from '@fennot/core';
import { useState } from 'react';
import type { BagStore } from '../../../open-bag/store.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { NumberField } from '../../../ui/fields.tsx';
import { GramsField } from '../../../ui/GramsField.tsx';
import { Modal } from '../../../ui/Modal.tsx';
import { Row } from '../../../ui/Section.tsx';
import { Switcher } from '../../../ui/Switcher.tsx';

interface WeighModalProps {
  readonly plan: Plan;
  readonly store: BagStore;
  readonly onClose: () => void;
}

const WAYS = [
  { value: 'thing', label: 'The thing itself' },
  { value: 'ball', label: 'The ball, before and after' },
] as const;

/** Weighs something that is done, so that the estimate comes nearer to this maker's hand. */
export function WeighModal({ plan, store, onClose }: WeighModalProps) {
  const { document, tally } = plan;
  const things = weighables(document, tally.effort);
  const [chosen, setChosen] = useState(() =>
    Math.max(
      0,
      things.findIndex(({ many }) => many > 1),
    ),
  );
  const thing = things[chosen] ?? things[0];
  const [many, setMany] = useState(1);
  const [way, setWay] = useState<(typeof WAYS)[number]['value']>('thing');
  const [grams, setGrams] = useState<number | undefined>(undefined);
  const [after, setAfter] = useState<number | undefined>(undefined);
  const yarns = [...new Set(thing?.worked.map(({ yarn }) => yarn) ?? [])];
  const [yarn, setYarn] = useState<string | undefined>(undefined);
  const ball = yarns.find((id) => id === yarn) ?? yarns[0];
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const weighed = (): Weighing['weighed'] | undefined => {
    if (grams === undefined) return undefined;
    if (way === 'thing') return { of: 'thing', grams };
    return ball === undefined || after === undefined
      ? undefined
      : { of: 'ball', yarn: ball, before: grams, after };
  };
  const add = () => {
    const found = weighed();
    if (!thing || !found)
      return setProblem(
        way === 'thing'
          ? 'Type what it weighs.'
          : 'Type what the ball weighed before, and what it weighs after.',
      );
    if (found.of === 'ball' && found.after >= found.before)
      return setProblem('After the work a ball weighs less than before.');
    const id = freeId(
      'weighing',
      (document.weighings ?? []).map((one) => one.id),
    );
    const own = weighingOf(thing, many, found, id);
    const why =
      weighingTrouble(document, own) ??
      store.getState().change((doc: BagDocument) => ({ ...doc, weighings: [...(doc.weighings ?? []), own] }));
    setProblem(why ?? undefined);
    if (why === undefined) onClose();
  };
  return (
    <Modal
      title="Weigh something that is done"
      about="With its ends, hidden or hanging. The more is weighed, the narrower the range; three squares on the scale at once say more than one."
      open
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <Row>
          <Choice
            label="What is weighed"
            value={String(thing ? things.indexOf(thing) : 0)}
            options={things.map((one, i) => ({ value: String(i), label: one.name }))}
            onChange={(i) => setChosen(Number(i))}
          />
          <NumberField
            label="How many together"
            name="how many"
            value={many}
            bounds={{ min: 1, max: 500, whole: true }}
            onChange={setMany}
            buttons
          />
        </Row>
        <Switcher label="How it is weighed" value={way} options={WAYS} onChange={setWay} />
        {way === 'thing' ? (
          <GramsField label="On the scale" value={grams} onChange={setGrams} />
        ) : (
          <Row>
            {yarns.length > 1 && (
              <Choice
                label="Ball of"
                value={ball ?? ''}
                options={yarns.map((id) => ({ value: id, label: yarnOf(document, id).colourName }))}
                onChange={setYarn}
              />
            )}
            <GramsField label="Before" value={grams} onChange={setGrams} />
            <GramsField label="After" value={after} onChange={setAfter} />
          </Row>
        )}
        {problem !== undefined && (
          <p role="alert" className="text-sm font-medium text-loosestrife">
            {problem}
          </p>
        )}
        <div className="flex justify-end">
          <Button look="main" onClick={add}>
            Learn from it
          </Button>
        </div>
      </div>
    </Modal>
  );
}
