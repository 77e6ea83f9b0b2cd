import { type BagGraph, bendBetween, seamsRound } from '../bag/index.ts';
import { longestFirst } from '../geometry/index.ts';
import type { SeamLink } from './links.ts';
import { lengthOf, type Sewing } from './sewn.ts';
import { type Couplings, FREE, followed } from './trails.ts';

/** A seam that bends more than this at a crossing does not go straight on: 30 degrees. */
const STRAIGHT = Math.PI / 6 + 1e-3;

/** Couples every seam end with the one that lies straight across the corner, the straightest first. */
function acrossCorners(graph: BagGraph, links: readonly SeamLink[]): Couplings {
  const coupled = new Int32Array(2 * links.length).fill(FREE);
  const index = new Map(links.map(({ id }, i) => [id, i]));
  const endOf = ({ seam, end }: { readonly seam: { readonly id: string }; readonly end: 'from' | 'to' }) => {
    const i = index.get(seam.id);
    return i === undefined ? undefined : 2 * i + (end === 'from' ? 0 : 1);
  };
  for (const round of seamsRound(graph)) {
    const pairs = round.ends
      .flatMap((a, i) => round.ends.slice(i + 1).map((b) => ({ a, b, bend: bendBetween(round, a, b) })))
      .filter(({ bend }) => bend < STRAIGHT)
      .sort((p, q) => -longestFirst(p.bend, q.bend));
    for (const { a, b } of pairs) {
      const [p, q] = [endOf(a), endOf(b)];
      if (p === undefined || q === undefined || coupled[p] !== FREE || coupled[q] !== FREE) continue;
      coupled[p] = q;
      coupled[q] = p;
    }
  }
  return coupled;
}

/**
 * Long seams: each goes straight on through every crossing of the made-up bag, flat joins and closing ones in one, down a
 * side, over the base and up the other side. The longest first.
 */
export function longSeams(graph: BagGraph, links: readonly SeamLink[]): Sewing[] {
  const { trails, rings } = followed(links, acrossCorners(graph, links));
  const length = (trail: Sewing) => lengthOf(trail.map(({ link }) => link));
  return [...trails, ...rings].sort((a, b) => longestFirst(length(a), length(b)));
}
