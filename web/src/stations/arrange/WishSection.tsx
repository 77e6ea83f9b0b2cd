import { USUAL_WEIGHTS, type Weights } from '@fennot/core';
import { Slider } from 'radix-ui';
import { useId } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';

const WISHES: ReadonlyArray<{ readonly key: keyof Weights; readonly label: string }> = [
  { key: 'like', label: 'No twins side by side' },
  { key: 'outer', label: 'Last rounds of different colours' },
  { key: 'near', label: 'Neighbours that look different' },
  { key: 'lines', label: 'No three alike in a line' },
  { key: 'faces', label: 'Front and back not alike' },
  { key: 'apart', label: 'Twins far apart' },
];
const MUCH = ['not at all', 'a little', 'some', 'much', 'most'] as const;

/** How much each wish counts for what is suggested. */
export function WishSection({ plan, store }: StationProps) {
  const weights = plan.document.arrangement?.weights ?? USUAL_WEIGHTS;
  const { change } = store.getState();
  const set = (next: Weights | undefined) =>
    change(({ arrangement, ...doc }) => ({ ...doc, arrangement: { ...arrangement, weights: next } }));
  return (
    <Section
      title="What counts"
      aside={
        plan.document.arrangement?.weights && (
          <Button small look="bare" onClick={() => set(undefined)}>
            As usual
          </Button>
        )
      }
    >
      {WISHES.map(({ key, label }) => (
        <Wish
          key={key}
          label={label}
          value={weights[key]}
          onChange={(value) => tell(set({ ...weights, [key]: value }))}
        />
      ))}
    </Section>
  );
}

interface WishProps {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

function Wish({ label, value, onChange }: WishProps) {
  const id = useId();
  return (
    <div>
      <div className="flex items-baseline justify-between gap-2 text-sm">
        <span id={id}>{label}</span>
        <span className="text-xs text-soft">{MUCH[value]}</span>
      </div>
      <Slider.Root
        value={[value]}
        min={0}
        max={MUCH.length - 1}
        step={1}
        onValueChange={([next]) => next !== undefined && next !== value && onChange(next)}
        className="relative flex h-5 w-full touch-none items-center select-none"
      >
        <Slider.Track className="relative h-1.5 grow rounded-full bg-line">
          <Slider.Range className="absolute h-full rounded-full bg-kingfisher" />
        </Slider.Track>
        <Slider.Thumb
          aria-labelledby={id}
          aria-valuetext={MUCH[value]}
          className="block size-4 rounded-full border-2 border-card bg-kingfisher shadow-md"
        />
      </Slider.Root>
    </div>
  );
}
