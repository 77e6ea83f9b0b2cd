import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { type ReactNode, useId } from 'react';
import { FieldFrame } from './Field.tsx';
import { type Outcome, tell } from './tell.ts';

interface ChoiceProps<T extends string> {
  readonly label: ReactNode;
  readonly value: T;
  readonly options: ReadonlyArray<{ readonly value: T; readonly label: string }>;
  readonly onChange: (value: T) => Outcome;
  readonly hint?: ReactNode;
}

/** One of a few, as a list that opens. */
export function Choice<T extends string>({ label, value, options, onChange, hint }: ChoiceProps<T>) {
  const id = useId();
  const find = (text: string) => options.find((option) => option.value === text)?.value;
  return (
    <FieldFrame id={id} label={label} hint={hint}>
      <Select.Root
        value={value}
        onValueChange={(text) => {
          const next = find(text);
          if (next !== undefined) tell(onChange(next));
        }}
      >
        <Select.Trigger
          id={id}
          className="flex w-full items-center justify-between gap-2 rounded-sm border border-line bg-card px-2 py-1 text-left text-base hover:border-kingfisher"
        >
          <span className="truncate">
            <Select.Value />
          </span>
          <Select.Icon>
            <ChevronDown size={16} className="text-soft" />
          </Select.Icon>
        </Select.Trigger>
        <Select.Portal>
          <Select.Content
            position="popper"
            sideOffset={4}
            className="z-50 max-h-80 min-w-(--radix-select-trigger-width) overflow-auto rounded-sm border border-line bg-card p-1 shadow-md"
          >
            <Select.Viewport>
              {options.map((option) => (
                <Select.Item
                  key={option.value}
                  value={option.value}
                  className="flex items-center gap-2 rounded-sm px-2 py-1.5 text-base outline-none data-highlighted:bg-kingfisher-pale data-highlighted:text-ink"
                >
                  <span className="w-4">
                    <Select.ItemIndicator>
                      <Check size={14} />
                    </Select.ItemIndicator>
                  </span>
                  <Select.ItemText>{option.label}</Select.ItemText>
                </Select.Item>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      </Select.Root>
    </FieldFrame>
  );
}
