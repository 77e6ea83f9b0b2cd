import type { PieceTask, Plan, Stand } from '@fennot/core';
import { Button } from '../ui/Button.tsx';
import { Counter } from './Counter.tsx';
import type { Making } from './log/use-logbook.ts';
import { WorkPicture } from './show/WorkPicture.tsx';
import { waitsText } from './show/words.ts';

interface OffTheHookProps {
  readonly plan: Plan;
  readonly task: PieceTask;
  readonly stand: Stand;
  readonly making: Making;
}

/** Nothing of it is on the hook: what there is to begin, and what was made. */
export function OffTheHook({ plan, task, stand, making }: OffTheHookProps) {
  const left = task.many - stand.done;
  const begin = () => making.does({ of: 'begun', task: task.id, rows: task.rows });
  return (
    <>
      <div className="flex min-h-0 grow flex-col items-center gap-3 overflow-y-auto px-4 py-3 text-center">
        <WorkPicture plan={plan} task={task} className="aspect-square w-[min(52vw,260px)]" />
        <p className="text-lg">
          {left > 0
            ? stand.done === 0
              ? `${task.many > 1 ? `${task.many} of these, each of` : 'One piece of'} ${task.rows} ${task.counts}.`
              : `${stand.done} made, ${left} to go.`
            : 'All are made.'}
        </p>
        {stand.waits.length > 0 && left > 0 && (
          <p className="max-w-prose text-sm text-soft">{waitsText(stand.waits)}</p>
        )}
        {task.caution && <p className="max-w-prose text-sm text-soft">{task.caution}</p>}
        {left > 1 && (
          <Button
            className="min-h-11"
            onClick={() => void making.does({ of: 'made', task: task.id, rows: task.rows, many: 1 })}
          >
            One is made already
          </Button>
        )}
      </div>
      {left > 0 && (
        <Counter
          label={stand.done === 0 ? 'Begin' : 'Begin the next'}
          number="Begin"
          under={task.many > 1 ? `number ${stand.done + 1} of ${task.many}` : 'press to begin'}
          onPress={begin}
        />
      )}
    </>
  );
}
