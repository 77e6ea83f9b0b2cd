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
 * pattern's multiple holds for the whole strip and is honoured there.
 */
export function countsToFit(sides: readonly number[], unit: number, multiple?: Multiple): StripCounts {
  const own = sides.map((length) => Math.max(1, Math.round(length / unit)));
  const total = multiple ? nearestMultiple(sum(own), multiple) : sum(own);
  return total === sum(own) ? withCorners(own) : spreadCounts(sides, total);
}

/**
 * Shares a given number of rows among the sides by their lengths. Corners are rounded from both ends of
 * the strip, so that a strip round equal sides has equal sides.
 */
export function spreadCounts(sides: readonly number[], total: number): StripCounts {
  const way = sum(sides);
  let walked = 0;
  const corners = sides.slice(0, -1).map((length) => {
    walked += length;
    const share = (total * walked) / way;
    return walked <= way / 2 ? Math.round(share) : total - Math.round(total - share);
  });
  return withCorners([...corners, total].map((corner, i) => corner - (corners[i - 1] ?? 0)));
}

function withCorners(sides: readonly number[]): StripCounts {
  const corners = sides.slice(0, -1).map((_, i) => sum(sides.slice(0, i + 1)));
  return { total: sum(sides), sides, corners };
}
