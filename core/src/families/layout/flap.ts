import {
  type BagGraph,
  cornersOf,
  type Facet,
  type Interval,
  inNet,
  intervalLength,
  measure,
  move,
  onFacet,
  pieceIndex,
  pointOnEdge,
  stretchesOf,
} from '../../bag/index.ts';
import {
  along,
  distance3,
  groupBy,
  NO_STRETCH,
  NOTHING,
  type Point,
  type Point3,
  SAME_PLACE,
} from '../../geometry/index.ts';
import { bend } from './bend.ts';
import { type FaceMake, layFace } from './face.ts';
import type { LaidFace } from './laid-face.ts';
import type { Materials } from './materials.ts';
import { sew } from './sew.ts';
import { reversed } from './sheet.ts';

/** Places nearer than this are the same, mm. */
const NEAR = 0.01;
/** What rises by less is level, mm: what is sewn to it then lies on it. */
const LEVEL = SAME_PLACE / 2;
/** A flap needs a level stretch of at least this share of the bag's width. */
const LEAST_WIDE = 0.25;

/** A stretch of the rim behind, from left to right as seen from the front. */
interface Behind {
  readonly interval: Interval;
  readonly from: Point3;
  readonly to: Point3;
}

/** The level rim of the back at its highest, in one piece from left to right; empty where there is none. */
export function rimBehind(graph: BagGraph): Behind[] {
  const piece = pieceIndex(graph);
  const backs = groupBy(
    graph.facets.filter(({ face }) => face === 'back'),
    (facet) => facet.piece,
  );
  const parts = cornersOf(graph)
    .rims()
    .flat()
    .flatMap(({ interval }): Behind[] => {
      const { piece: id, edge } = interval;
      return stretchesOf(piece(id), edge).flatMap(({ p, q, from, to }) =>
        (backs.get(id) ?? []).flatMap((facet) => {
          const shares = onFacet(piece(id), facet, p, q);
          return shares ? partOn(facet, interval, p, q, [from, to], shares) : [];
        }),
      );
    })
    .filter(({ from, to }) => Math.abs(from.y - to.y) < LEVEL && Math.abs(from.z - to.z) < LEVEL);
  const top = Math.max(...parts.map(({ from }) => from.y));
  const highest = parts.filter(({ from }) => top - from.y < LEVEL).sort((a, b) => a.from.x - b.from.x);
  const run = longestRun(highest);
  // Round a curved back nothing flat can hang.
  return widthOf(run) < LEAST_WIDE * measure(graph).width ? [] : run;
}

/** The part of a rim interval that lies on the given shares of one stretch of an edge, and where it goes. */
function partOn(
  facet: Facet,
  { piece, edge, from, to }: Interval,
  p: Point,
  q: Point,
  [start, end]: readonly [number, number],
  inside: readonly [number, number],
): Behind[] {
  const at = (share: number) => start + (end - start) * share;
  const [low, high] = [Math.max(from, at(inside[0])), Math.min(to, at(inside[1]))];
  if (high - low < NO_STRETCH) return [];
  const place = (position: number) => move(facet.motion, along(p, q, (position - start) / (end - start)));
  return [{ interval: { piece, edge, from: low, to: high }, from: place(low), to: place(high) }];
}

function longestRun(parts: readonly Behind[]): Behind[] {
  const runs: Behind[][] = [];
  for (const part of parts) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    if (run && last && distance3(part.from, last.to) < NEAR) run.push(part);
    else runs.push([part]);
  }
  return runs.reduce<Behind[]>((best, run) => (widthOf(run) > widthOf(best) ? run : best), []);
}

const widthOf = (run: readonly Behind[]) => run.reduce((sum, { from, to }) => sum + to.x - from.x, 0);

/**
 * Hangs a flap on a bag: its upper side meets the middle of the back's rim, it lies over the opening and hangs
 * down in front. A bag without a level rim behind, or with a flap already, stays as it is.
 */
