/** A stitch pattern's demand on the stitch count: `multiple` x n + `extra`. */
export interface Multiple {
  readonly multiple: number;
  readonly extra: number;
}

export const fitsMultiple = (count: number, { multiple, extra }: Multiple): boolean =>
  count >= extra && (count - extra) % multiple === 0;

/** The count nearest to `count` that the pattern allows, at least one repeat. Ties go up. */
export function nearestMultiple(count: number, { multiple, extra }: Multiple): number {
  const repeats = Math.max(extra > 0 ? 0 : 1, Math.floor((count - extra) / multiple + 0.5));
  return Math.max(1, repeats * multiple + extra);
}

/** The sentence for a count that breaks the multiple, naming the two counts that would do. */
export function multipleProblem(count: number, pattern: Multiple): string | undefined {
  if (fitsMultiple(count, pattern)) return undefined;
  const { multiple, extra } = pattern;
  const below = count - ((((count - extra) % multiple) + multiple) % multiple);
  const rule = extra > 0 ? `a multiple of ${multiple} plus ${extra}` : `a multiple of ${multiple}`;
  const near = below > 0 ? `${below} or ${below + multiple}` : `${below + multiple}`;
  return `This stitch pattern needs ${rule}: ${near}, not ${count}.`;
}
