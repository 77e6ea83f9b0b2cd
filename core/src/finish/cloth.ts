import { EndType, FillRule, inflatePathsD, JoinType, unionD, xorD } from 'clipper2-ts';
import { area, type Point } from '../geometry/index.ts';

type Outline = readonly Point[];

/** How far a corner of the cutting line may stand out, in allowances: a sharper one is cut off there. */
const MITRE = 2.5;
/** Decimals of a millimetre that outlines are worked out to. */
const DECIMALS = 4;
/** Parts that touch but for rounding are grown together by so much, mm, and taken in again. */
const HEALED = 0.02;
/** What is smaller than this, mm², is not cut. */
const CRUMB = 1;
/** A corner that stands out of the line between its neighbours by less than this, mm, is none. */
const STRAIGHT = 0.005;

const paths = (outlines: readonly Outline[]) =>
  // Clipper knows inside from outside by the way round.
  outlines.map((outline) =>
    (area(outline) < 0 ? [...outline].reverse() : outline).map(({ x, y }) => ({ x, y })),
  );

const grown = (outlines: ReturnType<typeof paths>, by: number, mitre: number) =>
  inflatePathsD(outlines, by, JoinType.Miter, EndType.Polygon, mitre, DECIMALS);

/** Corners only: what lies on a straight line between its neighbours goes. */
function corners(outline: Outline): Point[] {
  const kept = [...outline];
  for (let i = 0; i < kept.length && kept.length > 3; ) {
    const [p, q, r] = [kept.at(i - 1), kept[i], kept[(i + 1) % kept.length]];
    if (!p || !q || !r) break;
    const base = Math.hypot(r.x - p.x, r.y - p.y);
    const off =
      base < STRAIGHT
        ? Math.hypot(q.x - p.x, q.y - p.y)
        : Math.abs((r.x - p.x) * (q.y - p.y) - (r.y - p.y) * (q.x - p.x)) / base;
    if (off < STRAIGHT) kept.splice(i, 1);
    else i++;
  }
  return kept;
}

/** Many parts as few: the outlines of all that they cover together, counter-clockwise, the largest first; mm. */
export function together(parts: readonly Outline[]): Point[][] {
  const there = parts.filter((part) => Math.abs(area(part)) > CRUMB);
  if (there.length === 0) return [];
  const healed = grown(unionD(grown(paths(there), HEALED, 10), [], FillRule.NonZero, DECIMALS), -HEALED, 10);
  return healed
    .filter((path) => area(path) > CRUMB)
    .map(corners)
    .sort((p, q) => area(q) - area(p));
}

/** Area that two outlines do not share, mm². */
export const unlike = (a: Outline, b: Outline): number =>
  xorD(paths([a]), paths([b]), FillRule.NonZero, DECIMALS).reduce((sum, path) => sum + area(path), 0);

/**
 * The cutting line: an outline of any shape moved outwards by the seam allowance. Corners stay sharp up to a limit, and
 * where the outline turns in, the line follows it.
 */
export function withAllowance(outline: Outline, allowance: number): Point[] {
  // A piece of cloth is one piece: whatever else comes of it is a hole in it, and smaller.
  const [line = []] = grown(paths([outline]), allowance, MITRE).sort(
    (p, q) => Math.abs(area(q)) - Math.abs(area(p)),
  );
  return line.map(({ x, y }) => ({ x, y }));
}
