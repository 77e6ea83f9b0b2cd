import { cleanText } from '@fennot/core';
import { useEffect, useId, useRef } from 'react';

/** So long a maker stops typing between two thoughts, ms: each is one step of undo. */
const PAUSE = 900;

interface NoteFieldProps {
  readonly label: string;
  readonly value: string;
  readonly most: number;
  /** Called when typing begins. */
  readonly begin: () => { move(value: string): void; commit(): void };
}

/** A longer text, kept as it is typed. */
export function NoteField({ label, value, most, begin }: NoteFieldProps) {
  const id = useId();
  const typing = useRef<{ motion: ReturnType<typeof begin>; timer: number } | undefined>(undefined);
  const end = useRef(() => {
    window.clearTimeout(typing.current?.timer);
    typing.current?.motion.commit();
    typing.current = undefined;
  });
  useEffect(() => end.current, []);
  return (
    <div>
      <label htmlFor={id} className="mb-0.5 block text-xs font-medium text-soft">
        {label}
      </label>
      <textarea
        id={id}
        value={value}
        rows={3}
        maxLength={most}
        onChange={(event) => {
          const motion = typing.current?.motion ?? begin();
          window.clearTimeout(typing.current?.timer);
          motion.move(cleanText(event.target.value));
          typing.current = { motion, timer: window.setTimeout(end.current, PAUSE) };
        }}
        onBlur={end.current}
        className="w-full resize-y rounded-sm border border-line bg-card px-2 py-1 hover:border-kingfisher"
      />
    </div>
  );
}
