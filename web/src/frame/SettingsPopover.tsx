import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { ReadingFields } from './ReadingFields.tsx';

/** Opened at once by the button it is given. Words, lengths, light or dark: they govern every label. */
export default function SettingsPopover({ children }: { readonly children: ReactNode }) {
  return (
    <Popover.Root defaultOpen>
      <Popover.Trigger asChild>{children}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label="Settings"
          align="end"
          sideOffset={6}
          className="z-50 grid grid-cols-[auto_auto] items-center gap-x-4 gap-y-2.5 rounded-sm border border-line bg-card p-4 text-sm shadow-md"
        >
          <ReadingFields />
          <Link
            to="/settings"
            className="col-span-2 border-t border-line pt-2.5 font-medium text-kingfisher underline"
          >
            All settings: devices, security, data
          </Link>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
