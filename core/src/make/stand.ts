import { inOrder, type Operation, operationsOf } from '../finish/index.ts';
import { groupBy } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';
import type { Work, WorkRecord } from './record.ts';
import { kinOf, type MakeTask, type PieceTask, tasksOf } from './task.ts';

/** How far a task is. */
export interface Stand {
  readonly task: MakeTask;
  /** Pieces, steps or ends that are done, of so many. */
  readonly done: number;
  readonly many: number;
  /** Pieces of it that are on the hook, the one worked on last first. */
  readonly on: readonly Work[];
  /** `settled`: the plan has what it would bring already. */
  readonly is: 'done' | 'settled' | 'under way' | 'can be begun' | 'waits';
  /** Why it waits: what comes before it, and what for. */
  readonly waits: ReadonlyArray<{ readonly title: string; readonly because: string }>;
}

/** Something that was made and that the plan, as it is now, has no place for. Nothing of it is dropped. */
export type Misfit =
  /** Of this design so many were made with other rounds than the plan wants now. */
  | { readonly is: 'rows'; readonly task: PieceTask; readonly rows: number; readonly many: number }
  /** More were made than are wanted. */
  | { readonly is: 'too many'; readonly task: PieceTask; readonly many: number }
  /** The plan wants none of these any more. */
  | {
      readonly is: 'not wanted';
      readonly task: string;
      readonly rows: number;
      readonly many: number;
      /** The one that is on the hook, where it is not finished. */
      readonly work?: string;
    }
  /** So many steps under a name are of things that are not there any more. */
  | {
      readonly is: 'steps gone';
      readonly under: string;
      readonly gone: readonly string[];
      readonly many: number;
    };

/** Finished pieces of one kin by their rows. */
type Pool = Map<number, number>;

export interface Standing {
  readonly stands: readonly Stand[];
  readonly misfits: readonly Misfit[];
}

/**
 * How every task stands by what is recorded, and what does not fit.
 *
 * @param operations the order of work, for reasons.
 * @param settled tasks that the plan knows the outcome of already: a swatch that is measured.
 */
export function standingOf(
  tasks: readonly MakeTask[],
  operations: readonly Operation[],
  record: WorkRecord,
  settled: ReadonlySet<string> = new Set(),
): Standing {
  const pools = finished(record);
  const counted = tasks.map((task) => ({ task, ...countOf(task, record, pools) }));
  const hooks = onTheHook(tasks, record);
  const misfits = [
    ...misfitsOf(tasks, pools),
    ...(hooks.get(undefined) ?? []).map(
      ({ id, task, rows }): Misfit => ({ is: 'not wanted', task, rows, many: 1, work: id }),
    ),
    ...goneSteps(tasks, record),
  ];
  const open = new Set(
    counted.flatMap(({ task, done, many }) => (done < many && !settled.has(task.id) ? [task.operation] : [])),
  );
  const stands = counted.map(({ task, done, many }): Stand => {
    const on = hooks.get(task) ?? [];
    const waits = (operations.find(({ id }) => id === task.operation)?.after ?? []).flatMap(
      ({ id, because }) =>
        open.has(id) ? [{ title: operations.find((one) => one.id === id)?.title ?? id, because }] : [],
    );
    return { task, done, many, on, is: isOf(), waits };
    function isOf(): Stand['is'] {
      if (done >= many) return 'done';
      if (settled.has(task.id)) return 'settled';
      if (on.length > 0 || done > 0) return 'under way';
      return waits.length > 0 ? 'waits' : 'can be begun';
    }
  });
  return { stands, misfits };
}

/** How the making of a bag stands. */
export const standOf = (plan: Plan, record: WorkRecord): Standing =>
  standingOf(tasksOf(plan), inOrder(operationsOf(plan)), record, settledBy(plan));

/** Tasks whose outcome the plan has already: swatches that are measured. */
function settledBy({ document }: Plan): ReadonlySet<string> {
  return new Set(
    document.swatches.flatMap(({ id, stitches, rows }) => (stitches && rows ? [`swatch/${id}`] : [])),
  );
}

/** All finished pieces, by kin. What is taken out of a pool has found its place. */
function finished({ works, made }: WorkRecord): Map<string, Pool> {
  const pools = new Map<string, Pool>();
  const add = (task: string, rows: number, many: number) => {
    const pool = pools.get(kinOf(task)) ?? new Map<number, number>();
    pool.set(rows, (pool.get(rows) ?? 0) + many);
    pools.set(kinOf(task), pool);
  };
  for (const { task, rows, is } of works.values()) if (is === 'done') add(task, rows, 1);
  for (const { task, rows, many } of made) add(task, rows, many);
  return pools;
}

function countOf(
  task: MakeTask,
  record: WorkRecord,
  pools: Map<string, Pool>,
): { done: number; many: number } {
  switch (task.of) {
    case 'pieces': {
      const pool = pools.get(task.kin);
      const there = pool?.get(task.rows) ?? 0;
      const done = Math.min(there, task.many);
      if (pool && done > 0) pool.set(task.rows, there - done);
      return { done, many: task.many };
    }
    case 'steps': {
      const of = record.steps.get(task.under);
      return { done: task.steps.filter((step) => of?.has(step)).length, many: task.steps.length };
    }
    case 'ends':
      return { done: Math.min(task.many, Math.max(0, record.hidden - task.from)), many: task.many };
  }
}

/** The task of today that a piece on the hook is worked for: its own; or, when rounds have changed, the first of its kin. */
function taskOf(work: Work, tasks: readonly MakeTask[]): MakeTask | undefined {
  return (
    tasks.find(({ of, id }) => of === 'pieces' && id === work.task) ??
    tasks.find((task) => task.of === 'pieces' && task.kin === kinOf(work.task))
  );
}

/** Pieces on the hook by the task they are worked for, the one worked on last first; those of none under nothing. */
function onTheHook(tasks: readonly MakeTask[], { works }: WorkRecord): Map<MakeTask | undefined, Work[]> {
  const on = [...works.values()]
    .filter(({ is }) => is === 'on the hook')
    .sort((a, b) => b.touched - a.touched || (a.id < b.id ? 1 : -1));
  return groupBy(on, (work) => taskOf(work, tasks));
}

/** What is left in the pools. */
function misfitsOf(tasks: readonly MakeTask[], pools: Map<string, Pool>): Misfit[] {
  return [...pools].flatMap(([kin, pool]): Misfit[] => {
    const wanted = tasks.filter((task): task is PieceTask => task.of === 'pieces' && task.kin === kin);
    return [...pool].flatMap(([rows, many]): Misfit[] => {
      if (many === 0) return [];
      const alike = wanted.find((task) => task.rows === rows);
      if (alike) return [{ is: 'too many', task: alike, many }];
      const [first] = wanted;
      return first
        ? [{ is: 'rows', task: first, rows, many }]
        : [{ is: 'not wanted', task: kin, rows, many }];
    });
  });
}

function goneSteps(tasks: readonly MakeTask[], { steps }: WorkRecord): Misfit[] {
  const there = new Map<string, Set<string>>();
  for (const task of tasks)
    if (task.of === 'steps')
      there.set(task.under, new Set([...(there.get(task.under) ?? []), ...task.steps]));
  return [...steps].flatMap(([under, done]): Misfit[] => {
    const gone = [...done.keys()].filter((step) => !there.get(under)?.has(step));
    return gone.length > 0 ? [{ is: 'steps gone', under, gone, many: gone.length }] : [];
  });
}
