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
      ...marks.map((mark) => ({ share: mark / length, rank: 0 })),
      ...ways.flatMap(({ line, from, to }) =>
        line.shares.map((share) => ({ share: from + share * (to - from), rank: 1 })),
      ),
      ...[edges.lower, edges.upper].flatMap(({ shares }) => shares.map((share) => ({ share, rank: 2 }))),
    ],
    NEAR / length,
  );
  const facets = ways.flatMap(({ line, from, to }): Facet[] => {
    const standing = (share: number) => on(line, (share - from) / (to - from));
    const own = cuts.filter((share) => share > from - NOTHING && share < to + NOTHING);
    return own.slice(1).flatMap((next, i): Facet[] => {
      const share = own[i] ?? from;
      const [p, q] = [standing(share), standing(next)];
      const over = (at: Point, z: number): Point3 => ({ x: at.x - width / 2, y: at.y, z });
      const corners = [
        { flat: on(edges.lower, share), made: over(p, low) },
        { flat: on(edges.lower, next), made: over(q, low) },
        { flat: on(edges.upper, next), made: over(q, high) },
        { flat: on(edges.upper, share), made: over(p, high) },
      ] as const;
      const long = distance(p, q) || 1;
      const face = faceOf({ x: (q.x - p.x) / long, y: (q.y - p.y) / long });
      const below = between(edges.lower, share, next);
      const above = between(edges.upper, share, next).reverse();
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

/** Where something bends, as a share of the strip: corners of the bag before the way, the way before the strip's own edges. */
interface Bend {
  readonly share: number;
  readonly rank: number;
}

/** Where a strip is cut across, in order: of bends that lie near one another at the one that comes first in rank. */
function cutsOf(bends: readonly Bend[], near: number): number[] {
  const groups: Bend[][] = [];
  for (const bend of [...bends].sort((a, b) => a.share - b.share)) {
    const last = groups.at(-1);
    if (last && bend.share - must(last[0], 'bend').share < near) last.push(bend);
    else groups.push([bend]);
  }
  return groups.map((group) => must(group.sort((a, b) => a.rank - b.rank)[0], 'bend').share);
}

interface Corner {
  readonly flat: Point;
  readonly made: Point3;
}

/** A part as it can be laid without bending: whole where it is a parallelogram, else in two triangles. */
function partsOf([a, b, c, d]: readonly [Corner, Corner, Corner, Corner]): (readonly Corner[])[] {
  const off = distance(
    { x: b.flat.x - a.flat.x, y: b.flat.y - a.flat.y },
    { x: c.flat.x - d.flat.x, y: c.flat.y - d.flat.y },
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