export function withFlap(graph: BagGraph, flap: FaceMake, materials: Materials): BagGraph {
  const behind = rimBehind(graph);
  const [first, last] = [behind[0], behind.at(-1)];
  const made = layFace(flap, materials, {
    id: 'flap',
    name: 'Flap',
    at: { x: 0, y: 0 },
    hangs: true,
  });
  const root = made.open.reduce((sum, interval) => sum + intervalLength(interval), 0);
  if (!first || !last || root === 0 || graph.facets.some(({ face }) => face === 'flap')) return graph;

  const wide = behind.reduce((sum, { interval }) => sum + intervalLength(interval), 0);
  const [left, right] = [first.from.x, last.to.x];
  // An upper side longer than the rim is eased onto all of it.
  const reach = (Math.min(wide, root) * (right - left)) / wide;
  const seated = seatIn(behind, (left + right) / 2, reach / 2);
  if (seated.length === 0) return graph;
  const seat = seated.map(({ interval }) => interval);
  // It lies on what it is sewn to: where it laps by a hair over the next square, that hair is eased, too.
  const ease = widthOf(seated) / root;
  const laid = laidAgainst(made, middleInNet(graph, seat));
  const { pieces, along: way, outward, middle } = laid;

  const back = first.from.z;
  const front = Math.max(
    ...graph.facets.map(({ motion, outline }) => Math.max(...outline.map((p) => move(motion, p).z))),
  );
  const deep = front - back;
  const sewnTo = seated.flatMap(({ from, to }) => [from.x, to.x]);
  const top: Point3 = { x: (Math.min(...sewnTo) + Math.max(...sewnTo)) / 2, y: first.from.y, z: back };
  const region = (
    dir: Point3,
    from: Point3,
    skip: number,
    within: Array<{ normal: Point; limit: number }>,
  ) => {
    const image = (net: Point): Point3 => ({
      x: (net.x * way.x + net.y * way.y) * ease,
      y: (net.x * outward.x + net.y * outward.y) * dir.y,
      z: (net.x * outward.x + net.y * outward.y) * dir.z,
    });
    const [u, v] = [image({ x: 1, y: 0 }), image({ x: 0, y: 1 })];
    const at = { x: middle.x + outward.x * skip, y: middle.y + outward.y * skip };
    return {
      face: 'flap' as const,
      within,
      motion: {
        origin: {
          x: from.x - at.x * u.x - at.y * v.x,
          y: from.y - at.x * u.y - at.y * v.y,
          z: from.z - at.x * u.z - at.y * v.z,
        },
        u,
        v,
      },
    };
  };
  const far = outward.x * middle.x + outward.y * middle.y + deep;
  const over = { normal: outward, limit: far };
  const down = { normal: { x: -outward.x, y: -outward.y }, limit: -far };
  const hanging = region({ x: 0, y: -1, z: 0 }, { ...top, z: front }, deep, deep > NEAR ? [down] : []);
  const lid = region({ x: 0, y: 0, z: 1 }, top, 0, [over]);
  const bent = bend(pieces, deep > NEAR ? [lid, hanging] : [hanging]);

  const kind = flap.of === 'worked' || flap.of === 'shaped' ? 'grown' : laid.touches ? 'flat' : 'closing';
  const joined = sew(kind, 'flap', 'Flap to back', seat, reversed(made.open), (interval) => {
    const on = seated.find((one) => one.interval === interval);
    return on ? on.to.x - on.from.x : intervalLength(interval);
  });
  return {
    ...graph,
    pieces: [...graph.pieces, ...pieces],
    seams: [...graph.seams, ...made.seams, ...joined.seams],
    lines: [...graph.lines, ...made.lines, joined.line],
    folds: [...graph.folds, ...bent.folds],
    facets: [...graph.facets, ...bent.facets],
  };
}

/**
 * The parts of the rim behind that lie within so much of a middle, mm. What would be left of a part beside the seat, or
 * taken of one, and is no stretch, is not: the seat ends at the part's own end.
 */
function seatIn(behind: readonly Behind[], middle: number, reach: number): Behind[] {
  return behind.flatMap(({ interval, from, to }): Behind[] => {
    const wide = to.x - from.x;
    const start = middle - reach - from.x;
    const end = middle + reach - from.x;
    const low = start < NO_STRETCH ? 0 : start / wide;
    const high = wide - end < NO_STRETCH ? 1 : end / wide;
    if ((high - low) * wide < NO_STRETCH) return [];
    const at = (share: number) => interval.from + (interval.to - interval.from) * share;
    const place = (share: number) => ({ ...from, x: from.x + wide * share });
    return [{ interval: { ...interval, from: at(low), to: at(high) }, from: place(low), to: place(high) }];
  });
}

/** The middle of a chain as it lies in the net, the way it runs there, and whether it lies in one line. */
function middleInNet(graph: BagGraph, chain: readonly Interval[]) {
  const piece = pieceIndex(graph);
  const ends = chain.map(({ piece: id, edge, from, to }) => {
    const own = piece(id);
    return [inNet(own, pointOnEdge(own, edge, from)), inNet(own, pointOnEdge(own, edge, to))] as const;
  });
  const total = chain.reduce((sum, interval) => sum + intervalLength(interval), 0);
  let left = total / 2;
  const k = chain.findIndex((interval) => {
    left -= intervalLength(interval);
    return left <= NOTHING;
  });
  const [from, to] = ends[k] ?? [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
  ];
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const way = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const middle = { x: to.x + way.x * left, y: to.y + way.y * left };
  const touches = ends.every(([p], i) => {
    const before = ends[i - 1];
    return !before || Math.hypot(p.x - before[1].x, p.y - before[1].y) < NEAR;
  });
  return { middle, way, touches };
}

/** Turns a laid face so that its upper side lies against a place in the net, its middle on that place. */
function laidAgainst(made: LaidFace, { middle, way, touches }: ReturnType<typeof middleInNet>) {
  // The upper side runs from right to left at the face's height; it must run against the way.
  const outward = { x: way.y, y: -way.x };
  const turn = Math.atan2(way.y, way.x);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const own = pieceIndex(made);
  const placed = ({ piece, edge }: Interval, position: number) =>
    inNet(own(piece), pointOnEdge(own(piece), edge, position));
  const [first, last] = [made.open[0], made.open.at(-1)];
  // A face that leans has its upper side not in the middle of its width.
  const hung =
    first && last
      ? along(placed(first, first.from), placed(last, last.to), 0.5)
      : { x: made.width / 2, y: made.height };
  const spun = (p: Point): Point => {
    // From the middle of the upper side, half round and then along the way.
    const [x, y] = [p.x - hung.x, p.y - hung.y];
    return { x: middle.x + x * cos - y * sin, y: middle.y + x * sin + y * cos };
  };
  const pieces = made.pieces.map((piece) => ({ ...piece, at: spun(piece.at), turn: piece.turn + turn }));
  return { pieces, along: way, outward, middle, touches };
}
