import { likeness, lineWeight, type Task } from './task.ts';

/** What lies in each slot of a task, by the design's place in it. */
export type Laying = readonly number[];

/** Twins behind and before, and with one between, cost as many times their pair's weight. */
const SAME_ONLY = 3;

/** What an arrangement costs, and by how much one change would change it. Held as flat arrays: it is asked often. */
export interface Cost {
  /** Of all that lies. */
  total(laying: Laying): number;
  /** What changes when two slots change places. */
  swap(laying: Laying, p: number, q: number): number;
}

/**
 * The cost of a task's arrangements: what its pairs and lines say, weighed as its maker wishes.
 *
 * @param times twins side by side count so many times as much.
 */
export function costOf(task: Task, times = 1): Cost {
  const { pairs, lines, slots, designs } = task;
  const like = likeness(task, times);
  const many = designs.length;
  const cost = { like: Float64Array.from(like.flat()), same: new Float64Array(many * many) };
  for (let d = 0; d < many; d++) cost.same[d * many + d] = SAME_ONLY;
  const seen: Array<Array<{ other: number; weight: number; table: Float64Array }>> = slots.map(() => []);
  for (const { p, q, weight, by } of pairs) {
    seen[p]?.push({ other: q, weight, table: cost[by] });
    seen[q]?.push({ other: p, weight, table: cost[by] });
  }
  const line = SAME_ONLY * lineWeight(task);
  const through: number[][] = slots.map(() => []);
  for (const [i, ends] of lines.entries()) for (const slot of ends) through[slot]?.push(i);

  const inLine = (laying: Laying, at: number) => {
    const [a, b, c] = lines[at] ?? [0, 0, 0];
    return laying[a] === laying[b] && laying[b] === laying[c] ? line : 0;
  };
  /** What one slot's own pairs and lines cost with a design in it, another slot standing for itself. */
  const around = (laying: Laying, slot: number, design: number, except: number) => {
    let sum = 0;
    for (const { other, weight, table } of seen[slot] ?? [])
      if (other !== except) sum += weight * (table[design * many + (laying[other] ?? 0)] ?? 0);
    return sum;
  };
  const alongLines = (laying: Laying, slot: number, design: number, except: number) => {
    let sum = 0;
    for (const at of through[slot] ?? []) {
      const ends = lines[at] ?? [0, 0, 0];
      // A line through both slots holds two designs before and after: it is none.
      if (ends.includes(except)) continue;
      if (ends.every((other) => other === slot || laying[other] === design)) sum += line;
    }
    return sum;
  };
  return {
    total: (laying) => {
      let sum = 0;
      for (const { p, q, weight, by } of pairs)
        sum += weight * (cost[by][(laying[p] ?? 0) * many + (laying[q] ?? 0)] ?? 0);
      for (let at = 0; at < lines.length; at++) sum += inLine(laying, at);
      return sum;
    },
    swap: (laying, p, q) => {
      const [d, e] = [laying[p] ?? 0, laying[q] ?? 0];
      if (d === e) return 0;
      const change = (slot: number, from: number, to: number, except: number) =>
        around(laying, slot, to, except) -
        around(laying, slot, from, except) +
        (line > 0 ? alongLines(laying, slot, to, except) - alongLines(laying, slot, from, except) : 0);
      return change(p, d, e, q) + change(q, e, d, p);
    },
  };
}
