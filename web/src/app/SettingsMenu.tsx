import { Settings2 } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useChangeSettings, useSettings } from '../api/queries.ts';
import { Button } from '../ui/Button.tsx';
import { Switcher } from '../ui/Switcher.tsx';

/** Words, lengths, light or dark: they govern every label. */
export function SettingsMenu() {
  const settings = useSettings();
  const change = useChangeSettings();
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look="bare" small>
          <Settings2 size={16} /> <span className="max-sm:sr-only">Settings</span>
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
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
