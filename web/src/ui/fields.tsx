import {
  type Bounds,
  boundsOf,
  cleanText,
  formatLength,
  type LengthSystem,
  lengthFigure,
  lengthSchema,
  type Mm,
  mm,
  nameSchema,
  parseLength,
} from '@fennot/core';
import { Minus, Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import type { ZodType } from 'zod';
import { useSettings } from '../api/queries.ts';
import { Button } from './Button.tsx';
import { TypedField } from './Field.tsx';
import type { Outcome } from './tell.ts';

interface NumberFieldProps {
  readonly label: ReactNode;
  readonly value: number;
  readonly onChange: (value: number) => Outcome;
  /** As the schema of the value says: `boundsOf(schema)`. */
  readonly bounds: Bounds;
  readonly step?: number;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  readonly suffix?: ReactNode;
  /** Minus and plus beside the field. */
  readonly buttons?: boolean;
  readonly name: string;
}

/** Reads a number within bounds, with a sentence for each way it can be wrong. */
export function readNumber(text: string, name: string, { min, max, whole }: Bounds) {
  const trimmed = text.trim().replace(',', '.').replace('−', '-');
  if (trimmed === '') return { ok: false, error: `Type a number for ${name}.` } as const;
  const value = Number(trimmed);
  if (!Number.isFinite(value)) return { ok: false, error: `“${text.trim()}” is not a number.` } as const;
  if (whole && !Number.isInteger(value))
    return { ok: false, error: `${cap(name)} must be a whole number.` } as const;
  if (value < min) return { ok: false, error: `${cap(name)} must be at least ${min}.` } as const;
  if (value > max) return { ok: false, error: `${cap(name)} cannot be more than ${max}.` } as const;
  return { ok: true, value } as const;
}

const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

export function NumberField(props: NumberFieldProps) {
  const { label, value, onChange, bounds, step = 1, name, buttons, ...rest } = props;
  const { min, max, whole } = bounds;
  const stepped = (from: number, by: 1 | -1) => Math.min(max, Math.max(min, from + by * step));
  const field = (
    <TypedField
      label={label}
      value={value}
      numeric
      show={(n) => (whole ? String(n) : String(Math.round(n * 100) / 100))}
      read={(text) => readNumber(text, name, bounds)}
      onChange={onChange}
      step={stepped}
      {...rest}
    />
  );
  if (!buttons) return field;
  return (
    <div className="flex items-start gap-1">
      <div className="min-w-0 grow">{field}</div>
      <div className="mt-[22px] flex">
        <Button
          look="bare"
          small
          aria-label={`${cap(name)}: ${step} fewer`}
          disabled={value <= min}
          onClick={() => onChange(stepped(value, -1))}
        >
          <Minus size={14} />
        </Button>
        <Button
          look="bare"
          small
          aria-label={`${cap(name)}: ${step} more`}
          disabled={value >= max}
          onClick={() => onChange(stepped(value, 1))}
        >
          <Plus size={14} />
        </Button>
      </div>
    </div>
  );
}

interface LengthFieldProps {
  readonly label: ReactNode;
  readonly value: number | undefined;
  readonly onChange: (value: Mm) => Outcome;
  /** Clears the value when the field is emptied; without it an empty field is refused. */
  readonly onClear?: (() => Outcome) | undefined;
  /** As the schema of the value says; any length unless it does. */
  readonly bounds?: Bounds;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  readonly placeholder?: string;
}

const ANY_LENGTH = boundsOf(lengthSchema);

function tooShort(min: number, system: LengthSystem): string {
  if (min <= 0) return 'This cannot be negative.';
  return min <= ANY_LENGTH.min
    ? 'A length must be more than zero.'
    : `This must be at least ${formatLength(min, system)}.`;
}

/** A length in the maker's unit; any unit can be typed. */
export function LengthField({ value, onChange, onClear, bounds = ANY_LENGTH, ...rest }: LengthFieldProps) {
  const { min, max } = bounds;
  const { system } = useSettings();
  return (
    <TypedField<number | undefined>
      value={value}
      numeric
      suffix={system}
      show={(length) => (length === undefined ? '' : lengthFigure(length, system))}
      read={(text) => {
        if (text.trim() === '' && onClear) return { ok: true, value: undefined };
        const parsed = parseLength(text, system);
        if (!parsed.ok) return parsed;
        if (parsed.value < min) return { ok: false, error: tooShort(min, system) };
        if (parsed.value > max)
          return { ok: false, error: `This cannot be more than ${formatLength(max, system)}.` };
        return parsed;
      }}
      onChange={(length) => (length === undefined ? onClear?.() : onChange(mm(length)))}
      step={(length, by) =>
        Math.min(max, Math.max(min, (length ?? 0) + by * (system === 'cm' ? 5 : 25.4 / 8)))
      }
      {...rest}
    />
  );
}

interface TextFieldProps {
  readonly label: ReactNode;
  readonly value: string;
  readonly onChange: (value: string) => Outcome;
}

interface WordsFieldProps extends TextFieldProps {
  /** What it may be; its message is shown where it is not. */
  readonly schema: ZodType<string>;
  readonly grows?: boolean;
}

/** A line of words, as its schema allows it. */
export function WordsField({ label, value, onChange, schema, grows = false }: WordsFieldProps) {
  return (
    <TypedField
      label={label}
      value={value}
      show={(text) => text}
      read={(text) => {
        const parsed = schema.safeParse(cleanText(text));
        return parsed.success
          ? { ok: true, value: parsed.data }
          : { ok: false, error: parsed.error.issues[0]?.message ?? 'This cannot be kept.' };
      }}
      onChange={onChange}
      grows={grows}
    />
  );
}

/** A name: never empty, never endless. */
export const TextField = (props: TextFieldProps) => <WordsField {...props} schema={nameSchema} />;
