import { type Plan, piecesText } from '@fennot/core';
import type { BagStore } from '../open-bag/store.ts';
import { hours } from './amounts.ts';
import { Tape } from './Tape.tsx';
import { YarnTally } from './YarnTally.tsx';

interface TapesProps {
  readonly plan: Plan;
  readonly store: BagStore;
  /** Whether the flags can be pulled. */
  readonly pull: boolean;
}

/** The strip along the bottom: the tapes, and the tallies beside them. */
export function Tapes({ plan, store, pull }: TapesProps) {
  const { tally } = plan;
  return (
    <section
      aria-label="The tapes"
      className={`grid grid-cols-2 gap-x-3 gap-y-3 border-t border-line bg-card px-4 py-2.5 ${
        plan.tapes.length > 4
          ? 'md:grid-cols-[repeat(5,minmax(0,1fr))_auto]'
          : 'md:grid-cols-[repeat(4,minmax(0,1fr))_auto]'
      }`}
    >
      {plan.tapes.map((tape) => (
        <Tape
          key={tape.measure}
          tape={tape}
          narrow={plan.tapes.length > 4}
          store={pull ? store : undefined}
        />
      ))}
      <dl className="col-span-2 grid auto-rows-min grid-cols-[auto_auto] content-center gap-x-3 gap-y-0.5 text-sm md:col-span-1 md:border-l md:border-line md:pl-4">
        <dt className="text-soft">Pieces</dt>
        <dd className="font-semibold">{piecesText(tally)}</dd>
        <dt className="text-soft">Joining runs</dt>
        <dd className="font-semibold tabular-nums">{plan.joins.runs.length}</dd>
        <dt className="text-soft">Ends to hide</dt>
        <dd className="font-semibold tabular-nums">{tally.pieceEnds + tally.joinEnds}</dd>
        <dt className="text-soft" title="Estimated from gauge and stitch">
          Yarn, about
        </dt>
        <dd className="font-semibold tabular-nums">
          <YarnTally plan={plan} />
        </dd>
        <dt className="text-soft" title="18 stitches and 12 joins a minute, a minute and a half an end">
          Hours, about
        </dt>
        <dd className="font-semibold tabular-nums">{hours(tally.effort.minutes)}</dd>
      </dl>
    </section>
  );
}
