import type { Plan } from '../plan/index.ts';
import type { JoinStep } from '../runs/index.ts';
import type { StepTask } from './task.ts';

/** One step of a run to be ticked off, with what the hands do before and behind it. */
export interface RunStep {
  /** Its lasting name. */
  readonly step: string;
  /** In their order: how it is begun or turned to, the join itself, and how the yarn is left. */
  readonly does: readonly JoinStep[];
}

const joins = ({ does }: JoinStep): boolean => does === 'join' || does === 'motif';

/** The steps of a run of joins, each with its lasting name. Empty for what is no run. */
export function runSteps(plan: Plan, { run, steps }: StepTask): RunStep[] {
  const own = plan.steps().filter((one) => one.run === run && one.does !== 'tuck' && one.does !== 'turn-out');
  const grouped: JoinStep[][] = [];
  let before: JoinStep[] = [];
  for (const one of own) {
    before.push(one);
    if (!joins(one)) continue;
    grouped.push(before);
    before = [];
  }
  grouped.at(-1)?.push(...before);
  return grouped.flatMap((does, i) => {
    const step = steps[i];
    return step === undefined ? [] : [{ step, does }];
  });
}
