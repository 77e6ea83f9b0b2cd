import type { Laying } from './cost.ts';
import type { Neighbour } from './neighbours.ts';
import type { Task } from './task.ts';

/** What there is to say of an arrangement. */
export interface Judged {
  /** Twins that touch along a side, or over a narrow strip, in the bag's order. */
  readonly twins: readonly Neighbour[];
  /** Twins that touch only at a corner. */
  readonly corners: number;
  /** Neighbours that are no twins but end in the same colour. */
  readonly outer: number;
  /** Three alike in a line. */
  readonly lines: number;
}

/** Counts what touches what in an arrangement of a task. */
export function judged(task: Task, laying: Laying): Judged {
  const at = new Map(task.slots.flatMap((piece, i) => (piece === undefined ? [] : [[piece, i] as const])));
  const design = (piece: string) => laying[at.get(piece) ?? -1];
  const twin = ({ a, b }: Neighbour) => design(a) !== undefined && design(a) === design(b);
  const sides = task.neighbours.filter(({ how }) => how !== 'corner');
  const outer = ({ a, b }: Neighbour) => {
    const [p, q] = [task.designs[design(a) ?? -1], task.designs[design(b) ?? -1]];
    return p?.outer !== undefined && p.outer === q?.outer;
  };
  return {
    twins: sides.filter(twin),
    corners: task.neighbours.filter((one) => one.how === 'corner' && twin(one)).length,
    outer: sides.filter((one) => !twin(one) && outer(one)).length,
    lines: task.lines.filter(([a, b, c]) => laying[a] === laying[b] && laying[b] === laying[c]).length,
  };
}
