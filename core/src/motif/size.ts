import { type Estimate, type Gauge, hookShift } from '../gauge/index.ts';

/** One finished motif under the tape. `size` is the side in mm. */
export interface MotifMeasurement {
  readonly rounds: number;
  readonly size: number;
  /** The same one after blocking, mm. */
  readonly blocked?: number | undefined;
  /** Hook it was worked with, mm, where that is not the swatch's own. */
  readonly hook?: number | undefined;
}

/** A measured motif as it would come out finished, worked with the swatch's hook. */
interface Seen {
  readonly rounds: number;
  readonly size: number;
  /** Standard error of what was worked out of the measure, mm. */
  readonly off: number;
  readonly guessed: boolean;
}

/** How far blocking another one differs from what it did to those that were blocked, as a share. */
const BLOCK_ERROR = 0.01;

/** By how much blocking made motifs larger, as a factor: the mean of all that were measured before and after; nothing where none was. */
export function grownByBlocking(measured: readonly MotifMeasurement[]): number | undefined {
  const grown = measured.flatMap(({ size, blocked }) => (blocked === undefined ? [] : [blocked / size]));
  return grown.length === 0 ? undefined : grown.reduce((sum, by) => sum + by, 0) / grown.length;
}

/**
 * What each measured motif says of a finished one. Once some have been blocked the blocked size counts, and those that
 * have not been are taken to grow as those did. One that was worked with another hook is shifted, and a guess.
 */
function seenThrough(measured: readonly MotifMeasurement[], hook: number): Seen[] {
  const grows = grownByBlocking(measured);
  return measured.map(({ rounds, size, blocked: after, hook: worked }) => {
    const { times, error } = hookShift(worked ?? hook, hook);
    const seen = (after ?? size * (grows ?? 1)) * times;
    const unblocked = after === undefined && grows !== undefined ? BLOCK_ERROR : 0;
    return { rounds, size: seen, off: seen * Math.hypot(error, unblocked), guessed: times !== 1 };
  });
}

/** Size of a square by rounds, S(r) = a + b r, with both kinds of error. */
export interface SizeModel {
  readonly a: number;
  readonly b: number;
  /** Piece-to-piece standard deviation, mm: how much one motif differs from its twin. */
  readonly single: number;
  /** Size after `rounds`; its `sd` is the common error, the same for every motif of the bag. */
  at(rounds: number): Estimate;
}

/** Two motifs by one hand differ by about this share of their side until the maker's own show better. */
const SINGLE_SHARE = 0.02;
/** How many measured motifs the share above is worth against the maker's own scatter. */
const SINGLE_WEIGHT = 4;
/** How far S(r) from the gauge alone is off: rounds are a little shorter or taller than rows. */
const ROUND_ERROR = 0.06;

/**
 * Least squares for a and b with the gauge as a normal prior.
 *
 * Prior: each round adds its height on both sides of the centre, b = 2h, and the ring is about one stitch
 * wide, a = w. Each measured motif adds an observation with the piece-to-piece variance. The normal
 * equations are 2x2 and solved directly. The piece-to-piece variance pools a default share of the size
 * with the scatter of the measured motifs about the fitted line.
 *
 * @param hook of the motif's swatch, mm.
 */
export function fitSize(gauge: Gauge, finished: readonly MotifMeasurement[], hook: number): SizeModel {
  const measured = seenThrough(finished, hook);
  const a0 = gauge.pitch.value;
  const b0 = 2 * gauge.row.value;
  const sdA = Math.max(gauge.pitch.value * 0.6, 0.1);
  const sdB = Math.hypot(2 * gauge.row.sd, b0 * ROUND_ERROR);

  const typical =
    measured.length > 0 ? measured.reduce((sum, m) => sum + m.size, 0) / measured.length : a0 + b0 * 5;
  const defaultSingle = SINGLE_SHARE * typical;

  const solve = (variance: number) => {
    let paa = 1 / sdA ** 2;
    let pab = 0;
    let pbb = 1 / sdB ** 2;
    let ya = a0 * paa;
    let yb = b0 * pbb;
    for (const { rounds, size, off } of measured) {
      const weight = 1 / (variance + off ** 2);
      paa += weight;
      pab += rounds * weight;
      pbb += rounds ** 2 * weight;
      ya += size * weight;
      yb += rounds * size * weight;
    }
    const det = paa * pbb - pab * pab;
    return {
      a: (pbb * ya - pab * yb) / det,
      b: (paa * yb - pab * ya) / det,
      vaa: pbb / det,
      vab: -pab / det,
      vbb: paa / det,
    };
  };

  const first = solve(defaultSingle ** 2);
  const scatter = measured.reduce((sum, m) => sum + (m.size - first.a - first.b * m.rounds) ** 2, 0);
  const variance = (SINGLE_WEIGHT * defaultSingle ** 2 + scatter) / (SINGLE_WEIGHT + measured.length);
  const fit = solve(variance);

  return {
    a: fit.a,
    b: fit.b,
    single: Math.sqrt(variance),
    at: (rounds) => ({
      value: fit.a + fit.b * rounds,
      sd: Math.sqrt(fit.vaa + 2 * rounds * fit.vab + rounds ** 2 * fit.vbb),
      origin: measured.some(({ guessed }) => !guessed) ? 'measured' : 'estimated',
    }),
  };
}
