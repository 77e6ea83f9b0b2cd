import { type ChangeEvent, type KeyboardEvent, type ReactNode, useId, useState } from 'react';
import type { Outcome } from './tell.ts';

export interface FieldFrameProps {
  readonly label: ReactNode;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  readonly id: string;
  readonly children: ReactNode;
}

/** A label over a control, with the hint or what is wrong below it. */
export function FieldFrame({ label, hint, problem, id, children }: FieldFrameProps) {
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-0.5 block text-xs font-medium text-soft">
        {label}
      </label>
      {children}
      {problem !== undefined ? (
        <p id={`${id}-note`} role="alert" className="mt-1 text-xs font-medium text-loosestrife">
          {problem}
        </p>
      ) : hint !== undefined ? (
        <p id={`${id}-note`} className="mt-1 text-xs text-soft">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

export const inputClass = (wrong: boolean) =>
  `w-full min-w-0 rounded-sm border bg-card px-2 py-1 text-base tabular-nums text-ink ${
    wrong ? 'border-loosestrife' : 'border-line hover:border-kingfisher'
  }`;

interface TypedFieldProps<T> {
  readonly label: ReactNode;
  readonly value: T;
  readonly show: (value: T) => string;
  /** Reads what was typed; a sentence when it cannot be taken. */
  readonly read: (text: string) => { ok: true; value: T } | { ok: false; error: string };
  /** Takes the value, or answers why it cannot be. */
  readonly onChange: (value: T) => Outcome;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  readonly suffix?: ReactNode;
  readonly placeholder?: string;
  readonly numeric?: boolean;
  /** As many lines as it takes; Enter still ends it. */
  readonly grows?: boolean;
  /** Moves the value by one step, for the arrow keys. */
  readonly step?: (value: T, by: 1 | -1) => T;
}

/**
 * A text field for a value that is read from text. What is typed stays as typed until Enter, or until the field is
 * left: only then does it take effect, or stand there with the reason below why it cannot. Escape takes it back.
 */
export function TypedField<T>(props: TypedFieldProps<T>) {
  const { label, value, show, read, onChange, hint, problem, suffix, placeholder, numeric, step } = props;
  const { grows = false } = props;
  const id = useId();
  /** What is typed and has not taken effect. */
  const [text, setText] = useState<string | undefined>(undefined);
  const [error, setError] = useState<string | undefined>(undefined);
  const shown = show(value);
  // A change from elsewhere (a grip, undo) takes the place of what was typed before.
  const [seen, setSeen] = useState(shown);
  if (seen !== shown) {
    setSeen(shown);
    setText(undefined);
    setError(undefined);
  }

  const put = (next: T) => {
    const refusal = onChange(next);
    setError(refusal ?? undefined);
    return refusal === undefined;
  };
  /** Whether what stands in the field holds now. */
  const commit = (): boolean => {
    if (text === undefined) return true;
    // Typed, but no other value: a figure that is shown rounded must not be taken for what is meant.
    if (text.trim() === shown) {
      setText(undefined);
      setError(undefined);
      return true;
    }
    const result = read(text);
    if (!result.ok) {
      setError(result.error);
      return false;
    }
    const taken = put(result.value);
    if (taken) setText(undefined);
    return taken;
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (event.key === 'Enter') {
      // Within a form, Enter sends it, but not with something else than what is typed here.
      if (!commit() || grows) event.preventDefault();
      return;
    }
    if (event.key === 'Escape' && text !== undefined) {
      event.stopPropagation();
      setText(undefined);
      setError(undefined);
      return;
    }
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : undefined;
    if (by === undefined || step === undefined) return;
    event.preventDefault();
    // From what is typed, where that can be read: one that types 12 and presses the arrow means 13.
    const typed = text === undefined ? undefined : read(text);
    setText(undefined);
    put(step(typed?.ok ? typed.value : value, by));
  };
  const wrong = error ?? problem;
  const field = {
    id,
    value: text ?? shown,
    placeholder,
    autoComplete: 'off',
    'aria-invalid': wrong !== undefined,
    'aria-describedby': wrong !== undefined || hint !== undefined ? `${id}-note` : undefined,
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      setText(event.target.value);
      setError(undefined);
    },
    onBlur: () => commit(),
    onKeyDown,
  };
  return (
    <FieldFrame id={id} label={label} hint={hint} problem={wrong}>
      <div className="relative">
        {grows ? (
          <textarea
            {...field}
            rows={1}
            className={`${inputClass(wrong !== undefined)} field-sizing-content block`}
          />
        ) : (
          <input
            {...field}
            inputMode={numeric ? 'decimal' : undefined}
            className={`${inputClass(wrong !== undefined)} ${suffix ? 'pr-10' : ''}`}
          />
        )}
        {suffix && (
          <span className="pointer-events-none absolute inset-y-0 right-2 flex items-center text-xs text-soft">
            {suffix}
          </span>
        )}
      </div>
    </FieldFrame>
  );
}
