import { type KeyboardEvent, type ReactNode, useEffect, useId, useRef, useState } from 'react';

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
  readonly onChange: (value: T) => void;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  readonly suffix?: ReactNode;
  readonly placeholder?: string;
  readonly numeric?: boolean;
  /** Moves the value by one step, for the arrow keys. */
  readonly step?: (value: T, by: 1 | -1) => T;
}

/**
 * A text field for a value that is read from text. What is typed takes effect as soon as it can be read;
 * what cannot be read stays as typed, with the reason, and changes nothing.
 */
export function TypedField<T>(props: TypedFieldProps<T>) {
  const { label, value, show, read, onChange, hint, problem, suffix, placeholder, numeric, step } = props;
  const id = useId();
  const [text, setText] = useState<string | undefined>(undefined);
  const [error, setError] = useState<string | undefined>(undefined);
  const shown = show(value);
  const typed = useRef(shown);
  // A change from elsewhere (a grip, undo) takes the place of what was typed before.
  useEffect(() => {
    if (typed.current !== shown) {
      typed.current = shown;
      setText(undefined);
      setError(undefined);
    }
  }, [shown]);

  const take = (next: string) => {
    setText(next);
    const result = read(next);
    setError(result.ok ? undefined : result.error);
    if (result.ok) {
      typed.current = show(result.value);
      onChange(result.value);
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : undefined;
    if (by === undefined || step === undefined) return;
    event.preventDefault();
    setText(undefined);
    setError(undefined);
    onChange(step(value, by));
  };
  const wrong = error ?? problem;
  return (
    <FieldFrame id={id} label={label} hint={hint} problem={wrong}>
      <div className="relative">
        <input
          id={id}
          value={text ?? shown}
          inputMode={numeric ? 'decimal' : undefined}
          placeholder={placeholder}
          autoComplete="off"
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong !== undefined || hint !== undefined ? `${id}-note` : undefined}
          className={`${inputClass(wrong !== undefined)} ${suffix ? 'pr-10' : ''}`}
          onChange={(event) => take(event.target.value)}
          onBlur={() => {
            if (error === undefined) setText(undefined);
          }}
          onKeyDown={onKeyDown}
        />
        {suffix && (
          <span className="pointer-events-none absolute inset-y-0 right-2 flex items-center text-xs text-soft">
            {suffix}
          </span>
        )}
      </div>
    </FieldFrame>
  );
}
