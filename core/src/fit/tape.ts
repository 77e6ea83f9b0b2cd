import type { BriefMeasure, Target } from '../document/index.ts';
import { NOTHING } from '../geometry/index.ts';
import type { Finished } from './finished-size.ts';

/** How a prediction stands to its target. `likely` reaches it unless the errors fall out badly. */
export type TapeVerdict = 'no target' | 'reached' | 'likely' | 'under' | 'over';

/** One tape: what is wanted, what is predicted. */
export interface Tape {
  readonly measure: BriefMeasure;
  readonly target: Target | undefined;
  readonly finished: Finished;
  readonly verdict: TapeVerdict;
  /** Predicted minus wanted, mm. */
  readonly off: number;
}

export function tapeOf(measure: BriefMeasure, finished: Finished, target: Target | undefined): Tape {
  if (!target) return { measure, target, finished, verdict: 'no target', off: 0 };
  const off = finished.value - target.value;
  const { low, high } = finished.range;
  const [least, most] = [
    target.value - target.tolerance - NOTHING,
    target.value + target.tolerance + NOTHING,
  ];
  const verdict =
    low >= least && high <= most
      ? 'reached'
      : finished.value < least
        ? 'under'
        : finished.value > most
          ? 'over'
          : 'likely';
  return { measure, target, finished, verdict, off };
}
