import { CloudOff, HardDrive } from 'lucide-react';
import type { LogState } from './log/logbook.ts';

const waiting = (many: number) => `${many} ${many === 1 ? 'step waits' : 'steps wait'}`;

/** Said only where it matters: what is done is kept here, and not at the server yet; or not even here. */
export function LineMark({ log }: { readonly log: LogState }) {
  const { unkept, full, refused, unsent, line } = log;
  if (full && unkept > 0)
    return (
      <p role="alert" className="flex items-center gap-2 bg-loosestrife-pale px-4 py-1.5 text-sm">
        <HardDrive size={16} className="shrink-0" />
        This device has no room: {waiting(unkept)} in this window alone. Keep it open until the server has
        them, or make room.
      </p>
    );
  if (line === 'gone')
    return (
      <p role="alert" className="bg-loosestrife-pale px-4 py-1.5 text-sm">
        This bag was deleted elsewhere. What you do here stays on this device.
      </p>
    );
  if (refused > 0)
    return (
      <p role="alert" className="bg-loosestrife-pale px-4 py-1.5 text-sm">
        The server will not take {refused} of the steps that were done here. They stay on this device.
      </p>
    );
  if (unsent > 0 && (line === 'away' || line === 'signed out'))
    return (
      <p role="status" className="flex items-center gap-2 bg-marigold-pale px-4 py-1.5 text-sm">
        <CloudOff size={16} className="shrink-0" />
        {line === 'away'
          ? `No connection: ${waiting(unsent)} on this device, and will be sent. Go on.`
          : `You are signed out: ${waiting(unsent)} on this device until you sign in.`}
      </p>
    );
  return null;
}
