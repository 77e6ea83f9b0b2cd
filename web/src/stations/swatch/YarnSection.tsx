import { type BagDocument, freeId, LIMITS, YARN_WEIGHTS, type Yarn } from '@fennot/core';
import { Plus } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Section } from '../../ui/Section.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';

const withYarn =
  (id: string, fields: Partial<Yarn>) =>
  (doc: BagDocument): BagDocument => ({
    ...doc,
    yarns: doc.yarns.map((one) => (one.id === id ? { ...one, ...fields } : one)),
  });

/** The bag's yarns: name, colour and weight class. */
export function YarnSection({ plan, store }: StationProps) {
  const { yarns } = plan.document;
  const { change } = store.getState();
  const set = (id: string, fields: Partial<Yarn>) => change(withYarn(id, fields));
  const add = () =>
    change((doc): BagDocument => {
      const id = freeId(
        'yarn',
        doc.yarns.map((one) => one.id),
      );
      const like = doc.yarns[0];
      const fresh: Yarn = {
        id,
        name: like?.name ?? 'Yarn',
        colourName: `Colour ${doc.yarns.length + 1}`,
        colour: '#b3572f',
        weight: like?.weight ?? 4,
        fibre: like?.fibre ?? '',
      };
      return { ...doc, yarns: [...doc.yarns, fresh] };
    });
  return (
    <Section title="Yarns">
      {yarns.map((yarn) => (
        <div key={yarn.id} className="grid grid-cols-[auto_1fr_1fr] items-start gap-2">
          <ColourField
            label={`Colour of ${yarn.colourName}`}
            value={yarn.colour}
            begin={() => {
              const gesture = store.getState().begin();
              return {
                move: (colour) => tell(gesture.move(withYarn(yarn.id, { colour }))),
                commit: gesture.commit,
              };
            }}
          />
          <TextField
            label="Its name"
            value={yarn.colourName}
            onChange={(colourName) => set(yarn.id, { colourName })}
          />
          <Choice
            label="Weight"
            value={String(yarn.weight)}
            options={YARN_WEIGHTS.map(({ weight, name }) => ({
              value: String(weight),
              label: `${weight} ${name}`,
            }))}
            onChange={(weight) => set(yarn.id, { weight: Number(weight) })}
          />
        </div>
      ))}
      <Button small className="self-start" disabled={yarns.length >= LIMITS.yarns} onClick={add}>
        <Plus size={13} /> Another yarn
      </Button>
    </Section>
  );
}
