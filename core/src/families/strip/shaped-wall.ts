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
  const facets: Facet[] = [];
  for (const { line, from, to } of ways) {
    const within = (share: number) => from + share * (to - from);
    const cuts = [...line.shares.map(within), ...edges.lower.shares, ...edges.upper.shares]
      .filter((share) => share > from + NOTHING && share < to - NOTHING)
      .sort((a, b) => a - b);
    const all = [from, ...cuts, to].filter((share, i, list) => i === 0 || share - (list[i - 1] ?? 0) > CUT);
    // The last cut is the end, however near the one before it lies.
    all[all.length - 1] = to;
    const standing = (share: number) => on(line, (share - from) / (to - from));
    all.slice(1).forEach((next, i) => {
      const share = all[i] ?? from;
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
      for (const part of partsOf(corners)) {
        const motion = motionOf(part);
        if (motion) facets.push({ piece: piece.id, outline: part.map(({ flat }) => flat), face, motion });
      }
    });
  }
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

/** Cuts nearer than this share are one. */
const CUT = 1e-7;

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
