import type { JoinStep, Plan } from '@fennot/core';
import { create } from 'zustand';

/** The step of the joining order that is shown on both drawings. */
interface Player {
  readonly step: number;
  readonly playing: boolean;
  goTo(step: number): void;
  play(on: boolean): void;
}

export const usePlayer = create<Player>()((set) => ({
  step: 0,
  playing: false,
  goTo: (step) => set({ step }),
  play: (playing) => set({ playing }),
}));

export interface ShownStep {
  readonly index: number;
  readonly step: JoinStep | undefined;
  /** Seams this step joins, and those joined before it. */
  readonly now: ReadonlySet<string>;
  readonly done: ReadonlySet<string>;
}

/** Seams a step joins: a square joined in its last round may join several. */
const seamsOf = (step: JoinStep): string[] =>
  step.does === 'join' ? [step.seam] : step.does === 'motif' ? step.joins.map(({ seam }) => seam) : [];

export function shownStep(plan: Plan, index: number): ShownStep {
  const at = Math.min(Math.max(0, index), Math.max(0, plan.steps().length - 1));
  const step = plan.steps()[at];
  const done = new Set(
    plan
      .steps()
      .slice(0, at)
      .flatMap((one) => seamsOf(one)),
  );
  return { index: at, step, now: new Set(step ? seamsOf(step) : []), done };
}
