import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { useChangeSettings, useSettings } from '../api/queries.ts';
import { CurrencyField } from '../ui/CurrencyField.tsx';
import { Switcher } from '../ui/Switcher.tsx';

/** Opened at once by the button it is given. Words, lengths, light or dark: they govern every label. */
export default function SettingsPopover({ children }: { readonly children: ReactNode }) {
  const settings = useSettings();
  const change = useChangeSettings();
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
          <span>Stitch names</span>
          <Switcher
            label="Stitch names"
            value={settings.terms}
            options={[
              { value: 'us', label: 'US' },
              { value: 'uk', label: 'UK' },
            ]}
            onChange={(terms) => change({ ...settings, terms })}
          />
          <span>Lengths</span>
          <Switcher
            label="Lengths"
            value={settings.system}
            options={[
              { value: 'cm', label: 'cm' },
              { value: 'in', label: 'inches' },
            ]}
            onChange={(system) => change({ ...settings, system })}
          />
          <span>Hook in</span>
          <Switcher
            label="Hook in"
            value={settings.hand}
            options={[
              { value: 'right', label: 'Right hand' },
              { value: 'left', label: 'Left hand' },
            ]}
            onChange={(hand) => change({ ...settings, hand })}
          />
          <span>Money</span>
          <CurrencyField
            value={settings.currency}
            onChange={(currency) => change({ ...settings, currency })}
          />
          <span>Colours</span>
          <Switcher
            label="Colours"
            value={settings.theme}
            options={[
              { value: 'light', label: 'Light' },
              { value: 'dark', label: 'Dark' },
              { value: 'device', label: 'As the device' },
            ]}
            onChange={(theme) => change({ ...settings, theme })}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
