import { whole } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';
import type { Work } from './record.ts';
import type { PieceTask } from './task.ts';

/** A panel that is laid along its partner as it grows. */
export interface AlongFace {
  /** Rows at which its corners should come, and those at which they came, in their order. */
  readonly corners: readonly number[];
  readonly came: readonly number[];
  /** Rows it has by the plan; and by its own rate, once a corner has come. */
  readonly planned: number;
  readonly predicted: number | undefined;
}

/**
 * How a panel comes along its partner: where a corner came earlier or later than planned, the rest of the way takes as many rows
 * more or fewer, in proportion; the last corner that came says it best, for it is of the longest way. Nothing for what has no corners.
 */
export function alongFace(
  plan: Plan,
  task: PieceTask,
  work: Pick<Work, 'marks' | 'rows'>,
): AlongFace | undefined {
  const edge = plan.marked.find(({ piece, counts }) => counts === 'rows' && task.pieces.includes(piece));
  const corners = (edge?.marks ?? []).flatMap(({ kind, count }) =>
    kind === 'corner' && count > 0 && count < task.rows ? [count] : [],
  );
  if (corners.length === 0) return undefined;
  const came = work.marks.filter((row) => row > 0).slice(0, corners.length);
  const [row, count] = [came.at(-1), corners[came.length - 1]];
  const predicted =
    row === undefined || count === undefined
      ? undefined
      : Math.max(work.rows, whole((task.rows * row) / count));
  return { corners, came, planned: task.rows, predicted };
}
