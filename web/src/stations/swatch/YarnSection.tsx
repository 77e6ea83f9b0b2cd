import { type BagDocument, YARN_WEIGHTS, type Yarn } from '@fennot/core';
import { Plus } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';

/** The bag's yarns: name, colour and weight class. */
export function YarnSection({ plan, store }: StationProps) {
  const { yarns } = plan.document;
  const { change } = store.getState();
  const set = (id: string, fields: Partial<Yarn>) =>
    change(
      (doc): BagDocument => ({
        ...doc,
        yarns: doc.yarns.map((one) => (one.id === id ? { ...one, ...fields } : one)),
      }),
    );
  const add = () =>
    change((doc): BagDocument => {
      const used = new Set(doc.yarns.map(({ id }) => id));
      const id = Array.from({ length: 99 }, (_, i) => `y${i + 1}`).find((one) => !used.has(one)) ?? 'y99';
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
          <label className="block">
            <span className="mb-0.5 block text-xs font-medium text-soft">Colour</span>
            <input
              type="color"
              value={yarn.colour}
              aria-label={`Colour of ${yarn.colourName}`}
              onChange={(event) => set(yarn.id, { colour: event.target.value })}
              className="h-8 w-10 rounded-sm border border-line bg-card p-0.5"
            />
          </label>
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
      <Button small className="self-start" disabled={yarns.length >= 60} onClick={add}>
        <Plus size={13} /> Another yarn
      </Button>
    </Section>
  );
}
