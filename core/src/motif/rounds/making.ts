import type { TopKind } from '../../fabric/index.ts';
import type { Stitch } from '../../stitches/index.ts';
import { type MotifRound, placesOf, stitchesIn, type Tops, wholeRound } from './round.ts';
import {
  type RoundSide,
  roundsHigh,
  sidesOf,
  type UnworkableMotif,
  type WorkedRounds,
  workRounds,
} from './work-rounds.ts';

/** How a motif of one's own is made: by rounds, or unknown, with the loops that were counted along a side. */
export type Making =
  | { readonly of: 'rounds'; readonly rounds: readonly MotifRound[] }
  | { readonly of: 'given'; readonly loops: number };

/**
 * The rounds of a motif that has so many: the first of its own; beyond them the last one again, without turning a corner
 * that is turned already.
 */
export function roundsUpTo(own: readonly MotifRound[], many: number): MotifRound[] {
  const last = own.findLast(({ into }) => into.of !== 'petals');
  return Array.from({ length: many }, (_, k) => own[k] ?? again(last ?? own[0]));
}

function again(last: MotifRound | undefined): MotifRound {
  const plain = { of: 'each', many: 1, spread: 0, corner: { each: 2, chains: 2 } } as const;
  if (!last) return { stitch: 'tall', hold: 'both', into: plain };
  const { into } = last;
  if (into.of === 'gaps' || into.of === 'each') return { ...last, into: { ...into, turnedInto: undefined } };
  return { ...last, hold: 'both', into: plain };
}

/** What was worked out of rounds, by the list itself: a search asks for the same ones thousands of times. */
const known = new WeakMap<readonly MotifRound[], Map<string, WorkedRounds>>();

/** The rounds of one's own, worked, up to the first that cannot be. */
export function madeRounds(own: readonly MotifRound[], many: number, shape: number): WorkedRounds {
  const mine = known.get(own) ?? new Map<string, WorkedRounds>();
  known.set(own, mine);
  const key = `${many}/${shape}`;
  const made = mine.get(key) ?? workRounds(roundsUpTo(own, many), shape);
  mine.set(key, made);
  return made;
}

/** The tops of what so many rounds leave, petals aside. */
export function lastTops({ rounds }: WorkedRounds): Tops {
  return rounds.findLast(({ round }) => round.into.of !== 'petals')?.tops ?? { unit: [], times: 0 };
}

/**
 * One side after so many rounds. Sides that differ count as the shortest; a round without corners, where the shape has
 * some, is divided among them.
 */
export function ownSide(making: Making, rounds: number, shape: number): RoundSide {
  if (making.of === 'given') return { stitches: making.loops, loops: making.loops };
  const tops = lastTops(madeRounds(making.rounds, rounds, shape));
  const sides = sidesOf(tops);
  if (shape > 0 && !tops.unit.some(({ corner }) => corner)) {
    const share = Math.max(1, Math.floor(placesOf(wholeRound(tops)) / shape));
    return { stitches: share, loops: share };
  }
  return sides.reduce((least, side) => (side.stitches < least.stitches ? side : least));
}

/** How a motif of one's own falls short of its shape; nothing where it does not. */
export function makingTrouble(making: Making, rounds: number, shape: number): UnworkableMotif | undefined {
  if (making.of === 'given') return undefined;
  const made = madeRounds(making.rounds, rounds, shape);
  if (made.problem) return made.problem;
  const tops = lastTops(made);
  const corners = tops.times * tops.unit.filter(({ corner }) => corner).length;
  if (corners !== shape)
    return {
      round: rounds,
      problem:
        corners === 0
          ? `It has no corners yet; its shape has ${shape}.`
          : `It has ${corners} ${corners === 1 ? 'corner' : 'corners'}; its shape has ${shape === 0 ? 'none' : shape}.`,
    };
  const sides = sidesOf(tops);
  const most = Math.max(...sides.map(({ stitches }) => stitches));
  const least = Math.min(...sides.map(({ stitches }) => stitches));
  return most === least
    ? undefined
    : {
        round: rounds,
        problem: `Its sides differ: ${least} to ${most} stitches. It is joined by the shortest.`,
      };
}

/** Area of a face by the square of its side; of a round one by the square of its way round. */
const AREA: Readonly<Record<number, number>> = { 0: 1 / (4 * Math.PI), 4: 1, 6: (3 * Math.sqrt(3)) / 2 };

/**
 * Stitches of one round. Of a motif whose making is unknown there is one round, of as many as its face holds of stitches
 * twice as high as they are wide.
 */
export function ownRoundStitches(making: Making, round: number, shape: number): number {
  if (making.of === 'given')
    return round === 1 ? Math.round(((AREA[shape] ?? 1) * making.loops ** 2) / 2) : 0;
  const own = madeRounds(making.rounds, round, shape).rounds[round - 1];
  return own ? stitchesIn(own.tops) : 0;
}

/** What one round leaves, by kind: for its yarn. */
export function ownRoundTops(making: Making, round: number, shape: number): ReadonlyMap<TopKind, number> {
  const counts = new Map<TopKind, number>();
  const own = making.of === 'rounds' ? madeRounds(making.rounds, round, shape).rounds[round - 1] : undefined;
  for (const top of own?.tops.unit ?? []) {
    const kind = top.of === 'stitch' ? top.stitch : 'chain';
    const many = (top.of === 'stitch' ? 1 : top.chains) * (own?.tops.times ?? 0);
    counts.set(kind, (counts.get(kind) ?? 0) + many);
  }
  return counts;
}

/** How high so many rounds are together, in rounds of the swatch's own stitch. */
export const ownHeight = (making: Making, rounds: number, by: Stitch): number =>
  making.of === 'given' ? 1 : roundsHigh(roundsUpTo(making.rounds, rounds), by);
