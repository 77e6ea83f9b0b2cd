import { heightByPitch, type Stitch } from '../stitches/index.ts';
import { combine, type Estimate } from './estimate.ts';
import { heldWeight, YARN_WEIGHTS } from './yarn-weight.ts';

/** Counted stitches (or rows) over a measured length. */
export interface Count {
  readonly count: number;
  /** mm */
  readonly length: number;
}

/** What a maker reads off a swatch. The blocked lengths replace the fresh ones when there are any. */
export interface SwatchReading {
  readonly stitch: Stitch;
  readonly yarnWeight: number;
  readonly strands: number;
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

function fromCount({ count, length }: Count): Estimate {
  const value = length / count;
  const relative = Math.hypot(COUNT_ERROR / count, TAPE_ERROR / length, DRIFT);
  return { value, sd: value * relative, origin: 'measured' };
}

/** Typical gauge of a yarn weight, for a maker who has no swatch yet. */
export function tableGauge(reading: Pick<SwatchReading, 'stitch' | 'yarnWeight' | 'strands'>): Gauge {
  const held = heldWeight(reading.yarnWeight, reading.strands);
  const facts = YARN_WEIGHTS[Math.min(7, Math.max(0, Math.round(held)))] ?? { lowStitches: 14 };
  const pitch = 100 / facts.lowStitches;
  const row = pitch * heightByPitch(reading.stitch);
  return {
    pitch: { value: pitch, sd: pitch * TABLE_ERROR, origin: 'estimated' },
    row: { value: row, sd: row * TABLE_ERROR * 1.2, origin: 'estimated' },
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
    pitch: stitches ? combine(table.pitch, fromCount(stitches)) : table.pitch,
    row: rows ? combine(table.row, fromCount(rows)) : table.row,
  };
}
