import type { Range } from '../../gauge/index.ts';
import type { Measured } from '../measured.ts';

/** Something to be laid under the tape while a mistake is still cheap. */
export interface Check {
  /** It lasts: of one that was put off it is known that it was. */
  readonly id: string;
  readonly what: Measured;
  /** Which one it is of all alike, or how many rows or motifs there are. */
  readonly at: number;
  /** What it should come to, with its 90 % range, mm. */
  readonly expected: number;
  readonly range: Range;
}

/** How a measure stands to what was expected, and by how much it is off, per cent. */
export interface CheckVerdict {
  readonly is: 'as expected' | 'smaller' | 'larger';
  readonly percent: number;
}

export function checkVerdict(
  { expected, range }: Pick<Check, 'expected' | 'range'>,
  mm: number,
): CheckVerdict {
  const percent = 100 * (mm / expected - 1);
  return { is: mm < range.low ? 'smaller' : mm > range.high ? 'larger' : 'as expected', percent };
}
