import { writeRow } from '../../fabric/index.ts';
import { heightByPitch, STITCHES, type Stitch } from '../../stitches/index.ts';
import {
  countOf,
  type MotifRound,
  placesOf,
  type RoundStitch,
  stitchesIn,
  type Top,
  type Tops,
  wholeRound,
} from './round.ts';
import { type Unworkable, type WorkedRound, workRound } from './work-round.ts';

/** A round of a motif with its number, from 1, and the number of the round it is worked on; 0 is the ring. */
export interface NumberedRound extends WorkedRound {
  readonly number: number;
  readonly onto: number;
  readonly round: MotifRound;
}

/** A motif that cannot be worked so, and at which round. */
export interface UnworkableMotif extends Unworkable {
  readonly round: number;
}

/** Rounds up to the first that cannot be worked. */
export interface WorkedRounds {
  readonly rounds: readonly NumberedRound[];
  readonly problem: UnworkableMotif | undefined;
}

/** Nor writes one down in more letters: the shorthand reads rows that are a little longer. */
const MOST_LETTERS = 3500;

/** Rows that are turned read the other way: words of one's own are for rounds. */
const NO_WORDS: Unworkable = {
  problem: 'Half a motif is worked in rows to and fro: they cannot be written in words of your own yet.',
};

/** Nobody works a round of more stitches than this. */
const MOST_IN_A_ROUND = 2000;

/**
 * Works the rounds of a motif one after another. What comes after petals is worked behind them, on the round they stand
 * on.
 *
 * @param shape corners of the motif, none where it is round.
 */
export function workRounds(rounds: readonly MotifRound[], shape: number): WorkedRounds {
  const begin = rounds[0]?.into;
  const open = begin?.of === 'ring' && begin.open;
  const done: NumberedRound[] = [];
  let ground: NumberedRound | undefined;
  for (const [i, round] of rounds.entries()) {
    const made: WorkedRound | Unworkable =
      open && round.into.of === 'written' ? NO_WORDS : workRound(round, ground?.tops, shape);
    if ('problem' in made) return { rounds: done, problem: { ...made, round: i + 1 } };
    if (countOf(made.tops) > MOST_IN_A_ROUND)
      return {
        rounds: done,
        problem: { round: i + 1, problem: `A round has at most ${MOST_IN_A_ROUND} stitches.` },
      };
    if (writeRow(made.instructions, 'us').length > MOST_LETTERS)
      return {
        rounds: done,
        problem: { round: i + 1, problem: 'Too little in this round repeats: its words would fill a page.' },
      };
    const tops = open ? { ...made.tops, open } : made.tops;
    const numbered = { ...made, tops, number: i + 1, onto: ground?.number ?? 0, round };
    done.push(numbered);
    if (round.into.of !== 'petals') ground = numbered;
  }
  return { rounds: done, problem: undefined };
}

/** One side of a motif's last round, from corner to corner. */
export interface RoundSide {
  /** Stitches and chains, without the corners. */
  readonly stitches: number;
  /** Loops a join can take: of corners of two or three chains the one nearest to the side at each end. */
  readonly loops: number;
}

/**
 * The sides of a round, in turn, each from one corner to the next; one that goes round about where there is none. Those of
 * half a motif begin and end at the ends of its row, where there is no corner.
 */
export function sidesOf(tops: Tops): RoundSide[] {
  const all = wholeRound(tops);
  const first = all.findIndex(({ corner }) => corner);
  if (first < 0) {
    const many = placesOf(all);
    return [{ stitches: many, loops: many }];
  }
  const sides: RoundSide[] = [];
  const turned = tops.open
    ? [...all, { of: 'space', chains: 0, corner: true } as const]
    : [...all.slice(first + 1), ...all.slice(0, first + 1)];
  let before = tops.open ? undefined : all[first];
  let run: Top[] = [];
  for (const top of turned) {
    if (!top.corner) {
      run.push(top);
      continue;
    }
    const stitches = placesOf(run);
    sides.push({ stitches, loops: stitches + nearest(before) + nearest(top) });
    [before, run] = [top, []];
  }
  return sides;
}

/** Chains of a corner that belong to the side beside it: the middle one of one or three is the corner's own. */
const nearest = (corner: Top | undefined) => (corner?.of === 'space' && corner.chains >= 2 ? 1 : 0);

/** Height of a stitch in pitches; what is closed as one is as high as the stitches in it. */
export const stitchHeight = (stitch: RoundStitch): number => {
  const basic: Stitch = STITCHES.find((one) => one === stitch) ?? 'tall';
  return heightByPitch(basic);
};

/** A round that is set, with what it leaves where it can be worked. */
type Stood = Pick<NumberedRound, 'round'> & Partial<Pick<NumberedRound, 'tops'>>;

/** Mean height of the stitches of a round, in pitches: of one in the maker's own words they differ. */
function meanHeight({ round, tops }: Stood): number {
  if (round.into.of !== 'written' || !tops) return stitchHeight(round.stitch);
  const heights = tops.unit.flatMap((top) => (top.of === 'stitch' ? [stitchHeight(top.stitch)] : []));
  return heights.length === 0
    ? stitchHeight(round.stitch)
    : heights.reduce((sum, height) => sum + height, 0) / heights.length;
}

/** How high a round stands, in rounds of a stitch. */
export const heightIn = (stood: Stood, by: Stitch): number => meanHeight(stood) / heightByPitch(by);

/** Radius of a ring until it opens, in pitches: it is about one stitch wide. */
const CLOSED = 0.5;

/**
 * How far the ring of a motif is open, in rounds of a stitch: a first round of many does not find room in a closed one. Its
 * stitches, not its chains, lie shoulder to shoulder along its top, as long as two pi times how far out that is, or pi
 * times of half a motif.
 */
export function ringOpens(first: NumberedRound | undefined, by: Stitch): number {
  if (!first || first.round.into.of === 'chain') return 0;
  const turn = first.tops.open ? Math.PI : 2 * Math.PI;
  const out = stitchesIn(first.tops) / turn - CLOSED;
  return Math.max(0, out / heightByPitch(by) - heightIn(first, by));
}

/**
 * How high a motif's rounds are together, with how far its ring is open, in rounds of one stitch: petals lie on the others
 * and add nothing.
 *
 * @param rounds as they are set; those that cannot be worked are as high as their stitch.
 * @param by the stitch of its swatch.
 */
export const roundsHigh = (rounds: readonly MotifRound[], worked: WorkedRounds, by: Stitch): number =>
  rounds.reduce(
    (sum, round, i) => sum + (round.into.of === 'petals' ? 0 : heightIn(worked.rounds[i] ?? { round }, by)),
    ringOpens(worked.rounds[0], by),
  );
