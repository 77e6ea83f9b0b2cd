import { type Facet, type Fold, type Interval, type Motion, type Piece, pathOn } from '../../bag/index.ts';
import { along, distance, must, NOTHING, type Point, type Point3, pathLength } from '../../geometry/index.ts';
import type { FaceSide } from '../layout/laid-face.ts';
import type { CutStrip } from './strip.ts';
import { faceOf, wallAlong } from './wall.ts';

/** A way of straight parts, with how far along it each of its points lies, as a share of all. */
interface Line {
  readonly points: readonly Point[];
  readonly shares: readonly number[];
}

function lineOf(points: readonly Point[]): Line {
  const all = pathLength(points) || 1;
  let at = 0;
  const shares = points.map((p, i) => {
    at += i > 0 ? distance(must(points[i - 1], 'point'), p) : 0;
    return at / all;
  });
  return { points, shares: shares.map((share, i) => (i === points.length - 1 ? 1 : share)) };
}

function on({ points, shares }: Line, share: number): Point {
  const next = Math.max(
    1,
    shares.findIndex((one) => one >= share - NOTHING),
  );
  const [a, b] = [must(points[next - 1], 'point'), must(points[next], 'point')];
  const [from = 0, to = 1] = [shares[next - 1], shares[next]];
  return to > from ? along(a, b, Math.min(1, Math.max(0, (share - from) / (to - from)))) : b;
}

/** The points of a way that lie between two places on it. */
const between = ({ points, shares }: Line, from: number, to: number): Point[] =>
  points.filter((_, i) => {
    const share = shares[i] ?? 0;
    return share > from + NOTHING && share < to - NOTHING;
  });

const pathOf = (piece: Piece, chain: readonly Interval[]): Point[] =>
  chain.flatMap((interval, i) => pathOn(piece, interval).slice(i === 0 ? 0 : 1));

/**
 * Stands a strip of any outline along the sewn sides of a face: wherever its two long edges or the way bend it is cut
 * across, and each part between is laid out so that its edges lie on the faces. A part that is no parallelogram is laid
 * in two triangles.
 *
 * @param width of the face, whose middle is over 0.
 * @param z where the strip's lower and upper edge lie, from behind to the front.
 */
function shapedWall(
  { piece, lower, upper, marks }: CutStrip,
  sides: readonly FaceSide[],
  width: number,
  [low, high]: readonly [number, number],
): { facets: Facet[]; folds: Fold[] } {
  const length = must(marks.at(-1), 'end of the strip');
  const edges = { lower: lineOf(pathOf(piece, lower)), upper: lineOf(pathOf(piece, upper).reverse()) };
  const ways = sides.map(({ path }, i) => {
    const [from = 0, to = length] = [marks[i], marks[i + 1]];
    return { line: lineOf(path), from: from / length, to: to / length };
  });
  const cuts = cutsOf(
    [
      ...marks.map((mark): Bend => ({ share: mark / length, of: 'bag' })),
      ...ways.flatMap(({ line, from, to }) =>
        bendsOf(line).map((share): Bend => ({ share: from + share * (to - from), of: 'way' })),
      ),
      ...edges.lower.shares.map((share): Bend => ({ share, of: 'lower' })),
      ...edges.upper.shares.map((share): Bend => ({ share, of: 'upper' })),
    ],
    NEAR / length,
  );
  const facets = ways.flatMap(({ line, from, to }): Facet[] => {
    const standing = (share: number) => on(line, (share - from) / (to - from));
    const own = cuts.filter(({ lower }) => lower > from - NOTHING && lower < to + NOTHING);
    return own.slice(1).flatMap((next, i): Facet[] => {
      const cut = own[i] ?? next;
      const [p, q] = [standing(cut.lower), standing(next.lower)];
      const corner = (edge: 'lower' | 'upper', { [edge]: share }: Cut): Corner => {
        const at = standing(share);
        return {
          flat: on(edges[edge], share),
          made: { x: at.x - width / 2, y: at.y, z: edge === 'lower' ? low : high },
        };
      };
      const corners = [
        corner('lower', cut),
        corner('lower', next),
        corner('upper', next),
        corner('upper', cut),
      ] as const;
      const long = distance(p, q) || 1;
      const face = faceOf({ x: (q.x - p.x) / long, y: (q.y - p.y) / long });
      const below = between(edges.lower, cut.lower, next.lower);
      const above = between(edges.upper, cut.upper, next.upper).reverse();
      return partsOf(corners).flatMap((part) => {
        const motion = motionOf(part);
        if (!motion) return [];
        // What bends between two cuts lies on the part, too, else the bag would be open there.
        const outline = part.flatMap((corner) => [
          corner.flat,
          ...(corner === corners[0] && part.includes(corners[1]) ? below : []),
          ...(corner === corners[2] && part.includes(corners[3]) ? above : []),
        ]);
        return [{ piece: piece.id, outline, face, motion }];
      });
    });
  });
  const folds = marks.slice(1, -1).map((mark): Fold => {
    const share = mark / length;
    return { piece: piece.id, from: on(edges.lower, share), to: on(edges.upper, share) };
  });
  return { facets, folds };
}

