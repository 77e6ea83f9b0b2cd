import { inOrder, operationsOf } from '../finish/index.ts';
import { groupBy, must } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';
import type { YarnStep, YarnUse } from '../yarn/index.ts';
import type { Basket } from './basket.ts';

/** One step of the work, with what it takes of each yarn and what has been taken when it is done, mm. */
export interface SpendingStep {
  /** Title of the operation it belongs to. */
  readonly operation: string;
  readonly what: string;
  readonly many: number;
  readonly takes: ReadonlyMap<string, number>;
  readonly taken: ReadonlyMap<string, number>;
}

/** Where a yarn runs out. */
export interface RunsOut {
  readonly yarn: string;
  /** Place of the step among all. */
  readonly step: number;
  readonly what: string;
  /** Which of the step's pieces it is that is not finished, from 1. */
  readonly at: number;
  readonly many: number;
  /** mm that are missing in the end. */
  readonly short: number;
}

/** What is used step by step, in the order of work. */
export function spendingOf(plan: Plan): SpendingStep[] {
  const operations = inOrder(operationsOf(plan));
  const steps = groupBy(plan.tally.effort.uses, ({ step }) => step);
  const place = (step: YarnStep) => {
    const at = operations.findIndex(({ id }) => id === step.operation);
    // What has no operation of its own is done with the last one.
    return at < 0 ? operations.length - 1 : at;
  };
  const sorted = [...steps].sort(([a], [b]) => place(a) - place(b));
  const taken = new Map<string, number>();
  return sorted.map(([step, uses]): SpendingStep => {
    const takes = sums(uses);
    for (const [yarn, length] of takes) taken.set(yarn, (taken.get(yarn) ?? 0) + length);
    return {
      operation: must(operations[place(step)], 'operation').title,
      what: step.what,
      many: step.many,
      takes,
      taken: new Map(taken),
    };
  });
}

function sums(uses: readonly YarnUse[]): Map<string, number> {
  const by = new Map<string, number>();
  for (const { yarn, length } of uses) by.set(yarn, (by.get(yarn) ?? 0) + length);
  return by;
}

/** Where what lies there of a yarn runs out along the work; nothing where it does not. */
export function runsOut(steps: readonly SpendingStep[], { yarn, length }: Basket): RunsOut | undefined {
  const all = steps.at(-1)?.taken.get(yarn) ?? 0;
  const short = all - length;
  if (short <= NOTHING) return undefined;
  const step = steps.findIndex(({ taken }) => (taken.get(yarn) ?? 0) > length + NOTHING);
  const { what, many, takes, taken } = must(steps[step], 'step');
  const own = takes.get(yarn) ?? 0;
  const before = (taken.get(yarn) ?? 0) - own;
  // Of so many pieces in a row, the first that cannot be finished.
  const done = Math.floor((many * (length - before)) / own + 1e-9);
  return { yarn, step, what, at: Math.min(many, done + 1), many, short };
}

/** mm that rounding may take for yarn. */
const NOTHING = 0.01;
