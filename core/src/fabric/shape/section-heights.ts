import type { WorkedPiece } from './piece.ts';

/** How high each section of a piece stands along its middle, mm, from the left: of all rows that have that section. */
export function sectionHeights({ rows }: Pick<WorkedPiece, 'rows'>): number[] {
  const heights: number[] = [];
  for (const { layer } of rows) {
    const ends = [0, ...layer.borders, layer.many];
    ends.slice(1).forEach((end, k) => {
      const own = layer.heights.slice(ends[k], end);
      if (own.length === 0) return;
      heights[k] = (heights[k] ?? 0) + own.reduce((sum, one) => sum + one, 0) / own.length;
    });
  }
  return heights;
}

/** What heights differ by that blocking and the give of stitches even out: a share of them. */
const EVENED = 0.05;

/**
 * What sections of unequal height do to one another, in a sentence; nothing where they are about as high.
 *
 * @param length says a length in words.
 */
export function sectionsText(heights: readonly number[], length: (mm: number) => string): string {
  const [most, least] = [Math.max(...heights), Math.min(...heights)];
  if (heights.length < 2 || most - least <= EVENED * most) return '';
  const named = (of: number) =>
    heights.flatMap((height, i) => (Math.abs(height - of) <= EVENED * most ? [i + 1] : []));
  const list = (all: readonly number[]) =>
    `${all.length === 1 ? 'section' : 'sections'} ${all.join(' and ')}`;
  const [low, high] = [named(least), named(most)];
  const verb = low.length === 1 ? 'draws' : 'draw';
  return `Worked by itself ${list(low)} would be ${length(least)} high, and ${list(high)} ${length(most)}: ${list(low)} ${verb} the panel in there, and what lies beside it stands full.`;
}
