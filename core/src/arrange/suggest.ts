import { annealed } from './anneal.ts';
import { costOf, type Laying } from './cost.ts';
import { type Judged, judged } from './judge.ts';
import { type Task, twinsFirst } from './task.ts';

/** An arrangement that is offered. */
export interface Suggestion {
  readonly laying: Laying;
  readonly cost: number;
  readonly judged: Judged;
}

/** An arrangement as it is offered. */
export const suggestionOf = (task: Task, laying: Laying, cost = costOf(task)): Suggestion => ({
  laying,
  cost: cost.total(laying),
  judged: judged(task, laying),
});

/** So many are offered, and so much of the bag must lie otherwise for one to count as another. */
const OFFERED = 4;
const OTHER = 0.25;
const SEEDS = 12;
const FIRM = 20;

/**
 * Good arrangements that differ, better ones first, the list anew after each try. It can be left at any time.
 *
 * @param seed another number gives others.
 */
export function* suggestions(task: Task, seed = 1): Generator<readonly Suggestion[]> {
  const cost = costOf(task);
  // Where twins come before everything else every second try minds little but them: all wishes together could outweigh one.
  const firm = twinsFirst(task) ? costOf(task, FIRM) : cost;
  let found: Suggestion[] = [];
  for (let k = 0; k < SEEDS; k++) {
    const laying = annealed(task, seed * 1009 + k, k % 2 === 0 ? cost : firm);
    found = shortList(task, [...found, suggestionOf(task, laying, cost)]);
    yield found;
  }
}

/** The best ones, each far enough from all better ones. */
export function shortList(task: Task, found: readonly Suggestion[]): Suggestion[] {
  const cells = task.slots.flatMap((piece, i) => (piece === undefined || task.locked[i] ? [] : [i]));
  const apart = (p: Laying, q: Laying) => cells.filter((i) => p[i] !== q[i]).length;
  const best: Suggestion[] = [];
  for (const one of [...found].sort(worseIn(task))) {
    if (best.length === OFFERED) break;
    if (best.every(({ laying }) => apart(laying, one.laying) >= Math.max(1, OTHER * cells.length)))
      best.push(one);
  }
  return best;
}

/** Twins that touch come first where they are minded most: they are what is proven, and what the maker sees. */
const worseIn = (task: Task) => (p: Suggestion, q: Suggestion) =>
  (twinsFirst(task) ? p.judged.twins.length - q.judged.twins.length : 0) || p.cost - q.cost;
