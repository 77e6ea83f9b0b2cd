/** A stitch pattern's demand on the stitch count: `multiple` x n + `extra`. */
export interface Multiple {
  readonly multiple: number;
  readonly extra: number;
}

export const fitsMultiple = (count: number, { multiple, extra }: Multiple): boolean =>
  count >= extra && (count - extra) % multiple === 0;

/** The least count the pattern allows: its extra stitches alone, or one repeat. */
const leastOf = ({ multiple, extra }: Multiple): number => (extra > 0 ? extra : multiple);

/**
 * The count nearest to `count` that the pattern allows, and no more than `most` where it allows one so small. Ties go
 * up.
 */
export function nearestMultiple(count: number, pattern: Multiple, most = Number.POSITIVE_INFINITY): number {
  const { multiple, extra } = pattern;
  const repeats = Math.floor(Math.min((count - extra) / multiple + 0.5, (most - extra) / multiple));
  return Math.max(leastOf(pattern), repeats * multiple + extra);
}

/** The sentence for a count that breaks the multiple, naming the two counts that would do. */
export function multipleProblem(count: number, pattern: Multiple): string | undefined {
  if (fitsMultiple(count, pattern)) return undefined;
  const { multiple, extra } = pattern;
  const below = extra + Math.floor((count - extra) / multiple) * multiple;
  const least = leastOf(pattern);
  const rule = extra > 0 ? `a multiple of ${multiple} plus ${extra}` : `a multiple of ${multiple}`;
  const near = below >= least ? `${below} or ${below + multiple}` : `${least}`;
  return `This stitch pattern needs ${rule}: ${near}, not ${count}.`;
}
