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

/** So many of something, as a length more or less. */
const costs = (many: number, unit: number) =>
  `${Math.abs(Math.round(many * unit))} mm ${many < 0 ? 'less' : 'more'}`;

/**
 * The sentence for a count that breaks the multiple, naming the two counts that would do.
 *
 * @param unit mm of one: then it says what they cost.
 */
export function multipleProblem(count: number, pattern: Multiple, unit?: number): string | undefined {
  if (fitsMultiple(count, pattern)) return undefined;
  const { multiple, extra } = pattern;
  const below = extra + Math.floor((count - extra) / multiple) * multiple;
  const least = leastOf(pattern);
  const rule = extra > 0 ? `a multiple of ${multiple} plus ${extra}` : `a multiple of ${multiple}`;
  const would = below >= least ? [below, below + multiple] : [least];
  const cost =
    unit === undefined ? '' : ` That is ${would.map((one) => costs(one - count, unit)).join(' or ')}.`;
  return `This stitch pattern needs ${rule}: ${would.join(' or ')}, not ${count}.${cost}`;
}

/** Where a count of rows stands in the repeats of a fabric, and what whole repeats would cost; `unit` is mm of a row. */
export function repeatsText(rows: number, { multiple, extra }: Multiple, unit: number): string {
  if (rows < extra) return `the fabric repeats over ${multiple} rows, after ${extra}`;
  const over = (rows - extra) % multiple;
  const whole = Math.floor((rows - extra) / multiple);
  const repeats = `${whole} ${whole === 1 ? 'repeat' : 'repeats'} of ${multiple} rows`;
  if (over === 0) return repeats;
  const [less, more] = [rows - over, rows - over + multiple];
  const fewer = less > 0 ? `${less} (${costs(-over, unit)}) or ` : '';
  return `${repeats} and ${over} ${over === 1 ? 'row' : 'rows'}; whole they are at ${fewer}${more} (${costs(multiple - over, unit)})`;
}
