import type { BagGraph, RimFace } from '../bag/index.ts';
import type { EdgeCount } from '../edging/index.ts';
import { whole } from '../geometry/index.ts';
import { cordLength, eyeletGaps, eyeletStitches } from './closures.ts';

/** A drawstring through eyelets along the mouth. */
export interface CordPlan {
  /** mm, ends to pull included. */
  readonly length: number;
  /** Stitches of the round that the eyelets are worked into, round the body: flap and handles have none. */
  readonly stitches: number;
  /** Stitches before each eyelet, from the left end of the front on; each is a chain over one skipped stitch. */
  readonly places: readonly number[];
  /** Stitches from each eyelet to the next, round to the first again. */
  readonly gaps: readonly number[];
}

/** The drawstring of a bag, in its last edge round; nothing where there is none. */
export function cordPlan(
  graph: BagGraph,
  mouth: EdgeCount | undefined,
  opening: number,
): CordPlan | undefined {
  const { eyelets } = graph.trim ?? {};
  if (!eyelets || !mouth) return undefined;
  const on = (...faces: RimFace[]) =>
    mouth.parts.filter(({ face }) => faces.includes(face)).reduce((sum, { from, to }) => sum + to - from, 0);
  const off = on('flap', 'handle');
  const front = on('front');
  const last = mouth.rounds.at(-1) ?? mouth.first;
  const stitches = whole((last * (mouth.first - off)) / mouth.first);
  const places = eyeletStitches(stitches, whole((last * front) / mouth.first), eyelets);
  return { length: cordLength(opening), stitches, places, gaps: eyeletGaps(places, stitches) };
}
