import type { TopKind } from '../../fabric/index.ts';
import type { Stitch } from '../../stitches/index.ts';
import { CORNERS, isHalf, longOf, type MotifDefinition, type MotifKind } from '../counts.ts';
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

/** Half a motif is begun in a ring that is not closed: its kind says so, its rounds need not. */
const opened = (rounds: MotifRound[], kind: MotifKind): MotifRound[] =>
  rounds.map((round) =>
    isHalf(kind) && round.into.of === 'ring' ? { ...round, into: { ...round.into, open: true } } : round,
  );

/** The rounds of one's own, worked, up to the first that cannot be. */
export function madeRounds(own: readonly MotifRound[], many: number, kind: MotifKind): WorkedRounds {
  const mine = known.get(own) ?? new Map<string, WorkedRounds>();
  known.set(own, mine);
  const key = `${many}/${kind}`;
  const made = mine.get(key) ?? workRounds(opened(roundsUpTo(own, many), kind), CORNERS[kind]);
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
export function ownSide(making: Making, rounds: number, kind: MotifKind): RoundSide {
  if (making.of === 'given') return { stitches: making.loops, loops: making.loops };
  const shape = CORNERS[kind];
  const tops = lastTops(madeRounds(making.rounds, rounds, kind));
  const sides = sidesOf(tops);
  if (shape > 0 && !tops.unit.some(({ corner }) => corner)) {
    const among = kind === 'triangle' ? 2 : shape;
    const share = Math.max(1, Math.floor(placesOf(wholeRound(tops)) / among));
    return { stitches: share, loops: share };
  }
  return sides.reduce((least, side) => (side.stitches < least.stitches ? side : least));
}

/** Stitches by which the long sides of a rectangle of one's own have more after so many rounds. */
export function ownLong({ rounds: own }: Extract<Making, { of: 'rounds' }>, rounds: number): number {
  const sides = sidesOf(lastTops(madeRounds(own, rounds, 'rectangle'))).map(({ stitches }) => stitches);
  return Math.max(...sides) - Math.min(...sides);
}

/** Whether sides are as long as their shape has them: all alike, of a rectangle every second. */
const alike = (kind: MotifKind, sides: readonly number[]): boolean =>
  sides.every((stitches, i) => stitches === sides[kind === 'rectangle' ? i % 2 : 0]);

/** How a motif of one's own falls short of its shape; nothing where it does not. */
export function makingTrouble(making: Making, rounds: number, kind: MotifKind): UnworkableMotif | undefined {
  if (making.of === 'given') return undefined;
  const shape = CORNERS[kind];
  const made = madeRounds(making.rounds, rounds, kind);
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
  const sides = sidesOf(tops).map(({ stitches }) => stitches);
  const most = Math.max(...sides);
  const least = Math.min(...sides);
  return alike(kind, sides)
    ? undefined
    : {
        round: rounds,
        problem: `Its sides differ: ${least} to ${most} stitches. It is joined by the shortest.`,
      };
}

/** Area of a face by the square of its side; of a round one by the square of its way round. */
const AREA: Readonly<Record<MotifKind, number>> = {
  cluster: 1,
  solid: 1,
  rectangle: 1,
  triangle: 1 / 2,
  hexagon: (3 * Math.sqrt(3)) / 2,
  disc: 1 / (4 * Math.PI),
  'half-disc': 1 / (2 * Math.PI),
};

/**
 * Stitches of one round. Of a motif whose making is unknown there is one round, of as many as its face holds of stitches
 * twice as high as they are wide.
 */
export function ownRoundStitches(motif: MotifDefinition, making: Making, round: number): number {
  const { kind } = motif;
  if (making.of === 'given') {
    const { loops } = making;
    const longer = kind === 'rectangle' ? loops * longOf(motif, round) : 0;
    return round === 1 ? Math.round((AREA[kind] * loops ** 2 + longer) / 2) : 0;
  }
  const own = madeRounds(making.rounds, round, kind).rounds[round - 1];
  return own ? stitchesIn(own.tops) : 0;
}

/** What one round leaves, by kind: for its yarn. */
export function ownRoundTops(making: Making, round: number, kind: MotifKind): ReadonlyMap<TopKind, number> {
  const counts = new Map<TopKind, number>();
  const own = making.of === 'rounds' ? madeRounds(making.rounds, round, kind).rounds[round - 1] : undefined;
  for (const top of own?.tops.unit ?? []) {
    const what = top.of === 'stitch' ? top.stitch : 'chain';
    const many = (top.of === 'stitch' ? 1 : top.chains) * (own?.tops.times ?? 0);
    counts.set(what, (counts.get(what) ?? 0) + many);
  }
  return counts;
}

/** How high so many rounds are together, in rounds of the swatch's own stitch. */
export const ownHeight = (making: Making, rounds: number, kind: MotifKind, by: Stitch): number =>
  making.of === 'given'
    ? 1
    : roundsHigh(roundsUpTo(making.rounds, rounds), madeRounds(making.rounds, rounds, kind), by);
