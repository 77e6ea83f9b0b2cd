import {
  finishDates,
  leftOf,
  type MakeEvent,
  minutesLeft,
  type Plan,
  type Stand,
  speedsOf,
  type WorkRecord,
} from '@fennot/core';
import { format } from 'date-fns';
import { useMemo } from 'react';
import { durationText } from './show/log-words.ts';

interface TimeLeftProps {
  readonly plan: Plan;
  readonly stands: readonly Stand[];
  readonly record: WorkRecord;
  readonly events: readonly MakeEvent[];
}

/** How long it still takes: by one's own speed, where that is known; and the days it may be done on, where it is said when one works. */
export function TimeLeft({ plan, stands, record, events }: TimeLeftProps) {
  const { minutes, own } = useMemo(
    () => minutesLeft(leftOf(plan, stands, record), speedsOf(plan, events)),
    [plan, stands, record, events],
  );
  const { pace } = plan.document;
  if (minutes < 1) return null;
  const days = pace && finishDates(minutes, pace, new Date());
  const day = (date: Date) => format(date, 'd MMMM');
  return (
    <p className="text-center text-sm text-soft">
      About {durationText(minutes)} to go, {own ? 'at your own speed' : 'by general figures'}
      {days ? `: done about ${day(days.likely)}, between ${day(days.early)} and ${day(days.late)}` : ''}.
    </p>
  );
}
