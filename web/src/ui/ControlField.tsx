import type { Control } from '@fennot/core';
import { Choice } from './Choice.tsx';
import { LengthField, NumberField } from './fields.tsx';
import type { Outcome } from './tell.ts';

interface ControlFieldProps<C> {
  readonly control: Control<C>;
  readonly onChange: (changed: C) => Outcome;
}

/** One decision as a form field. */
export function ControlField<C>({ control, onChange }: ControlFieldProps<C>) {
  if (control.kind === 'length')
    return (
      <LengthField
        label={control.label}
        value={control.value}
        bounds={{ min: control.min, max: control.max, whole: false }}
        hint={control.hint}
        onChange={(value) => onChange(control.set(value))}
      />
    );
  return control.kind !== 'choice' ? (
    <NumberField
      label={control.label}
      name={control.label.toLowerCase()}
      value={control.value}
      bounds={{ min: control.min, max: control.max, whole: true }}
      step={control.step}
      hint={control.hint}
      problem={control.problem}
      buttons
      onChange={(value) => onChange(control.set(value))}
    />
  ) : (
    <Choice
      label={control.label}
      value={control.value}
      options={control.options}
      hint={control.hint}
      onChange={(value) => onChange(control.set(value))}
    />
  );
}
