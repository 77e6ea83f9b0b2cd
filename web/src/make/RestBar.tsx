import { PAUSE, sinceRest } from '@fennot/core';
import { Hand } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useChangeSettings, useSettings } from '../api/queries.ts';
import { Button } from '../ui/Button.tsx';
import type { LogState } from './log/logbook.ts';

/** So long without a rest hands are reminded of one, and reminded again, ms. */
export const AT_IT = 40 * 60_000;
const AGAIN = 20 * 60_000;
/** So long without a press is a rest, ms; a row may take nearly as long. */
const REST = PAUSE / 2;
/** Nobody presses more often in a day. */
const LATELY = 5000;
/** So often it is looked whether it is time, ms. */
const LOOK = 30_000;

interface RestBarProps {
  readonly log: Pick<LogState, 'events'>;
  readonly device: string;
}

/** Reminds the hands to rest, where its maker has not said otherwise. */
export function RestBar({ log, device }: RestBarProps) {
  const settings = useSettings();
  const change = useChangeSettings();
  const [now, setNow] = useState(() => Date.now());
  const [quiet, setQuiet] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), LOOK);
    return () => clearInterval(timer);
  }, []);
  if (settings.breaks === 'off') return null;
  // Hours of presses, and no more: a log may have years of them.
  const since = sinceRest(log.events.slice(-LATELY), device, now, REST);
  if (since < AT_IT || now < quiet) return null;
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 bg-marigold-pale px-4 py-2 text-sm"
    >
      <p className="flex min-w-60 grow basis-0 items-start gap-2">
        <Hand size={18} className="mt-0.5 shrink-0" />
        <span>
          You have been at it for {Math.floor(since / 60_000)} minutes. Lay it down, stretch fingers, wrists
          and shoulders, look far away. Stop at pain; if it lasts, see a clinician.
        </span>
      </p>
      <span className="flex gap-2">
        <Button className="min-h-11" onClick={() => setQuiet(now + AGAIN)}>
          Later
        </Button>
        <Button className="min-h-11" look="bare" onClick={() => change({ ...settings, breaks: 'off' })}>
          Do not remind me
        </Button>
      </span>
    </div>
  );
}
