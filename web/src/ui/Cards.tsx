import { RadioGroup } from 'radix-ui';
import type { ReactNode } from 'react';
import { type Outcome, tell } from './tell.ts';

interface CardsProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: ReadonlyArray<{
    readonly value: T;
    readonly content: ReactNode;
    readonly title?: string;
  }>;
  readonly onChange: (value: T) => Outcome;
  readonly className?: string;
}

/** One of a few, each shown as a card with a drawing or figures. */
export function Cards<T extends string>({ label, value, options, onChange, className = '' }: CardsProps<T>) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      onValueChange={(text) => {
        const next = options.find((option) => option.value === text);
        if (next && next.value !== value) tell(onChange(next.value));
      }}
      className={`grid gap-2 ${className}`}
    >
      {options.map((option) => (
        <RadioGroup.Item
          key={option.value}
          value={option.value}
          title={option.title}
          className="rounded-sm border border-line bg-card px-2.5 py-1.5 text-left text-sm hover:border-kingfisher data-[state=checked]:border-kingfisher data-[state=checked]:bg-kingfisher-pale"
        >
          {option.content}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