/** Stands a strip along the sewn sides of a face: a rectangle as it bends, any other outline part by part. */
export const stripWall = (
  strip: CutStrip,
  sides: readonly FaceSide[],
  width: number,
  z: readonly [number, number],
) =>
  strip.shaped ? shapedWall(strip, sides, width, z) : wallAlong(strip.piece, sides, strip.marks, width, z);

/** Cuts nearer than this are one, mm: parts thinner than that are noise, and no mesh can tell their borders apart. */
const NEAR = 0.2;

/** Where something bends, as a share of the strip: the bag at its corners, the way along a side, or an edge of the strip. */
interface Bend {
  readonly share: number;
  readonly of: 'bag' | 'way' | 'lower' | 'upper';
}

/** A cut across the strip: where it meets each edge, as a share of it. */
interface Cut {
  readonly lower: number;
  readonly upper: number;
}

/**
 * Where a strip is cut across, in order. Of bends that lie near one another the bag's comes first, then the way's; where
 * only the strip's own edges bend, the cut goes from the one's bend to the other's.
 */
function cutsOf(bends: readonly Bend[], near: number): Cut[] {
  const groups: Bend[][] = [];
  for (const bend of [...bends].sort((a, b) => a.share - b.share)) {
    const last = groups.at(-1);
    if (last && bend.share - must(last[0], 'bend').share < near) last.push(bend);
    else groups.push([bend]);
  }
  return groups.map((group): Cut => {
    const of = (what: Bend['of']) => group.find((bend) => bend.of === what)?.share;
    const held = of('bag') ?? of('way');
    const lower = held ?? of('lower') ?? must(of('upper'), 'bend');
    return { lower, upper: held ?? of('upper') ?? lower };
  });
}

/** Places at which a way bends, as shares of it: what lies in one line with its neighbours is none. */
function bendsOf({ points, shares }: Line): number[] {
  return shares.filter((_, i) => {
    const [before, at, after] = [points[i - 1], points[i], points[i + 1]];
    if (!before || !at || !after) return true;
    const chord = distance(before, after);
    const twice = Math.abs(
      (at.x - before.x) * (after.y - before.y) - (at.y - before.y) * (after.x - before.x),
    );
    return twice > chord * NOTHING || distance(before, at) > chord;
  });
}

interface Corner {
  readonly flat: Point;
  readonly made: Point3;
}

/** A part as it can be laid without bending: whole where it is a parallelogram, else in two triangles. */
function partsOf([a, b, c, d]: readonly [Corner, Corner, Corner, Corner]): (readonly Corner[])[] {
  const off = Math.hypot(
    b.flat.x - a.flat.x - (c.flat.x - d.flat.x),
    b.flat.y - a.flat.y - (c.flat.y - d.flat.y),
    b.made.x - a.made.x - (c.made.x - d.made.x),
    b.made.y - a.made.y - (c.made.y - d.made.y),
  );
  return off < NOTHING
    ? [[a, b, c, d]]
    : [
        [a, b, c],
        [a, c, d],
      ].filter((part) => doubleArea(part) > NOTHING);
}

const doubleArea = ([a, b, c]: readonly Corner[]): number =>
  a && b && c
    ? (b.flat.x - a.flat.x) * (c.flat.y - a.flat.y) - (b.flat.y - a.flat.y) * (c.flat.x - a.flat.x)
    : 0;

/** How three corners that are told flat and made up move: nothing where they lie in one line. */
function motionOf(part: readonly Corner[]): Motion | undefined {
  const [a, b, c] = part;
  if (!a || !b || !c) return undefined;
  const twice = doubleArea(part);
  if (twice <= NOTHING) return undefined;
  const [p, q] = [
    { x: b.flat.x - a.flat.x, y: b.flat.y - a.flat.y },
    { x: c.flat.x - a.flat.x, y: c.flat.y - a.flat.y },
  ];
  const solve = (axis: 'x' | 'y' | 'z') => {
    const [d, e] = [b.made[axis] - a.made[axis], c.made[axis] - a.made[axis]];
    const u = (d * q.y - e * p.y) / twice;
    const v = (e * p.x - d * q.x) / twice;
    return { u, v, o: a.made[axis] - u * a.flat.x - v * a.flat.y };
  };
  const [x, y, z] = [solve('x'), solve('y'), solve('z')];
  return {
    origin: { x: x.o, y: y.o, z: z.o },
    u: { x: x.u, y: y.u, z: z.u },
    v: { x: x.v, y: y.v, z: z.v },
  };
}
