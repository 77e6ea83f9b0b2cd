/** A seam between two corners, seen as an edge of a graph. `way` groups seams that run straight on. */
export interface Link {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly way: string;
}

/** A link walked from its start (`forward`) or from its end. */
export interface Pass<L extends Link = Link> {
  readonly link: L;
  readonly forward: boolean;
}

/** Passes one after the other through shared corners. */
export type Trail<L extends Link = Link> = readonly Pass<L>[];

export const passStart = ({ link, forward }: Pass): number => (forward ? link.from : link.to);
export const passEnd = ({ link, forward }: Pass): number => (forward ? link.to : link.from);

const first = (trail: Trail): number => {
  const pass = trail[0];
  return pass ? passStart(pass) : -1;
};
const last = (trail: Trail): number => {
  const pass = trail.at(-1);
  return pass ? passEnd(pass) : -1;
};

export const trailStart = first;
export const trailEnd = last;

/** Whether a trail ends where it began. */
export const isRing = (trail: Trail): boolean => trail.length > 0 && first(trail) === last(trail);

export const reverseTrail = <L extends Link>(trail: Trail<L>): Trail<L> =>
  [...trail].reverse().map(({ link, forward }) => ({ link, forward: !forward }));

/**
 * The fewest trails that cover the links once each: half the corners of odd degree in every connected
 * part, and one for a part that has none (Euler).
 */
export function fewestTrails(links: readonly Link[]): number {
  return parts(links).reduce((sum, part) => sum + Math.max(1, oddCorners(part).length / 2), 0);
}

function degrees(links: readonly Link[]): Map<number, number> {
  const degree = new Map<number, number>();
  for (const { from, to } of links) {
    degree.set(from, (degree.get(from) ?? 0) + 1);
    degree.set(to, (degree.get(to) ?? 0) + 1);
  }
  return degree;
}

/** Corners where an odd number of links meet: a trail must begin or end there. */
export const oddCorners = (links: readonly Link[]): number[] =>
  [...degrees(links)].filter(([, degree]) => degree % 2 === 1).map(([corner]) => corner);

/** Links by connected part. */
export function parts<L extends Link>(links: readonly L[]): L[][] {
  const at = new Map<number, L[]>();
  for (const link of links) {
    for (const corner of new Set([link.from, link.to])) {
      const list = at.get(corner);
      if (list) list.push(link);
      else at.set(corner, [link]);
    }
  }
  const seen = new Set<L>();
  const found: L[][] = [];
  for (const start of links) {
    if (seen.has(start)) continue;
    seen.add(start);
    const part = [start];
    for (const link of part) {
      for (const corner of [link.from, link.to]) {
        for (const next of at.get(corner) ?? []) {
          if (seen.has(next)) continue;
          seen.add(next);
          part.push(next);
        }
      }
    }
    found.push(part);
  }
  return found;
}

/**
 * Covers the links by the fewest trails, going straight on at crossings wherever that costs no trail.
 *
 * At each corner the ends that meet are coupled, straight ones first; an odd corner leaves one end free.
 * The couplings fall into trails between free ends, as many as Euler allows, and rings. Each ring is then
 * spliced into a trail or ring of its part that passes through one of its corners.
 */
export function straightTrails<L extends Link>(links: readonly L[]): Trail<L>[] {
  const { trails, rings } = followed(links, coupleEnds(links));
  return spliceRings(trails, rings);
}

/** Which end each end of the links goes on into: of link i, 2i is its start and 2i + 1 its end. */
export type Couplings = Int32Array;

/** The trails that couplings make of the links, and the rings, each begun at its first link. */
export function followed<L extends Link>(
  links: readonly L[],
  coupled: Couplings,
): { trails: Pass<L>[][]; rings: Pass<L>[][] } {
  const used = new Uint8Array(links.length);
  const follow = (end: number): Pass<L>[] => {
    const trail: Pass<L>[] = [];
    let at = end;
    for (;;) {
      const index = at >> 1;
      const link = links[index];
      if (at === FREE || link === undefined || used[index]) return trail;
      used[index] = 1;
      trail.push({ link, forward: at % 2 === 0 });
      at = coupled[at ^ 1] ?? FREE;
    }
  };
  const trails: Pass<L>[][] = [];
  const rings: Pass<L>[][] = [];
  for (let end = 0; end < coupled.length; end++) {
    if (coupled[end] === FREE && !used[end >> 1]) trails.push(follow(end));
  }
  for (let i = 0; i < links.length; i++) if (!used[i]) rings.push(follow(2 * i));
  return { trails, rings };
}

/** No end is coupled with this one. */
export const FREE = -1;

/** For each end (2i is where link i starts, 2i + 1 where it stops) the end it is coupled with. */
function coupleEnds(links: readonly Link[]): Couplings {
  const meeting = new Map<number, number[]>();
  links.forEach(({ from, to }, i) => {
    for (const [corner, end] of [
      [from, 2 * i],
      [to, 2 * i + 1],
    ] as const) {
      const list = meeting.get(corner);
      if (list) list.push(end);
      else meeting.set(corner, [end]);
    }
  });
  const coupled = new Int32Array(2 * links.length).fill(FREE);
  const wayOf = (end: number) => links[end >> 1]?.way;
  /** Couples free ends of a corner, in order, with the first later one that fits. */
  const couple = (ends: readonly number[], fits: (a: number, b: number) => boolean) => {
    ends.forEach((a, i) => {
      if (coupled[a] !== FREE) return;
      const b = ends.find((other, k) => k > i && coupled[other] === FREE && fits(a, other));
      if (b === undefined) return;
      coupled[a] = b;
      coupled[b] = a;
    });
  };
  for (const ends of meeting.values()) {
    couple(ends, (a, b) => a >> 1 !== b >> 1 && wayOf(a) === wayOf(b));
    couple(ends, (a, b) => a >> 1 !== b >> 1);
    couple(ends, () => true);
  }
  return coupled;
}

/** Works every ring into something that touches it; a ring alone in its part stays a ring. */
function spliceRings<L extends Link>(trails: Pass<L>[][], rings: Pass<L>[][]): Trail<L>[] {
  const whole = [...trails];
  let waiting = [...rings];
  for (;;) {
    const left: Pass<L>[][] = [];
    let spliced = false;
    for (const ring of waiting) {
      if (whole.some((host) => splice(host, ring))) spliced = true;
      else left.push(ring);
    }
    waiting = left;
    if (waiting.length === 0) return whole;
    if (!spliced) {
      // Nothing touches what is left: the first ring stands for its part, and may host others.
      const ring = waiting.shift();
      if (ring) whole.push(ring);
    }
  }
}

function splice<L extends Link>(host: Pass<L>[], ring: Pass<L>[]): boolean {
  const starts = new Map(ring.map((pass, i) => [passStart(pass), i]));
  for (let i = 0; i <= host.length; i++) {
    const pass = host[i];
    const corner = pass ? passStart(pass) : last(host);
    const at = starts.get(corner);
    if (at === undefined) continue;
    host.splice(i, 0, ...ring.slice(at), ...ring.slice(0, at));
    return true;
  }
  return false;
}

/** Turns a ring so that it begins at a corner it passes; `undefined` when it does not pass there. */
export function ringFrom<L extends Link>(ring: Trail<L>, corner: number): Trail<L> | undefined {
  const at = ring.findIndex((pass) => passStart(pass) === corner);
  return at < 0 ? undefined : [...ring.slice(at), ...ring.slice(0, at)];
}
