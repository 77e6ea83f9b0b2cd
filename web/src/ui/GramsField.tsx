import { boundsOf, gramsSchema } from '@fennot/core';
import { TypedField } from './Field.tsx';
import { readNumber } from './fields.tsx';
import { TakeFromScale } from './TakeFromScale.tsx';
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
    <div className="flex items-start gap-0.5">
      <div className="min-w-0 grow">
        <TypedField<number | undefined>
          label={label}
          value={value}
          numeric
          suffix="g"
          show={(grams) => (grams === undefined ? '' : String(Math.round(grams * 100) / 100))}
          read={(text) => {
            const plain = text.trim().replace(/g$/i, '');
            return plain.trim() === ''
              ? { ok: true, value: undefined }
              : readNumber(plain, 'the weight', BOUNDS);
          }}
          onChange={onChange}
        />
      </div>
      <span className="mt-5">
        <TakeFromScale of={`the weight ${label.toLowerCase()}`} onTake={onChange} />
      </span>
    </div>
  );
}
