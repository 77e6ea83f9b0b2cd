import { must, NOTHING, whole } from '../geometry/index.ts';
import { type Multiple, nearestMultiple } from '../panel/index.ts';

/** Counts of a strip that runs along several sides of a face. */
export interface StripCounts {
  readonly total: number;
  /** Rows (or stitches) along each side. */
  readonly sides: readonly number[];
  /** Row (or stitch) numbers after which the strip turns a corner. */
  readonly corners: readonly number[];
}

const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);

/**
 * How many rows (or stitches) of `unit` mm a strip needs along sides of the given lengths, mm.
 *
 * Each side gets its own nearest whole number, so no side is off by more than half a row. A stitch
 * pattern's multiple holds for the whole strip and is honoured there. No side is left without a row, or stitch.
 */
export function countsToFit(sides: readonly number[], unit: number, multiple?: Multiple): StripCounts {
  const own = sides.map((length) => Math.max(1, whole(length / unit)));
  const nearest = multiple ? nearestMultiple(sum(own), multiple) : sum(own);
  const total = nearest < sides.length ? nearest + (multiple?.multiple ?? 1) : nearest;
  return total === sum(own) ? withCorners(own) : spreadCounts(sides, total, unit);
}

/**
 * Shares a given number of rows of `unit` mm among the sides by their lengths: every corner at one of the two whole
 * rows nearest to its true share, so that the worst side is eased as little as can be. Where the sides
 * read the same from both ends, so do the counts: a bag must not skew.
 */
export function spreadCounts(sides: readonly number[], total: number, unit: number): StripCounts {
  const way = sum(sides);
  const even = sides.every((length, i) => Math.abs(length - must(sides.at(-1 - i), 'side')) < NOTHING);
  const shares = sides.slice(0, -1).map((_, i) => (total * sum(sides.slice(0, i + 1))) / way);
  let best: { corners: readonly number[]; worst: number } | undefined;
  for (const corners of roundings(shares)) {
    const counts = [...corners, total].map((corner, i) => corner - (corners[i - 1] ?? 0));
    const mirrored = counts.every((count, i) => count === counts.at(-1 - i));
    const worst = Math.max(...counts.map((count, i) => Math.abs((count * unit) / (sides[i] ?? 1) - 1)));
    const lopsided = even && !mirrored ? 1 : 0;
    if (counts.every((count) => count > 0) && (!best || worst + lopsided < best.worst))
      best = { corners, worst: worst + lopsided };
  }
  const corners = best?.corners ?? sides.slice(0, -1).map((_, i) => i + 1);
  return withCorners([...corners, total].map((corner, i) => corner - (corners[i - 1] ?? 0)));
}

/** Every way of taking each share down or up to a whole number. */
function roundings(shares: readonly number[]): number[][] {
  const [head, ...rest] = shares;
  if (head === undefined) return [[]];
  const ways = Number.isInteger(head) ? [head] : [Math.floor(head), Math.ceil(head)];
  return roundings(rest).flatMap((tail) => ways.map((way) => [way, ...tail]));
}

function withCorners(sides: readonly number[]): StripCounts {
  const corners = sides.slice(0, -1).map((_, i) => sum(sides.slice(0, i + 1)));
  return { total: sum(sides), sides, corners };
}
