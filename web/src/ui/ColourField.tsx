import { useEffect, useRef } from 'react';

/** What a change in motion offers its field. */
interface Motion<T> {
  move(value: T): void;
  commit(): void;
}

interface ColourFieldProps {
  readonly label: string;
  readonly value: string;
  /** Called when the maker begins to look for a colour. */
  readonly begin: () => Motion<string>;
}

/**
 * A colour. While the maker looks for one, every colour on the way is shown on the bag, but only the one the picker is
 * left at counts. React has no event for that, so the field listens by itself.
 */
export function ColourField({ label, value, begin }: ColourFieldProps) {
  const input = useRef<HTMLInputElement>(null);
  const start = useRef(begin);
  start.current = begin;
  useEffect(() => {
    const field = input.current;
    if (!field) return;
    let motion: Motion<string> | undefined;
    const onInput = () => {
      motion ??= start.current();
      motion.move(field.value);
    };
    const onDone = () => {
      motion?.commit();
      motion = undefined;
    };
    field.addEventListener('input', onInput);
    field.addEventListener('change', onDone);
    field.addEventListener('blur', onDone);
    return () => {
      onDone();
      field.removeEventListener('input', onInput);
      field.removeEventListener('change', onDone);
      field.removeEventListener('blur', onDone);
    };
  }, []);
  return (
    <label className="block">
      <span className="mb-0.5 block text-xs font-medium text-soft">Colour</span>
      <input
        ref={input}
        type="color"
        value={value}
        aria-label={label}
        // Controlled, so that undo shows here, too; the field's own listeners do the work.
        onChange={() => {}}
        className="h-8 w-10 rounded-sm border border-line bg-card p-0.5"
      />
    </label>
  );
}
