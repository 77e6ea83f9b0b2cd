import { Settings2 } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../ui/Button.tsx';

// The first page needs the button only.
const SettingsPopover = lazy(() => import('./SettingsPopover.tsx'));

/** The button that opens the settings; what it opens is fetched when it is first pressed. */
export function SettingsMenu() {
  const [wanted, setWanted] = useState(false);
  const button = (
    <Button look="bare" small aria-haspopup="dialog" onClick={() => setWanted(true)}>
      <Settings2 size={16} /> <span className="max-sm:sr-only">Settings</span>
    </Button>
  );
  if (!wanted) return button;
  return (
    <Suspense fallback={button}>
      <SettingsPopover>{button}</SettingsPopover>
    </Suspense>
  );
}
