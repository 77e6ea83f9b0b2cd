import { heightByPitch, type Stitch } from '../stitches/index.ts';
import { combine, type Estimate } from './estimate.ts';
import { hookShift } from './hook-shift.ts';
import { heldYarn } from './yarn-weight.ts';

/** Counted stitches (or rows) over a measured length. */
export interface Count {
  readonly count: number;
  /** mm */
  readonly length: number;
  /** Hook it was worked with, mm, where that is not the swatch's own. */
  readonly hook?: number | undefined;
}

/** What a maker reads off a swatch. The blocked lengths replace the fresh ones when there are any. */
export interface SwatchReading {
  readonly stitch: Stitch;
  /** Height of a row in pitches, where it is not that stitch's: a fabric of several. */
  readonly height?: number;
  readonly yarnWeight: number;
  readonly strands: number;
  /** mm */
  readonly hook: number;
  readonly stitches?: Count | undefined;
  readonly rows?: Count | undefined;
  readonly blocked?: { readonly stitches: Count; readonly rows: Count } | undefined;
}

/** Stitch pitch `w` and row height `h`, mm, each with its standard error. */
export interface Gauge {
  readonly pitch: Estimate;
  readonly row: Estimate;
}

/** How well a count is read: a quarter stitch at the ends, and a millimetre on the tape. */
const COUNT_ERROR = 0.25;
const TAPE_ERROR = 1;
/** A piece drifts from its swatch by about this share, whatever the swatch says. */
const DRIFT = 0.012;
/** How far a table value is off, one standard error. */
const TABLE_ERROR = 0.12;

/** What a count says of a hook. Counted with another one it is shifted, and only a guess. */
function fromCount({ count, length, hook: counted }: Count, hook: number): Estimate {
  const { times, error } = hookShift(counted ?? hook, hook);
  const value = (length / count) * times;
  const relative = Math.hypot(COUNT_ERROR / count, TAPE_ERROR / length, DRIFT, error);
  return { value, sd: value * relative, origin: times === 1 ? 'measured' : 'estimated' };
}

/** What is usual for a yarn, its strands and the hook, for a maker who has no swatch yet. */
export function tableGauge(
  reading: Pick<SwatchReading, 'stitch' | 'height' | 'yarnWeight' | 'strands' | 'hook'>,
): Gauge {
  const held = heldYarn(reading.yarnWeight, reading.strands);
  const { times, error } = hookShift(held.hook, reading.hook);
  const pitch = held.pitch * times;
  const row = pitch * (reading.height ?? heightByPitch(reading.stitch));
  const off = Math.hypot(TABLE_ERROR, error);
  return {
    pitch: { value: pitch, sd: pitch * off, origin: 'estimated' },
    row: { value: row, sd: row * off * 1.2, origin: 'estimated' },
  };
}

/**
 * The gauge of a swatch: the table's typical gauge, corrected by what was counted. A count over a long
 * length outweighs the table almost wholly; a short one only partly.
 */
export function gaugeOf(reading: SwatchReading): Gauge {
  const table = tableGauge(reading);
  const stitches = reading.blocked?.stitches ?? reading.stitches;
  const rows = reading.blocked?.rows ?? reading.rows;
  return {
    pitch: stitches ? combine(table.pitch, fromCount(stitches, reading.hook)) : table.pitch,
    row: rows ? combine(table.row, fromCount(rows, reading.hook)) : table.row,
  };
}
