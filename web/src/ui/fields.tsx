import { formatLength, lengthFigure, type Mm, mm, parseLength } from '@fennot/core';
import { Minus, Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import { useSettings } from '../api/queries.ts';
import { Button } from './Button.tsx';
import { TypedField } from './Field.tsx';

interface NumberFieldProps {
  readonly label: ReactNode;
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  /** Only whole numbers make sense. */
  readonly whole?: boolean;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  readonly suffix?: ReactNode;
  /** Minus and plus beside the field. */
  readonly buttons?: boolean;
  readonly name: string;
}

/** Reads a number within bounds, with a sentence for each way it can be wrong. */
export function readNumber(text: string, name: string, min: number, max: number, whole: boolean) {
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
  const { label, value, onChange, min, max, step = 1, whole = true, name, buttons, ...rest } = props;
  const stepped = (from: number, by: 1 | -1) => Math.min(max, Math.max(min, from + by * step));
  const field = (
    <TypedField
      label={label}
      value={value}
      numeric
      show={(n) => (whole ? String(n) : String(Math.round(n * 100) / 100))}
      read={(text) => readNumber(text, name, min, max, whole)}
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
  readonly onChange: (value: Mm) => void;
  /** Clears the value when the field is emptied; without it an empty field is refused. */
  readonly onClear?: (() => void) | undefined;
  readonly max?: number;
  readonly least?: number;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  readonly placeholder?: string;
}

/** A length in the maker's unit; any unit can be typed. */
export function LengthField({
  value,
  onChange,
  onClear,
  max = 5000,
  least = 0.1,
  ...rest
}: LengthFieldProps) {
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
        if (parsed.value < least)
          return {
            ok: false,
            error: least > 0 ? 'A length must be more than zero.' : 'This cannot be negative.',
          };
        if (parsed.value > max)
          return { ok: false, error: `This cannot be more than ${formatLength(max, system)}.` };
        return parsed;
      }}
      onChange={(length) => (length === undefined ? onClear?.() : onChange(mm(length)))}
      step={(length, by) =>
        Math.min(max, Math.max(least, (length ?? 0) + by * (system === 'cm' ? 5 : 25.4 / 8)))
      }
      {...rest}
    />
  );
}

interface TextFieldProps {
  readonly label: ReactNode;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly most?: number;
}

/** A name: never empty, never endless. */
export function TextField({ label, value, onChange, most = 80 }: TextFieldProps) {
  return (
    <TypedField
      label={label}
      value={value}
      show={(text) => text}
      read={(text) => {
        const trimmed = text.trim();
        if (trimmed === '') return { ok: false, error: 'This needs a name.' };
        if (trimmed.length > most)
          return { ok: false, error: `A name cannot be longer than ${most} characters.` };
        return { ok: true, value: trimmed };
      }}
      onChange={onChange}
    />
  );
}
