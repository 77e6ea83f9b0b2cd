import type { Bounds } from '@fennot/core';
import { NumberField } from './fields.tsx';
import { TakeFromScale } from './TakeFromScale.tsx';
import type { Outcome } from './tell.ts';

interface WeightFieldProps {
  readonly label: string;
  readonly name: string;
  readonly value: number;
  readonly bounds: Bounds;
  readonly onChange: (grams: number) => Outcome;
}

/** A weight, typed or taken from the scale. */
export function WeightField({ name, bounds, onChange, ...rest }: WeightFieldProps) {
  return (
    <div className="flex items-start gap-0.5">
      <div className="min-w-0 grow">
        <NumberField {...rest} name={name} suffix="g" bounds={bounds} onChange={onChange} />
      </div>
      <span className="mt-5">
        <TakeFromScale
          of={name}
          onTake={(grams) => void onChange(Math.min(bounds.max, Math.max(bounds.min, grams)))}
        />
      </span>
    </div>
  );
}
