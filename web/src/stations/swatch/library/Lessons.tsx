import { formatLength, lessonsFor, MEASURE_NAMES, wholeYarn } from '@fennot/core';
import { useMemo } from 'react';
import { useLibrary } from '../../../api/holdings.ts';
import { useSettings } from '../../../api/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import type { StationProps } from '../../station.ts';

/** Yarn that moves by less has not, mm. */
const YARN_MOVES = 1000;

/** What the library has learnt since the bag took its copies: what it would change, to take or to leave. */
export function Lessons({ plan, store }: StationProps) {
  const { data } = useLibrary();
  const { system } = useSettings();
  const lessons = useMemo(() => lessonsFor(plan, data?.items ?? []), [plan, data]);
  if (lessons.length === 0) return null;
  return (
    <ul aria-label="The library has learnt more" className="flex flex-col gap-2 px-4 pt-3">
      {lessons.map(({ kept, name, says, moves, yarn, taken, left }) => (
        <li key={kept.id} className="rounded-sm border border-kingfisher bg-kingfisher-pale p-2.5 text-sm">
          <p>
            The library has learnt more of <b>{name}</b>
            {says.length > 0 && `: ${says.join(', ')}`}.
          </p>
          <p className="text-soft">
            {moves.length === 0 && Math.abs(yarn) < YARN_MOVES
              ? 'No measure of this bag would change.'
              : [
                  ...moves.map(
                    ({ measure, by }) =>
                      `${MEASURE_NAMES[measure]} ${by > 0 ? '+' : '−'}${formatLength(Math.abs(by), system)}`,
                  ),
                  ...(Math.abs(yarn) < YARN_MOVES
                    ? []
                    : [`yarn ${yarn > 0 ? '+' : '−'}${wholeYarn(Math.abs(yarn), system)}`]),
                ].join(', ')}
          </p>
          <div className="mt-1.5 flex gap-2">
            <Button small look="main" onClick={() => store.getState().change(() => taken)}>
              Take it
            </Button>
            <Button small onClick={() => store.getState().change(() => left)}>
              Leave it
            </Button>
          </div>
        </li>
      ))}
    </ul>
  );
}
