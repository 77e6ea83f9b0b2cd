import { boundsOf, gramsSchema } from '@fennot/core';
import { TypedField } from './Field.tsx';
import { readNumber } from './fields.tsx';
import type { Outcome } from './tell.ts';

interface GramsFieldProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly onChange: (grams: number | undefined) => Outcome;
}

const BOUNDS = boundsOf(gramsSchema);

/** A weight that is typed, or nothing yet. */
export function GramsField({ label, value, onChange }: GramsFieldProps) {
  return (
    <TypedField<number | undefined>
      label={label}
      value={value}
      numeric
      suffix="g"
      show={(grams) => (grams === undefined ? '' : String(Math.round(grams * 100) / 100))}
      read={(text) => {
        const plain = text.trim().replace(/g$/i, '');
        return plain.trim() === '' ? { ok: true, value: undefined } : readNumber(plain, 'the weight', BOUNDS);
      }}
      onChange={onChange}
    />
  );
}
