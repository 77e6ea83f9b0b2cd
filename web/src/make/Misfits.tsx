import { type Misfit, type Plan, type SettledBy, settlings } from '@fennot/core';
import type { BagStore } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { doTogether } from './done-together.ts';
import type { Making } from './log/use-logbook.ts';

interface MisfitsProps {
  readonly plan: Plan;
  readonly misfits: readonly Misfit[];
  readonly making: Making;
  readonly store: BagStore;
}

const WAYS: Record<SettledBy, string> = {
  'work on': 'Back on the hook',
  'plan for': 'Plan for this',
  'put by': 'Put by',
  open: 'Opened again',
};

/** What was made and has no place in the plan as it is now, each with what can be done about it. */
export function Misfits({ plan, misfits, making, store }: MisfitsProps) {
  if (misfits.length === 0) return null;
  return (
    <section
      aria-label="Does not fit the plan"
      className="max-h-[40vh] shrink-0 overflow-y-auto bg-loosestrife-pale px-4 py-2 text-sm"
    >
      <ul className="flex flex-col gap-1.5">
        {misfits.map((one, i) => (
          <li key={`${one.is} ${i}`} className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <span>{misfitText(one)}</span>
            <span className="flex flex-wrap gap-1.5">
              {settlings(plan, one, making.log.record, making.log.events).map(({ by, act, change }) => (
                <Button
                  key={by}
                  className="min-h-11"
                  onClick={() => doTogether({ store, making, change, act, said: () => 'Settled.' })}
                >
                  {WAYS[by]}
                </Button>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const pieces = (many: number) => `${many} ${many === 1 ? 'piece' : 'pieces'}`;
const each = (many: number) => (many === 1 ? 'it' : 'each');

/** What does not fit, and what could be done about it. */
export function misfitText(one: Misfit): string {
  switch (one.is) {
    case 'rows': {
      const { task, rows, many } = one;
      const more = task.rows - rows;
      const word = (n: number) => `${n} ${n === 1 ? task.counts.slice(0, -1) : task.counts}`;
      const cure =
        more > 0 ? `add ${word(more)} to ${each(many)}` : `rip ${word(-more)} of ${each(many)} back`;
      return `${task.title}: ${pieces(many)} of ${word(rows)} ${many === 1 ? 'was' : 'were'} made; the plan now wants ${word(task.rows)}. Either ${cure}, or plan with ${word(rows)} again.`;
    }
    case 'too many':
      return `${one.task.title}: ${pieces(one.many)} more than the plan wants.`;
    case 'not wanted':
      return `${pieces(one.many)} of ${one.rows} rows or rounds ${one.many === 1 ? 'is' : 'are'} of a kind that the plan has no place for any more.`;
    case 'steps gone':
      return `${one.many} ${one.many === 1 ? 'join was' : 'joins were'} worked that the plan no longer has.`;
  }
}
