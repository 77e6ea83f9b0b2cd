import type { Highs } from 'highs';
import { groupBy } from '../geometry/index.ts';
import type { Laying } from './cost.ts';
import type { Neighbour } from './neighbours.ts';
import type { Task } from './task.ts';

/** The fewest touching twins that any arrangement of what there is can have. */
export interface Bound {
  /** There can be no fewer. */
  readonly least: number;
  /** An arrangement with so few is known: `least` is reached. */
  readonly proven: boolean;
  /** One with fewer twins than the best so far, where the proof came upon it. */
  readonly found?: Laying;
}

/** Neighbours that could be twins, by their slots: along a side or over a narrow strip, of one motif and size. */
interface Edge {
  readonly p: number;
  readonly q: number;
}

function edgesOf({ slots, group, neighbours }: Task): Edge[] {
  const at = new Map(slots.flatMap((piece, i) => (piece === undefined ? [] : [[piece, i] as const])));
  return neighbours.flatMap(({ a, b, how }: Neighbour) => {
    const [p, q] = [at.get(a), at.get(b)];
    if (how === 'corner' || p === undefined || q === undefined || group[p] !== group[q]) return [];
    return [{ p, q }];
  });
}

/**
 * What follows from counting alone. Of n cells, m pairs of neighbours that share no cell leave at most n - m that do not
 * touch: of a design with more motifs than that, each one more touches at least one other. What is locked beside its
 * twin stays there.
 */
export function countedBound(task: Task): number {
  const { slots, group, start, locked } = task;
  const edges = edgesOf(task);
  let least = 0;
  for (const [g, own] of groupBy(slots.keys(), (i) => group[i])) {
    const cells = own.filter((i) => slots[i] !== undefined);
    const spare = own.length - cells.length;
    const inside = edges.filter(({ p }) => group[p] === g);
    const taken = new Set<number>();
    let matched = 0;
    for (const { p, q } of inside) {
      if (taken.has(p) || taken.has(q)) continue;
      taken.add(p).add(q);
      matched++;
    }
    for (const [design, there] of groupBy(own, (i) => start[i])) {
      const stuck = inside.filter(
        ({ p, q }) => locked[p] && locked[q] && start[p] === design && start[q] === design,
      ).length;
      least += Math.max(stuck, there.length - spare - (cells.length - matched), 0);
    }
  }
  return least;
}

/**
 * The least number of touching twins, proven where it can be: by counting, where that is enough, or else as an integer
 * programme.
 *
 * @param reached twins of the best arrangement known.
 * @param highs gives the solver, asked for only when it is needed.
 * @param seconds the solver may take.
 */
export async function leastTwins(
  task: Task,
  reached: number,
  highs: () => Promise<Highs>,
  seconds = 4,
): Promise<Bound> {
  const counted = countedBound(task);
  if (counted >= reached) return { least: reached, proven: true };
  return solved(task, reached, counted, await highs(), seconds);
}

/** A bound is a whole number: so much below one is rounding. */
const ROUNDING = 1e-6;

function solved(task: Task, reached: number, counted: number, highs: Highs, seconds: number): Bound {
  const model = { format: 'lp' as const, data: programme(task) };
  return highs.withModel(model, (own) => {
    own.options.set({ output_flag: false, time_limit: seconds });
    own.run();
    const least = Math.max(counted, Math.ceil(Number(own.info.get('mip_dual_bound')) - ROUNDING));
    const status = own.getModelStatus();
    const { modelStatus } = highs.constants;
    const done = status === modelStatus.optimal;
    const value = Math.round(own.getObjectiveValue());
    if (
      Number.isFinite(value) &&
      value < reached &&
      Number(own.info.get('primal_solution_status')) === FEASIBLE
    )
      return { least: done ? value : least, proven: done || least >= value, found: read(task, own) };
    return done || least >= reached
      ? { least: reached, proven: true }
      : { least: Math.min(least, reached), proven: false };
  });
}

/** What the solver calls a solution that keeps to all its rows. */
const FEASIBLE = 2;

/** The arrangement a solution stands for; what is not laid lies beside the bag. */
function read(
  task: Task,
  own: { getSolution(): { colValue: Float64Array }; getColName(index: number): string },
): Laying {
  const { colValue } = own.getSolution();
  const laying = [...task.start];
  const left = new Map<number, number>();
  for (const [i, design] of task.start.entries())
    if (!task.locked[i]) left.set(design, (left.get(design) ?? 0) + 1);
  for (const [column, value] of colValue.entries()) {
    const [, slot, design] = /^x_(\d+)_(\d+)$/.exec(own.getColName(column)) ?? [];
    if (slot === undefined || design === undefined || value < 0.5) continue;
    laying[Number(slot)] = Number(design);
    left.set(Number(design), (left.get(Number(design)) ?? 0) - 1);
  }
  const over = [...left].flatMap(([design, many]) => Array.from({ length: Math.max(0, many) }, () => design));
  for (const [i, piece] of task.slots.entries()) if (piece === undefined) laying[i] = over.shift() ?? 0;
  return laying;
}

/**
 * The problem as an integer programme: x_v_d says that cell v has design d, y_k that the k-th pair of neighbours are
 * twins. Each cell has one design; no more of a design is laid than there is; a pair with the same design is a twin.
 */
export function programme(task: Task): string {
  const { slots, group, start, locked } = task;
  const rows: string[] = [];
  const whole: string[] = [];
  const twins: string[] = [];
  const choices = new Map<number, readonly number[]>();
  for (const [g, own] of groupBy(slots.keys(), (i) => group[i])) {
    const free = own.filter((i) => !locked[i]);
    const many = groupBy(free, (i) => start[i] ?? 0);
    const cells = free.filter((i) => slots[i] !== undefined);
    for (const i of cells) {
      choices.set(i, [...many.keys()]);
      rows.push(`c${i}: ${[...many.keys()].map((d) => `x_${i}_${d}`).join(' + ')} = 1`);
      whole.push(...[...many.keys()].map((d) => `x_${i}_${d}`));
    }
    if (cells.length > 0)
      for (const [design, there] of many)
        rows.push(`s${g}_${design}: ${cells.map((i) => `x_${i}_${design}`).join(' + ')} <= ${there.length}`);
  }
  const term = (slot: number, design: number) =>
    choices.has(slot)
      ? (choices.get(slot) ?? []).includes(design)
        ? `x_${slot}_${design}`
        : 'never'
      : start[slot] === design
        ? 'always'
        : 'never';
  for (const [k, { p, q }] of edgesOf(task).entries()) {
    twins.push(`y${k}`);
    for (const design of new Set([...(choices.get(p) ?? [start[p] ?? 0])])) {
      const both = [term(p, design), term(q, design)];
      if (both.includes('never')) continue;
      const open = both.filter((one) => one !== 'always');
      rows.push(`t${k}_${design}: y${k}${open.map((one) => ` - ${one}`).join('')} >= ${1 - open.length}`);
    }
  }
  return [
    'Minimize',
    ` obj: ${twins.length > 0 ? twins.join(' + ') : '0 y'}`,
    'Subject To',
    ...rows.map((row) => ` ${row}`),
    'Bounds',
    ...twins.map((y) => ` 0 <= ${y} <= 1`),
    'Binary',
    ` ${whole.join(' ')}`,
    'End',
  ].join('\n');
}
