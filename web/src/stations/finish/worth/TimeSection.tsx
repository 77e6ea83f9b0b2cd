import {
  boundsOf,
  endsOf,
  finishDates,
  type KindOfWork,
  type Pace,
  type Plan,
  paceSchema,
} from '@fennot/core';
import { format } from 'date-fns';
import { useMemo } from 'react';
import type { BagStore } from '../../../open-bag/store.ts';
import { hours } from '../../../tapes/amounts.ts';
import { Button } from '../../../ui/Button.tsx';
import { NumberField } from '../../../ui/fields.tsx';
import { Section } from '../../../ui/Section.tsx';
import { tell } from '../../../ui/tell.ts';

const KINDS: Readonly<Record<KindOfWork['kind'], string>> = {
  swatches: 'swatches',
  pieces: 'the pieces',
  joins: 'joining',
  edge: 'the edge',
  straps: 'straps and cord',
  closure: 'the closure',
  ends: 'hiding ends',
};
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
/** Half an hour each day of the week, until the maker says otherwise. */
const USUAL_PACE: Pace = { minutes: 30, days: [1, 2, 3, 4, 5, 6, 7] };

const minutesText = (minutes: number) =>
  minutes < 60 ? `${Math.max(1, Math.round(minutes))} min` : hours(minutes);
const dayText = (date: Date) => format(date, 'EEE d MMMM yyyy');

/** How long it takes, kind by kind, what the ends are of it, and on which day it is done. */
export function TimeSection({ plan, store }: { readonly plan: Plan; readonly store: BagStore }) {
  const { work, minutes } = plan.tally.effort;
  const { pace } = plan.document;
  const ends = useMemo(() => endsOf(plan), [plan]);
  const set = (next: Pace | undefined) => store.getState().change((doc) => ({ ...doc, pace: next }));
  const longest = Math.max(...work.map((one) => one.minutes), 1);
  const dates = pace && finishDates(minutes, pace, new Date());
  return (
    <Section title="Time">
      <p className="text-sm">
        About <b className="tabular-nums">{hours(minutes)}</b>{' '}
        <span className="text-soft">by general figures: hands are up to two fifths faster or slower.</span>
      </p>
      <ul
        aria-label="Time by kind of work"
        className="grid grid-cols-[auto_1fr_auto] items-center gap-x-2 gap-y-1 text-sm"
      >
        {work.map(({ kind, minutes: own }) => (
          <li key={kind} className="contents">
            <span className="text-soft">{KINDS[kind]}</span>
            <span aria-hidden className="h-2.5 rounded-sm bg-table">
              <span
                className="block h-full rounded-sm bg-reed"
                style={{ width: `${Math.max(1, (100 * own) / longest)}%` }}
              />
            </span>
            <span className="text-right tabular-nums">{minutesText(own)}</span>
          </li>
        ))}
      </ul>
      <p className="text-sm" data-testid="ends-count">
        <b>{ends.now} ends</b>, {minutesText(ends.minutes)}.{' '}
        <span className="text-soft">
          {ends.workedOver < ends.now && `Worked over as you go, ${ends.workedOver} are left. `}
          {ends.asYouGo !== undefined &&
            ends.asYouGo < ends.now &&
            `Joined as you go, ${ends.asYouGo} are left.`}
        </span>
      </p>
      {pace && dates ? (
        <>
          <div className="flex flex-wrap items-end gap-3">
            <div className="w-28">
              <NumberField
                label="A day"
                name="minutes a day"
                value={pace.minutes}
                suffix="min"
                bounds={boundsOf(paceSchema.shape.minutes)}
                step={5}
                onChange={(value) => set({ ...pace, minutes: value })}
              />
            </div>
            <fieldset className="flex flex-wrap gap-1">
              <legend className="mb-0.5 text-xs font-medium text-soft">on these days</legend>
              {DAYS.map((name, i) => {
                const day = i + 1;
                const on = pace.days.includes(day);
                return (
                  <label
                    key={name}
                    className={`cursor-pointer rounded-sm border px-1.5 py-1 text-xs font-medium has-focus-visible:outline-2 has-focus-visible:outline-kingfisher ${
                      on ? 'border-kingfisher bg-kingfisher-pale' : 'border-line text-soft'
                    }`}
                  >
                    <input
                      type="checkbox"
                      className="sr-only"
                      checked={on}
                      onChange={() =>
                        tell(
                          set({
                            ...pace,
                            days: on
                              ? pace.days.filter((one) => one !== day)
                              : [...pace.days, day].sort((a, b) => a - b),
                          }),
                        )
                      }
                    />
                    {name}
                  </label>
                );
              })}
            </fieldset>
          </div>
          <p className="text-sm" data-testid="finish-date">
            Begun today, it is done about <b>{dayText(dates.likely)}</b>{' '}
            <span className="text-soft">
              ({dayText(dates.early)} to {dayText(dates.late)}).
            </span>
          </p>
        </>
      ) : (
        <div>
          <Button small onClick={() => set(USUAL_PACE)}>
            When is it done?
          </Button>
        </div>
      )}
    </Section>
  );
}
