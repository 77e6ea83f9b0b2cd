import { type BagGraph, type Interval, intervalLength } from '../bag/index.ts';
import { along as between, NOTHING } from '../geometry/index.ts';
import type { JoiningGraph, SeamLink } from './links.ts';
import { type JoinMethodId, joinMethod } from './methods.ts';
import { type Pass, reverseTrail, straightTrails, type Trail } from './trails.ts';

export type Sewing = Trail<SeamLink>;

/** By which method a line is joined, and in which yarn (its id). */
export interface HowJoined {
  readonly method: JoinMethodId;
  readonly yarn: string;
}

/** A sewing in one yarn. */
export interface Sewn {
  readonly trail: Sewing;
  readonly how: HowJoined;
  readonly asYouGo: boolean;
}

/** Yarn left hanging at each end of a run, to be hidden later; mm. */
export const TAIL = 150;

/** mm of seam. */
export const lengthOf = (links: readonly SeamLink[]) =>
  links.reduce((sum, { seam }) => sum + intervalLength(seam.a), 0);

/**
 * Seams between motifs in the order in which the motifs are worked: each is joined to those before it. What two
 * motifs have in common with a panel, or an edge with itself, is left for later.
 */
export function inLastRounds(graph: BagGraph, joining: JoiningGraph): Sewing {
  const order = new Map(graph.pieces.map(({ id, make }, i) => [id, make.of === 'motif' ? i : -1]));
  const at = ({ seam }: SeamLink): readonly [number, number] => {
    const [a, b] = [order.get(seam.a.piece) ?? -1, order.get(seam.b.piece) ?? -1];
    return a < b ? [a, b] : [b, a];
  };
  return joining.all
    .filter((link) => {
      const [first, second] = at(link);
      return first >= 0 && first !== second;
    })
    .sort((p, q) => at(p)[1] - at(q)[1] || at(p)[0] - at(q)[0])
    .map((link) => ({ link, forward: true }));
}

/** Cuts one line out of the sewings and puts it at the end, turned so that the yarn comes out where it should. */
export function keptForLast(
  sewn: readonly Sewn[],
  last: { readonly line: string; readonly end: 'first' | 'second' } | undefined,
): Sewn[] {
  if (!last) return [...sewn];
  const kept: Sewn[] = [];
  let how: HowJoined | undefined;
  const links: SeamLink[] = [];
  for (const one of sewn) {
    if (one.asYouGo || !one.trail.some(({ link }) => link.way === last.line)) {
      kept.push(one);
      continue;
    }
    how = one.how;
    let part: Pass<SeamLink>[] = [];
    const flush = () => {
      if (part.length > 0) kept.push({ ...one, trail: part });
      part = [];
    };
    for (const pass of one.trail) {
      if (pass.link.way === last.line) {
        links.push(pass.link);
        flush();
      } else part.push(pass);
    }
    flush();
  }
  if (!how) return kept;
  const own = how;
  const trails = straightTrails(links).map((trail) => (last.end === 'first' ? reverseTrail(trail) : trail));
  return [...kept, ...trails.map((trail) => ({ trail, how: own, asYouGo: false }))];
}

/**
 * A seam in so many equal parts, in the order in which they are worked. Where it is parted lies no corner of the bag:
 * nothing else ends there.
 */
function inParts({ link, forward }: Pass<SeamLink>, many: number): Pass<SeamLink>[] {
  const { seam, net, from, to } = link;
  const along = (i: Interval, low: number, high: number): Interval => ({
    ...i,
    from: i.from + (i.to - i.from) * low,
    to: i.from + (i.to - i.from) * high,
  });
  const parts = Array.from({ length: many }, (_, k): Pass<SeamLink> => {
    const [low, high] = [k / many, (k + 1) / many];
    const [start, end] = [k === 0, k === many - 1];
    return {
      forward,
      link: {
        ...link,
        seam: { ...seam, a: along(seam.a, low, high), b: along(seam.b, low, high) },
        net: [between(net[0], net[1], low), between(net[0], net[1], high)],
        from: start ? from : -k,
        to: end ? to : -k - 1,
        part: { of: seam, from: low, to: high },
      },
    };
  });
  return forward ? parts : parts.reverse();
}

/**
 * Divides a needle's run where the yarn would grow too long to pull through: at the last corner before, or, where one
 * seam alone takes more than a needle holds, within it.
 */
export function cutToLength(one: Sewn, longest: number | undefined): Sewn[] {
  const { tool, yarnBySeam } = joinMethod(one.how.method);
  if (!longest || tool !== 'needle' || one.asYouGo) return [one];
  const most = longest - 2 * TAIL;
  const parts: Pass<SeamLink>[][] = [];
  let used = Infinity;
  for (const pass of one.trail) {
    const takes = lengthOf([pass.link]) * yarnBySeam;
    const many = Math.max(1, Math.ceil(takes / most - NOTHING));
    for (const part of many === 1 ? [pass] : inParts(pass, many)) {
      if (used + takes / many > most + NOTHING) {
        parts.push([]);
        used = 0;
      }
      parts.at(-1)?.push(part);
      used += takes / many;
    }
  }
  return parts.map((trail) => ({ ...one, trail }));
}
