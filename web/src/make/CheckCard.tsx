import {
  type Check,
  checkVerdict,
  formatLength,
  MEASURE_WORDS,
  mm,
  movesBetween,
  type Plan,
  tapedSizes,
  withMeasured,
} from '@fennot/core';
import { Ruler } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { planFor } from '../open-bag/plans.ts';
import { Button } from '../ui/Button.tsx';
import { LengthField } from '../ui/fields.tsx';

interface CheckCardProps {
  readonly plan: Plan;
  readonly check: Check;
  /** Takes it into the plan. */
  readonly onTake: (check: Check, mm: number) => void;
  readonly onLater: () => void;
}

/** Something is to be laid under the tape: what it should come to, what it did, and what that does to the bag. */
export function CheckCard({ plan, check, onTake, onLater }: CheckCardProps) {
  const { system } = useSettings();
  const [length, setLength] = useState<number | undefined>(undefined);
  const { expected, range } = check;
  const say = (size: number) => formatLength(mm(size), system);
  const verdict = length === undefined ? undefined : checkVerdict(check, length);
  const moves = useMemo(() => {
    if (length === undefined) return [];
    const next = planFor(withMeasured(plan.document, check.what, length));
    return next.ok ? movesBetween(tapedSizes(plan), tapedSizes(next.plan)) : [];
  }, [plan, check, length]);
  return (
    <section aria-label="Measure it" className="border-l-4 border-kingfisher bg-card px-3 py-2">
      <h3 className="flex items-center gap-2 text-lg">
        <Ruler size={18} />{' '}
        {check.what.of === 'motif' ? 'Lay it under the tape' : `Measure the ${check.at} rows`}
      </h3>
      <p className="text-sm text-soft">
        {check.what.of === 'motif'
          ? 'Flat, not pulled, across the middle from side to side.'
          : 'Flat, not pulled, from the first row to the last.'}{' '}
        {say(expected)} is expected, {say(range.low)} to {say(range.high)}.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <div className="w-36">
          <LengthField
            label="It measures"
            value={length}
            onChange={setLength}
            onClear={() => setLength(undefined)}
          />
        </div>
        <Button
          look="main"
          className="min-h-11"
          disabled={length === undefined}
          onClick={() => {
            if (length !== undefined) onTake(check, length);
          }}
        >
          Take it into the plan
        </Button>
        <Button look="bare" className="min-h-11" onClick={onLater}>
          Not now
        </Button>
      </div>
      {verdict && (
        <p role="status" className="mt-2">
          <b>
            {verdict.is === 'as expected'
              ? 'As expected.'
              : `${Math.abs(verdict.percent).toFixed(1)} % ${verdict.is} than expected.`}
          </b>{' '}
          {moves.length === 0
            ? 'The bag stays as large as it was planned.'
            : `With it the bag’s ${moves
                .map(
                  ({ measure, by }) =>
                    `${MEASURE_WORDS[measure]} is ${say(Math.abs(by))} ${by < 0 ? 'less' : 'more'}`,
                )
                .join(', its ')}.`}
        </p>
      )}
    </section>
  );
}
