import { ToggleGroup } from 'radix-ui';
import { type Outcome, tell } from './tell.ts';

interface SwitcherProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: ReadonlyArray<{ readonly value: T; readonly label: string }>;
  readonly onChange: (value: T) => Outcome;
}

/** One of two or three, side by side. */
export function Switcher<T extends string>({ label, value, options, onChange }: SwitcherProps<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(text) => {
        const next = options.find((option) => option.value === text);
        if (next) tell(onChange(next.value));
      }}
      className="inline-flex rounded-sm border border-line bg-card p-0.5"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="min-h-7 rounded-[3px] px-2 text-xs font-medium text-soft hover:text-kingfisher data-[state=on]:bg-kingfisher-pale data-[state=on]:text-ink"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
