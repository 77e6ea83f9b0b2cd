import type { Plan } from '../../plan/index.ts';

/**
 * One kind of figure, worked out a second way from the graph alone and held against what the plan says. It shares
 * nothing with the code it checks but the types, and the graph's own plain data.
 */
export interface Check {
  readonly name: string;
  /** What is worked out, and how. */
  readonly how: string;
  /** Every difference in a sentence with both figures; none where all is well. */
  of(plan: Plan): readonly string[];
}

/** Says where two figures differ by more than a slack. */
export const differ = (what: string, said: number, counted: number, slack: number): string[] =>
  Math.abs(said - counted) <= slack
    ? []
    : [`${what}: ${said.toFixed(2)} is said, ${counted.toFixed(2)} is counted`];
