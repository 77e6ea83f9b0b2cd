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

/** Whether a point lies in a convex counter-clockwise polygon, its edge included within `slack`. */
export function contains(outline: readonly Point[], p: Point, slack = NOTHING): boolean {
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
