import { difference } from './colours.ts';
import type { Laying } from './cost.ts';
import type { Neighbour } from './neighbours.ts';
import type { Task } from './task.ts';

/** How far neighbours are told apart. */
export interface Contrast {
  /** How much lighter one of two neighbours is than the other, 0 to 1, on average: what is seen first. */
  readonly lightness: number;
  /** How different they look, hue and all, on average. */
  readonly all: number;
  /** The two that are told apart least. */
  readonly least: { readonly pair: Neighbour; readonly lightness: number; readonly all: number } | undefined;
}

/** Contrast between all motifs that meet along a side or over a strip, by their colours all in all. */
export function contrastOf(task: Task, laying: Laying): Contrast {
  const at = new Map(task.slots.flatMap((piece, i) => (piece === undefined ? [] : [[piece, i] as const])));
  const colour = (piece: string) => task.designs[laying[at.get(piece) ?? -1] ?? -1]?.colour;
  const pairs = task.neighbours.flatMap((pair) => {
    const [p, q] = [colour(pair.a), colour(pair.b)];
    if (pair.how === 'corner' || !p || !q) return [];
    return [{ pair, lightness: Math.abs(p.l - q.l), all: difference(p, q) }];
  });
  const mean = (of: (one: (typeof pairs)[number]) => number) =>
    pairs.length === 0 ? 0 : pairs.reduce((sum, one) => sum + of(one), 0) / pairs.length;
  let least: Contrast['least'];
  for (const one of pairs) if (!least || one.all < least.all) least = one;
  return { lightness: mean(({ lightness }) => lightness), all: mean(({ all }) => all), least };
}
