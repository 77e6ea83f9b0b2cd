import type { Settings } from '@fennot/core';
import { useChangeSettings, useSettings } from '../api/queries.ts';
import { CurrencyField } from '../ui/CurrencyField.tsx';
import { Switcher } from '../ui/Switcher.tsx';

/** Words, lengths, hands, money, light or dark: they govern every label. To be put in a grid of two columns. */
export function ReadingFields() {
  const settings: Settings = useSettings();
  const change = useChangeSettings();
  return (
    <>
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
      <span>Rest the hands</span>
      <Switcher
        label="Rest the hands"
        value={settings.breaks}
        options={[
          { value: 'on', label: 'Remind me' },
          { value: 'off', label: 'Do not' },
        ]}
        onChange={(breaks) => change({ ...settings, breaks })}
      />
      <span>Money</span>
      <CurrencyField value={settings.currency} onChange={(currency) => change({ ...settings, currency })} />
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
    </>
  );
}
