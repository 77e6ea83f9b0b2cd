import { type BagGraph, type RimStretch, rimStretches } from '../bag/index.ts';
import { distance3, dot, unit } from '../geometry/index.ts';

/** What the first edge round does along one rim, and what every round then counts. */
export interface EdgeCount {
  /** Stitches found along the edges themselves. */
  readonly along: number;
  /** Joins the rim crosses; each takes one more so that no gap shows. */
  readonly joins: number;
  /** Corners that stand out take two more, inner ones are worked three together. */
  readonly peaks: number;
  readonly notches: number;
  readonly first: number;
  /** Stitches of every round, the first included. */
  readonly rounds: readonly number[];
}

/** How far the way must turn to be a corner, as the cosine between two stretches. */
const CORNER = Math.cos(Math.PI / 6);

const way = ({ from, to }: RimStretch) => unit({ x: to.x - from.x, y: to.y - from.y, z: to.z - from.z });

/** Whether the rim turns at the end of a stretch, and which way: out at a peak, in at a notch. */
export function turnAt(before: RimStretch, after: RimStretch): 'straight' | 'peak' | 'notch' {
  const [a, b] = [way(before), way(after)];
  // Round the side of a bag the fabric turns and the edge goes straight on: only turns within the fabric count.
  if (dot(before.normal, after.normal) < 0.5 || dot(a, b) > CORNER) return 'straight';
  // At a peak the next stretch falls away from what lies outside the one before.
  return dot(b, before.out) < 0 ? 'peak' : 'notch';
}

/** Whether the rim goes straight on from one stretch to the next; where a flap or handle grows out it does not. */
export const goesOn = (before: RimStretch, after: RimStretch): boolean =>
  distance3(before.to, after.from) < 1;

/**
 * Counts the edge rounds along the mouth: one stitch in each loop of the rim, one more at every join, two more at a
 * peak, two fewer at a notch (three worked together). Later rounds change evenly from the first to
 * first x (1 + growth), and each peak and notch keeps its turn.
 */
export function edgeCount(graph: BagGraph): EdgeCount | undefined {
  const [mouth] = rimStretches(graph);
  if (!mouth || mouth.length === 0) return undefined;
  let [along, joins, peaks, notches] = [0, 0, 0, 0];
  mouth.forEach((stretch, i) => {
    const next = mouth[(i + 1) % mouth.length] ?? stretch;
    along += stretch.loops;
    if (goesOn(stretch, next) && stretch.piece !== next.piece) joins++;
    const kind = turnAt(stretch, next);
    if (kind === 'peak') peaks++;
    if (kind === 'notch') notches++;
  });
  const whole = Math.round(along);
  const first = Math.max(1, whole + joins + 2 * peaks - 2 * notches);
  const { rounds = 0, growth = 0 } = graph.trim?.edging ?? {};
  const counts = Array.from({ length: rounds }, (_, k) =>
    Math.round(first * (1 + (rounds > 1 ? (growth * k) / (rounds - 1) : growth))),
  );
  return { along: whole, joins, peaks, notches, first, rounds: counts };
}

/** Rounds of the given height that bring a bag up to a wanted height, at least none. */
export const roundsToFill = (height: number, wanted: number, perRound: number): number =>
  perRound > 0 ? Math.max(0, Math.round((wanted - height) / perRound)) : 0;
