import { type EndTask, lastPress, type Stand } from '@fennot/core';
import { Button } from '../ui/Button.tsx';
import { Counter } from './Counter.tsx';
import type { Making } from './log/use-logbook.ts';
import { WorkHead } from './WorkHead.tsx';

interface EndWorkProps {
  readonly task: EndTask;
  readonly stand: Stand;
  readonly making: Making;
}

/** Ends, hidden one by one or a few at a time. */
export function EndWork({ task, stand, making }: EndWorkProps) {
  const left = task.many - stand.done;
  const back = lastPress(making.log.events, ({ of }) => of === 'hidden');
  const hide = (many: number) => void making.does({ of: 'hidden', many });
  return (
    <>
      <WorkHead title={task.title} far={`${stand.done} of ${task.many} hidden`} back={back} making={making} />
      <div className="min-h-0 grow overflow-y-auto px-4 py-3">
        <h2 className="text-2xl">{left > 0 ? `${left} ends to go` : 'All ends are hidden'}</h2>
        {task.caution && <p className="mt-2 text-sm text-soft">{task.caution}</p>}
        {left > 1 && (
          <div className="mt-3 flex gap-2">
            {[2, 4, 8]
              .filter((many) => many <= left)
              .map((many) => (
                <Button key={many} className="min-h-11 min-w-14" onClick={() => hide(many)}>
                  {many} at once
                </Button>
              ))}
          </div>
        )}
      </div>
      {left > 0 && (
        <Counter
          label={`End ${stand.done + 1} is hidden`}
          number={String(stand.done + 1)}
          under={`of ${task.many}: press when it is hidden`}
          onPress={() => hide(1)}
        />
      )}
    </>
  );
}
