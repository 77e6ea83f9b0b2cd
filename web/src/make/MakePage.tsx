import { JOINS, type Stand, seamOfStep, standOf, type WorkRecord, withMeasured } from '@fennot/core';
import { useMemo } from 'react';
import { Navigate, useSearchParams } from 'react-router';
import { useStore } from 'zustand';
import { BagHeader } from '../bag-page/BagHeader.tsx';
import { Message } from '../frame/Message.tsx';
import type { Session } from '../open-bag/saving/session.ts';
import { type BagStore, usePlan } from '../open-bag/store.ts';
import { Boundary } from '../ui/Boundary.tsx';
import { useAwake } from './awake.ts';
import type { Taken } from './checks/CheckCard.tsx';
import { doTogether } from './done-together.ts';
import { EndWork } from './EndWork.tsx';
import { LineMark } from './LineMark.tsx';
import { LogView } from './LogView.tsx';
import { thisDevice } from './log/logbooks.ts';
import { type Making, useLogbook } from './log/use-logbook.ts';
import { Misfits } from './Misfits.tsx';
import { PieceWork } from './PieceWork.tsx';
import { RestBar } from './RestBar.tsx';
import { StepWork } from './StepWork.tsx';
import { TaskTable } from './TaskTable.tsx';

/** The plan beside the hook: what there is to do, and one thing at a time. */
export function MakePage({ session }: { readonly session: Session }) {
  const { id, store } = session;
  const state = useStore(session.state);
  const plan = usePlan(store);
  const { opening, making } = useLogbook(id, session.version());
  const [search] = useSearchParams();
  const { record } = making.log;
  const { stands, misfits } = useMemo(() => standOf(plan, record), [plan, record]);
  const joined = useMemo(() => joinedSeams(record), [record]);
  if (opening.is === 'failed')
    return (
      <Message
        title="The log cannot be read"
        text="This browser keeps nothing, or will not say what it keeps: what is done could be lost. Allow it to store data for this page, and open it again."
      />
    );
  if (opening.is === 'opening') return <Message title="Opening the log ..." />;
  const at = search.get('at');
  const stand = stands.find(({ task }) => task.id === at);
  if (at !== null && !stand) return <Navigate to="?" replace />;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className={stand ? 'max-sm:hidden' : ''}>
        <BagHeader store={store} state={state} base={`/bags/${id}`} at="make" />
      </div>
      <LineMark log={making.log} />
      <RestBar log={making.log} device={thisDevice()} />
      <main className="flex min-h-0 grow flex-col">
        <Boundary what="This page" of={search}>
          {stand ? (
            <div className="mx-auto flex min-h-0 w-full max-w-2xl grow flex-col bg-ground">
              <OneThing plan={plan} stand={stand} making={making} store={store} />
            </div>
          ) : search.has('log') ? (
            <LogView name={plan.document.name} tasks={stands.map(({ task }) => task)} making={making} />
          ) : (
            <>
              <Misfits plan={plan} misfits={misfits} making={making} store={store} />
              <TaskTable plan={plan} stands={stands} joined={joined} log={making.log} />
            </>
          )}
        </Boundary>
      </main>
    </div>
  );
}

/** Seams that are joined, whichever run they were in. */
const joinedSeams = ({ steps }: WorkRecord): ReadonlySet<string> =>
  new Set([...(steps.get(JOINS)?.keys() ?? [])].map(seamOfStep));

interface OneThingProps {
  readonly plan: ReturnType<typeof usePlan>;
  readonly stand: Stand;
  readonly making: Making;
  readonly store: BagStore;
}

function OneThing({ plan, stand, making, store }: OneThingProps) {
  useAwake();
  const measured = ({ check: { what }, mm, before, choice }: Taken) =>
    doTogether({
      store,
      making,
      change: (document) => choice?.document ?? withMeasured(document, what, mm, before),
      act: (does) => void does({ of: 'measured', what, mm }),
      said: (changed) =>
        changed ? 'It is in the plan: sizes and tapes rest on it now.' : 'It is in the log.',
    });
  const { task } = stand;
  switch (task.of) {
    case 'pieces':
      return (
        <PieceWork
          key={task.id}
          plan={plan}
          task={task}
          stand={stand}
          making={making}
          onMeasured={measured}
        />
      );
    case 'steps':
      return (
        <StepWork key={task.id} plan={plan} task={task} stand={stand} making={making} onMeasured={measured} />
      );
    case 'ends':
      return <EndWork key={task.id} task={task} stand={stand} making={making} />;
  }
}
