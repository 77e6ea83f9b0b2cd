import { NOTHING } from './tolerances.ts';
/** A point or direction in a plane, mm. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A point or direction in space, mm: x to the right, y up, z towards the front. */
export interface Point3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const cross = (a: Point3, b: Point3): Point3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});

export const dot = (a: Point3, b: Point3): number => a.x * b.x + a.y * b.y + a.z * b.z;

/** The direction of a vector, of length 1. */
export const unit = ({ x, y, z }: Point3): Point3 => {
  const length = Math.hypot(x, y, z) || 1;
  return { x: x / length, y: y / length, z: z / length };
};

export const distance3 = (a: Point3, b: Point3): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Length of a line through some points. */
export const pathLength = (path: readonly Point[]): number =>
  path.reduce((sum, p, i) => sum + distance(path[i - 1] ?? p, p), 0);

/** The unit vector to the right of the way from p to q: out of a piece, whose outline runs counter-clockwise. */
export function outwardNormal(p: Point, q: Point): Point {
  const length = distance(p, q) || 1;
  return { x: (q.y - p.y) / length, y: (p.x - q.x) / length };
}

export const along = (a: Point, b: Point, t: number): Point => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});

/** A rectangle's outline, counter-clockwise from its lower left corner. */
export const rectangle = (x: number, y: number, width: number, height: number): readonly Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

/** Width and height of the upright box round some points. */
export function extent(points: readonly Point[]): { width: number; height: number } {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { x, y } of points) {
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < low) low = y;
    if (y > high) high = y;
  }
  return { width: right - left, height: high - low };
}

/** Area of a simple polygon by the shoelace formula; positive when counter-clockwise. */
export function area(outline: readonly Point[]): number {
  let twice = 0;
  let previous = outline.at(-1);
  for (const point of outline) {
    if (previous) twice += previous.x * point.y - point.x * previous.y;
    previous = point;
  }
  return twice / 2;
}

/** The part of a convex polygon where `normal . p <= limit` (Sutherland-Hodgman, one plane). */
export function clipHalf(outline: readonly Point[], normal: Point, limit: number): Point[] {
  const side = (p: Point) => normal.x * p.x + normal.y * p.y - limit;
  const kept: Point[] = [];
  let previous = outline.at(-1);
  for (const point of outline) {
    if (previous) {
      const before = side(previous);
      const here = side(point);
      if (before <= 0 !== here <= 0) kept.push(along(previous, point, before / (before - here)));
      if (here <= 0) kept.push(point);
    }
    previous = point;
  }
  return kept;
}

/** The part of the segment p to q inside a convex counter-clockwise polygon, as shares of the segment. */
export function clipSegment(
  outline: readonly Point[],
  p: Point,
  q: Point,
): readonly [number, number] | undefined {
  let [enter, leave] = [0, 1];
  let previous = outline.at(-1);
  for (const point of outline) {
    if (previous) {
      const [ex, ey] = [point.x - previous.x, point.y - previous.y];
      const slack = NOTHING * Math.hypot(ex, ey);
      const before = ex * (p.y - previous.y) - ey * (p.x - previous.x);
      const after = ex * (q.y - previous.y) - ey * (q.x - previous.x);
      if (before < -slack && after < -slack) return undefined;
      if (before < -slack) enter = Math.max(enter, before / (before - after));
      else if (after < -slack) leave = Math.min(leave, before / (before - after));
    }
    previous = point;
  }
  return leave - enter > NOTHING ? [enter, leave] : undefined;
}

/**
 * The part of the segment p to q that lies on the border of a polygon, as shares of the segment: the
 * stretch of it that the polygon kept, when it was cut out of a larger one with that side.
 */
export function onBorder(
  outline: readonly Point[],
  p: Point,
  q: Point,
): readonly [number, number] | undefined {
  const [dx, dy] = [q.x - p.x, q.y - p.y];
  const length = Math.hypot(dx, dy);
  const off = (point: Point) => Math.abs(dx * (point.y - p.y) - dy * (point.x - p.x)) / length;
  const at = (point: Point) => (dx * (point.x - p.x) + dy * (point.y - p.y)) / length ** 2;
  let [enter, leave] = [1, 0];
  let previous = outline.at(-1);
  for (const point of outline) {
    if (previous && off(previous) < NOTHING && off(point) < NOTHING) {
      const [one, other] = [at(previous), at(point)];
      const [from, to] = [Math.max(0, Math.min(one, other)), Math.min(1, Math.max(one, other))];
      if (to > from) [enter, leave] = [Math.min(enter, from), Math.max(leave, to)];
    }
    previous = point;
  }
  return leave - enter > NOTHING ? [enter, leave] : undefined;
}

/** Whether a point lies in a counter-clockwise polygon, its edge included within `slack`; without it, if below zero. */
export function contains(outline: readonly Point[], p: Point, slack = NOTHING): boolean {
  return inEveryHalf(outline, p, slack) || withinAny(outline, p, slack);
}

/** Whether a point lies to the left of all sides: it is inside, and where the polygon is convex there is no other way. */
function inEveryHalf(outline: readonly Point[], p: Point, slack: number): boolean {
  let previous = outline.at(-1);
  for (const point of outline) {
    if (previous) {
      const turn = (point.x - previous.x) * (p.y - previous.y) - (point.y - previous.y) * (p.x - previous.x);
      if (turn < -slack * Math.max(1, distance(previous, point))) return false;
    }
    previous = point;
  }
  return true;
}

/** The same for a polygon of any shape: a ray to the right crosses its sides an odd number of times. */
function withinAny(outline: readonly Point[], p: Point, slack: number): boolean {
  let [inside, convex] = [false, true];
  let nearest = Infinity;
  for (const [i, b] of outline.entries()) {
    const [a = b, c = b] = [outline.at(i - 1), outline[(i + 1) % outline.length]];
    if ((b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x) < -NOTHING) convex = false;
    if (a.y > p.y !== b.y > p.y && p.x < a.x + ((p.y - a.y) / (b.y - a.y)) * (b.x - a.x)) inside = !inside;
    const way = (b.x - a.x) ** 2 + (b.y - a.y) ** 2 || 1;
    const t = Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / way));
    nearest = Math.min(nearest, distance(p, along(a, b, t)));
  }
  if (convex) return false;
  return slack >= 0 ? inside || nearest <= slack : inside && nearest >= -slack;
}

/** Whether the sides of an outline cross nowhere; that neighbours meet, and that two touch, is none. */
export function isSimple(outline: readonly Point[]): boolean {
  const side = (a: Point, b: Point, p: Point) => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);
  return outline.every((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a;
    for (let j = i + 2; j < outline.length - (i === 0 ? 1 : 0); j++) {
      const [c, d] = [outline[j] ?? a, outline[(j + 1) % outline.length] ?? a];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return false;
    }
    return true;
  });
}
