import {
  designNames,
  lastPress,
  methodAt,
  type Plan,
  runSteps,
  type Stand,
  type StepTask,
  seamOfStep,
  stepChecks,
  stepText,
  turnedPieces,
  yarnOf,
} from '@fennot/core';
import { useMemo } from 'react';
import { useSettings } from '../api/queries.ts';
import { Counter } from './Counter.tsx';
import type { Taken } from './checks/CheckCard.tsx';
import { DueChecks } from './checks/DueChecks.tsx';
import type { Making } from './log/use-logbook.ts';
import { SmallNet } from './show/SmallNet.tsx';
import { waitsText } from './show/words.ts';
import { WorkHead } from './WorkHead.tsx';

interface StepWorkProps {
  readonly plan: Plan;
  readonly task: StepTask;
  readonly stand: Stand;
  readonly making: Making;
  /** Takes a measure into the plan. */
  readonly onMeasured: (taken: Taken) => void;
}

/** A run of joins step by step, or what is done at one go. */
export function StepWork({ plan, task, stand, making, onMeasured }: StepWorkProps) {
  const done = making.log.record.steps.get(task.under);
  const next = task.steps.find((step) => !done?.has(step));
  const back = lastPress(
    making.log.events,
    (event) =>
      event.of === 'stepped' &&
      event.task === task.under &&
      event.steps.some((step) => task.steps.includes(step)),
  );
  const left = task.steps.length - stand.done;
  return (
    <>
      <WorkHead
        title={task.title}
        far={task.steps.length > 1 ? `${stand.done} of ${task.steps.length} joins` : ''}
        back={back}
        making={making}
      />
      <DueChecks
        plan={plan}
        checks={stepChecks(plan, task, making.log.record)}
        record={making.log.record}
        onTake={onMeasured}
      />
      <div className="min-h-0 grow overflow-y-auto px-4 py-3">
        {next === undefined ? (
          <p className="text-lg">All of it is done.</p>
        ) : task.run === undefined ? (
          <>
            <h2 className="text-2xl">{task.title}</h2>
            {stand.waits.length > 0 && <p className="mt-2 text-sm text-soft">{waitsText(stand.waits)}</p>}
            {task.caution && <p className="mt-2 text-sm text-soft">{task.caution}</p>}
          </>
        ) : (
          <RunStepText plan={plan} task={task} step={next} done={new Set(done?.keys())} />
        )}
      </div>
      {next !== undefined && (
        <Counter
          label={task.run === undefined ? 'It is done' : `Join ${stand.done + 1} is done`}
          number={task.run === undefined ? '✓' : String(stand.done + 1)}
          under={
            task.run === undefined
              ? 'press when it is done'
              : `of ${task.steps.length}: press when it is joined${left === 1 ? ', the last one' : ''}`
          }
          onPress={() => void making.does({ of: 'stepped', task: task.under, steps: [next] })}
        />
      )}
    </>
  );
}

interface RunStepTextProps {
  readonly plan: Plan;
  readonly task: StepTask;
  readonly step: string;
  readonly done: ReadonlySet<string>;
}

/** What the hands do for one join of a run, and where on the net. */
function RunStepText({ plan, task, step, done }: RunStepTextProps) {
  const { terms, system } = useSettings();
  const steps = useMemo(() => runSteps(plan, task), [plan, task]);
  const does = steps.find((one) => one.step === step)?.does ?? [];
  const reading = {
    terms,
    system,
    yarnName: (id: string) => yarnOf(plan.document, id).colourName,
    turned: turnedPieces(plan),
    design: designNames(plan),
  };
  const seams = does.flatMap((one) =>
    one.does === 'join' ? [one.seam] : one.does === 'motif' ? one.joins.map(({ seam }) => seam) : [],
  );
  const pieces = does.flatMap((one) =>
    one.does === 'join' ? [one.a.piece, one.b.piece] : one.does === 'motif' ? [one.piece] : [],
  );
  return (
    <div className="flex flex-col gap-3">
      <ol className="flex flex-col gap-2">
        {does.map((one, i) => (
          <li
            key={`${one.does} ${i}`}
            className={
              one.does === 'join' || one.does === 'motif' ? 'text-lg leading-snug' : 'text-base text-soft'
            }
          >
            {stepText(one, methodAt(plan, task.run ?? 1), reading)}
          </li>
        ))}
      </ol>
      <SmallNet
        plan={plan}
        pieces={new Set(pieces)}
        now={new Set(seams)}
        done={new Set([...done].map(seamOfStep))}
        className="mx-auto max-h-[26vh] w-full max-w-md"
      />
    </div>
  );
}
