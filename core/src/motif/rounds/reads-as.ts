import type { Stitch } from '../../stitches/index.ts';
import { readRounds, type Standing } from './laid-tops.ts';
import { placesOf, type Tops, wholeRound } from './round.ts';
import type { NumberedRound } from './work-rounds.ts';

/** How a motif reads when it is turned, and when it is mirrored. */
export interface ReadsAs {
  /** Turned by a whole turn over this it reads the same: 1 where it has a top; nothing where any turn will do. */
  readonly turns: number | undefined;
  /** Whether it reads the same mirrored; one that does not is another motif in a left-handed maker's hands. */
  readonly mirrors: boolean;
}

/** One place of a round: what is there. */
const kindsOf = (tops: Tops): string[] =>
  wholeRound(tops).flatMap((top) => {
    const what = `${top.of === 'stitch' ? top.stitch : 'chain'}${top.corner ? ', corner' : ''}`;
    return Array.from({ length: placesOf([top]) }, () => what);
  });

const plain = (kinds: readonly string[]): boolean => kinds.every((kind) => kind === kinds[0]);

/** How often a run comes round as the same. */
function turnsOf(kinds: readonly string[]): number {
  const { length } = kinds;
  for (let step = 1; step < length; step++)
    if (length % step === 0 && kinds.every((kind, i) => kind === kinds[i % step])) return length / step;
  return 1;
}

const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b));

/** How a motif reads. A plain round, alike all round, reads the same however it lies. */
export function readsAs(rounds: readonly NumberedRound[], by: Stitch): ReadsAs {
  const kinds = rounds.map(({ tops }) => kindsOf(tops));
  const open = rounds.some(({ tops }) => tops.open);
  const turning = kinds.filter((one) => !plain(one)).map(turnsOf);
  const turns = open ? 1 : turning.length === 0 ? undefined : turning.reduce(common);
  return { turns, mirrors: mirrorsIn(rounds, kinds, open, by) };
}

/** Halves of a place by which what stands on a mirrored place may be off: spread increases lie where they fit. */
const OFF = 0.5;

/**
 * Whether one line is there that mirrors every round onto itself. The line of a round is told by the sum of two places that
 * lie opposite; it must pass, on the whole, through that of the round it stands on.
 */
function mirrorsIn(
  rounds: readonly NumberedRound[],
  kinds: readonly string[][],
  open: boolean,
  by: Stitch,
): boolean {
  const read = readRounds(rounds, by);
  const lines = new Map<number, readonly number[]>();
  for (const [i, { number, onto }] of rounds.entries()) {
    const own = kinds[i] ?? [];
    const many = own.length;
    const sums = open ? [many - 1] : Array.from({ length: many }, (_, sum) => sum);
    const mirrored = sums.filter((sum) =>
      own.every((kind, place) => kind === own[(((sum - place) % many) + many) % many]),
    );
    const tops = read[number - 1];
    const below = lines.get(onto);
    const ground = kinds[onto - 1]?.length ?? 0;
    const fitting =
      !tops || !below
        ? mirrored
        : mirrored.filter((sum) => below.some((line) => standsMirrored(tops, sum, many, line, ground)));
    if (fitting.length === 0) return false;
    lines.set(number, fitting);
  }
  return true;
}

/** Whether what lies opposite in a round stands, on the whole, on what lies opposite in the round below. */
function standsMirrored(
  { kind, from, to }: Standing,
  sum: number,
  many: number,
  line: number,
  ground: number,
): boolean {
  let [off, counted] = [0, 0];
  for (let place = 0; place < many; place++) {
    const other = (((sum - place) % many) + many) % many;
    if (kind[place] === 'chain') continue;
    const middle = (i: number) => ((from[i] ?? 0) + (to[i] ?? 0)) / 2;
    // The middle of a place is half a place in: of two that mirror each other together one place.
    const apart = middle(place) + middle(other) - (line + 1);
    off += Math.abs(apart - ground * Math.round(apart / Math.max(1, ground)));
    counted++;
  }
  return counted === 0 || off / counted <= 2 * OFF;
}
