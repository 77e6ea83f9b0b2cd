import type { Interval, Seam } from './graph.ts';

type Nameless = Omit<Seam, 'id'>;

/**
 * Gives each seam of a line its lasting name: the line, and the pair of edges that meet. Where one pair meets more
 * than once along the line, the further places are numbered in their order. Nothing is counted through the bag, so
 * that a change elsewhere renames no seam: what is kept about one stays with it.
 */
export function withSeamIds(seams: readonly Nameless[]): Seam[] {
  const seen = new Map<string, number>();
  return seams.map((seam) => {
    const end = ({ piece, edge }: Interval) => `${piece}.${edge}`;
    // Which of the two comes first is chance.
    const pair = `${seam.line}/${[end(seam.a), end(seam.b)].sort().join('~')}`;
    const times = (seen.get(pair) ?? 0) + 1;
    seen.set(pair, times);
    return { id: times === 1 ? pair : `${pair}#${times}`, ...seam };
  });
}
