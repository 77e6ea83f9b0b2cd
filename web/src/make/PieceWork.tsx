import {
  checksDue,
  kinOf,
  lastPress,
  type MakeEvent,
  type PieceTask,
  type Plan,
  type Stand,
} from '@fennot/core';
import { useState } from 'react';
import type { Taken } from './checks/CheckCard.tsx';
import { DueChecks } from './checks/DueChecks.tsx';
import type { Making } from './log/use-logbook.ts';
import { OffTheHook } from './OffTheHook.tsx';
import { OnTheHook } from './OnTheHook.tsx';
import { TwinsBar } from './TwinsBar.tsx';
import { WorkHead } from './WorkHead.tsx';

interface PieceWorkProps {
  readonly plan: Plan;
  readonly task: PieceTask;
  readonly stand: Stand;
  readonly making: Making;
  /** Takes a measure into the plan. */
  readonly onMeasured: (taken: Taken) => void;
}

/** One piece on the hook, row by row or round by round. */
export function PieceWork({ plan, task, stand, making, onMeasured }: PieceWorkProps) {
  const [chosen, setChosen] = useState<string | undefined>(undefined);
  const work = stand.on.find(({ id }) => id === chosen) ?? stand.on[0];
  // Whatever rounds it was begun with.
  const isKin = (id: string) => kinOf(id) === task.kin;
  const mine = (event: MakeEvent) =>
    ((event.of === 'begun' || event.of === 'made') && isKin(event.task)) ||
    ('work' in event && isKin(making.log.record.works.get(event.work)?.task ?? ''));
  const back = lastPress(making.log.events, mine);
  return (
    <>
      <WorkHead
        title={task.title}
        far={task.many > 1 ? `${stand.done} of ${task.many} made` : ''}
        back={back}
        making={making}
      />
      <DueChecks
        plan={plan}
        checks={checksDue(plan, task, making.log.record)}
        record={making.log.record}
        onTake={onMeasured}
      />
      <TwinsBar plan={plan} task={task} record={making.log.record} />
      {work ? (
        <OnTheHook
          plan={plan}
          task={task}
          work={work}
          making={making}
          others={stand.on}
          onOther={setChosen}
        />
      ) : (
        <OffTheHook plan={plan} task={task} stand={stand} making={making} />
      )}
    </>
  );
}
