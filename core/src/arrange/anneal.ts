import { groupBy } from '../geometry/index.ts';
import { type Cost, costOf, type Laying } from './cost.ts';
import { randomOf, shuffled } from './random.ts';
import type { Task } from './task.ts';

/** Exchanges tried for each slot, and between what numbers of them in all. */
const TRIES = 260;
const [LEAST_TRIES, MOST_TRIES] = [4000, 90_000];
/** The warmth to begin and end with, against what one pair of twins costs. */
const [WARM, COLD] = [0.5, 0.004];

/** The slots that may change places, group by group; what cannot change is left out. */
export function freeGroups({ slots, group, locked, start }: Task): number[][] {
  const free = slots.flatMap((_, i) => (locked[i] ? [] : [i]));
  return [...groupBy(free, (i) => group[i]).values()].filter(
    (own) => new Set(own.map((i) => start[i])).size > 1 && own.some((i) => slots[i] !== undefined),
  );
}

/**
 * One good arrangement: exchanges are taken when they do no harm, and while it is warm sometimes when they do; at the
 * end whatever exchange still helps is taken. The same seed gives the same arrangement.
 */
export function annealed(task: Task, seed: number, cost: Cost = costOf(task)): Laying {
  const groups = freeGroups(task);
  const laying = [...task.start];
  if (groups.length === 0) return laying;
  const random = randomOf(seed);
  for (const own of groups) {
    const mixed = shuffled(
      own.map((i) => laying[i] ?? 0),
      random,
    );
    for (const [k, slot] of own.entries()) laying[slot] = mixed[k] ?? 0;
  }
  const all = groups.reduce((sum, own) => sum + own.length, 0);
  const tries = Math.min(MOST_TRIES, Math.max(LEAST_TRIES, TRIES * all));
  const twins = Math.max(1, 3 * task.weights.like);
  const cooling = (COLD / WARM) ** (1 / tries);
  let warmth = WARM * twins;
  for (let k = 0; k < tries; k++, warmth *= cooling) {
    const own = groups.length === 1 ? groups[0] : ofSize(groups, random() * all);
    if (!own) break;
    const [p, q] = [own[Math.floor(random() * own.length)] ?? 0, own[Math.floor(random() * own.length)] ?? 0];
    if (laying[p] === laying[q]) continue;
    const change = cost.swap(laying, p, q);
    if (change <= 0 || random() < Math.exp(-change / warmth)) exchange(laying, p, q);
  }
  settle(laying, groups, cost);
  return laying;
}

/** A group by a number up to the size of all of them. */
function ofSize(groups: readonly number[][], at: number): number[] | undefined {
  let left = at;
  return groups.find((own) => {
    left -= own.length;
    return left < 0;
  });
}

function exchange(laying: number[], p: number, q: number): void {
  const [d, e] = [laying[p] ?? 0, laying[q] ?? 0];
  laying[p] = e;
  laying[q] = d;
}

/** Smaller gains are rounding. */
const GAIN = 1e-9;
/** However long it helps: each round of exchanges makes it cheaper, so it ends. */
const MOST_ROUNDS = 30;

function settle(laying: number[], groups: readonly number[][], cost: Cost): void {
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let better = false;
    for (const own of groups)
      for (const [i, p] of own.entries())
        for (const q of own.slice(i + 1)) {
          if (laying[p] === laying[q] || cost.swap(laying, p, q) >= -GAIN) continue;
          exchange(laying, p, q);
          better = true;
        }
    if (!better) return;
  }
}
