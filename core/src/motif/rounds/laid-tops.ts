import { countProgram, type TopKind } from '../../fabric/index.ts';
import type { Point } from '../../geometry/index.ts';
import type { Stitch } from '../../stitches/index.ts';
import { CORNERS, type MotifKind } from '../counts.ts';
import { formOf } from './form.ts';
import { placesOf, type Top, wholeRound } from './round.ts';
import { motifWords } from './words.ts';
import { heightIn, type NumberedRound, ringOpens, stitchHeight, type WorkedRounds } from './work-rounds.ts';

/** A stitch or a chain of a motif where it lies, on a motif of size 1 worked round the origin, y up. */
export interface LaidTop {
  readonly kind: TopKind;
  readonly round: number;
  /** Where it stands on the round below; a chain lies at its head alone. */
  readonly foot: Point;
  readonly head: Point;
  /** From its head to where half its width ends, along its round. */
  readonly half: Point;
  /** Of a petal: it lies on the rounds that are worked behind it. */
  readonly over: boolean;
}

/** Radius of the ring in rounds; of a chain that is worked along both its sides, half its width. */
const RING = 0.55;
const CHAIN = 0.12;

/** Places of a round: which share of the way round each lies at, in the order they are worked, and how far out. */
interface Places {
  readonly shares: readonly number[];
  readonly cornered: boolean;
  /** Of one in the maker's own words each stitch is as high as it is; on the whole it lies at `outer`. */
  readonly tops: readonly number[];
}

/** What stands in what: each top's places of the round below, from the first up to, not including, the last. */
export interface Standing {
  readonly kind: readonly TopKind[];
  readonly from: readonly number[];
  readonly to: readonly number[];
}

/** The rounds as their words are read; what is worked into the same place stands there, too. */
export const readRounds = (rounds: readonly NumberedRound[], by: Stitch): Standing[] =>
  countProgram(motifWords(rounds, 'us'), {
    terms: 'us',
    turning: 'standing',
    usual: by,
    layered: true,
  }).rows.map(({ tops: { kind, from, to } }) => {
    let last: readonly [number, number] = [0, 0];
    const stands = kind.map((what, i): readonly [number, number] => {
      const [own, end] = [from[i] ?? 0, to[i] ?? 0];
      if (end > own) last = [own, end];
      // A chain hangs between; what is worked between two stitches stands behind none.
      return end > own || what === 'chain' || last[1] !== own || last[0] === own ? [own, end] : last;
    });
    return { kind, from: stands.map(([own]) => own), to: stands.map(([, end]) => end) };
  });

/**
 * Lays out the rounds of a motif: every stitch over what it is worked into, as evenly as its side has them, corners over
 * corners; a round without corners is turned so that what stands on it stands straight. A round in the maker's own words
 * that has no corners has the outline of its stitches: a heart.
 *
 * @param by the stitch of its swatch: one round of it is the measure.
 */
export function laidTops({ rounds }: WorkedRounds, kind: MotifKind, by: Stitch): LaidTop[] {
  const read = readRounds(rounds, by);
  const places = new Map<number, Places>();
  const ring = rounds[0]?.round.into.of === 'chain' ? CHAIN : RING + ringOpens(rounds[0], by);
  const radii = new Map<number, readonly [number, number]>([[0, [0, ring]]]);
  for (const own of rounds) {
    const [, ground = RING] = radii.get(own.onto) ?? [];
    radii.set(own.number, [ground, ground + heightIn(own, by)]);
  }
  // From the outside in: what has no corners turns under what stands on it.
  for (const own of [...rounds].reverse()) {
    if (own.round.into.of === 'petals') continue;
    const [, outer = RING] = radii.get(own.number) ?? [];
    const cornered = CORNERS[kind] > 0 && own.tops.unit.some(({ corner }) => corner);
    const above = rounds.find(({ onto, round }) => onto === own.number && round.into.of !== 'petals');
    const shares = cornered ? corneredShares(own, kind) : roundShares(own, above, places, read);
    places.set(own.number, { shares, cornered, tops: shares.map(() => outer) });
  }
  // And from the inside out: how far each stitch of a round in words of one's own reaches.
  for (const own of rounds) {
    const mine = places.get(own.number);
    const tops = read[own.number - 1];
    if (!mine || mine.cornered || !tops || own.round.into.of !== 'written') continue;
    const [inner = RING, outer = RING] = radii.get(own.number) ?? [];
    const below = places.get(own.onto);
    const high = tops.kind.map((what, i) =>
      what === 'chain'
        ? outer
        : (footTop(below, tops.from[i] ?? 0, tops.to[i] ?? 0) ?? inner) + heightOfTop(what, by),
    );
    places.set(own.number, { ...mine, tops: high });
  }
  const far = [...places.values()].flatMap(({ tops }) => tops);
  const scale = 0.5 / Math.max(ring, ...far);
  const form = formOf(kind, rounds, 0.5 / scale);
  const at = (share: number, radius: number, cornered: boolean): Point => {
    const p = form(share, radius, cornered);
    return { x: p.x * scale, y: p.y * scale };
  };
  return rounds.flatMap((own): LaidTop[] => {
    const tops = read[own.number - 1];
    if (!tops) return [];
    const below = places.get(own.onto);
    const over = own.round.into.of === 'petals';
    const [inner = RING, outer = RING] = radii.get(own.number) ?? [];
    const mine = over ? undefined : places.get(own.number);
    const feet = tops.kind.map((_, i) => footShare(below, tops.from[i] ?? 0, tops.to[i] ?? 0));
    const shares = mine?.shares ?? petalShares(feet, own.tops.unit.length);
    const cornered = mine?.cornered ?? below?.cornered ?? false;
    const pitch = 1 / Math.max(6, shares.length);
    return tops.kind.map((what, i): LaidTop => {
      const share = shares[i] ?? 0;
      const top = mine?.tops[i] ?? outer;
      const beside = (by: number) => at(share + pitch * by, top - 0.06, cornered);
      const [begin, end] = [beside(-0.42), beside(0.42)];
      const foot = footTop(below, tops.from[i] ?? 0, tops.to[i] ?? 0) ?? inner;
      return {
        kind: what,
        round: own.number,
        foot: at(feet[i] ?? share, foot, below?.cornered ?? (kind === 'rectangle' && cornered)),
        head: beside(0),
        half: { x: (end.x - begin.x) / 2, y: (end.y - begin.y) / 2 },
        over,
      };
    });
  });
}

const heightOfTop = (kind: TopKind, by: Stitch): number =>
  kind === 'chain' || kind === 'slip' || kind === 'yo-slip' ? 0 : stitchHeight(kind) / stitchHeight(by);

/**
 * Each place of a round with corners: sides are as long as one another, and a corner's own places lie round it. Half a
 * motif begins and ends where its row does.
 */
function corneredShares({ tops }: NumberedRound, kind: MotifKind): number[] {
  const all = wholeRound(tops);
  const own = (top: Top) => placesOf([top]);
  const corners = all.flatMap((top, i) => (top.corner ? [i] : []));
  const before = (i: number) => all.slice(0, i).reduce((sum, top) => sum + own(top), 0);
  const total = placesOf(all);
  // Where the middle of each corner lies, in places.
  const middles = corners.map((i) => before(i) + own(all[i] ?? { of: 'space', chains: 0, corner: true }) / 2);
  const first = tops.open ? 0 : (middles.at(-1) ?? 0) - total;
  const last = tops.open ? total : (middles[0] ?? 0) + total;
  const begun = tops.open ? 0 : -1;
  const sides = tops.open ? middles.length + 1 : CORNERS[kind];
  return Array.from({ length: total }, (_, place) => {
    const middle = place + 0.5;
    const found = middles.findLastIndex((corner) => corner <= middle);
    const from = middles[found] ?? first;
    const to = middles[found + 1] ?? last;
    const side = found < 0 ? begun : found - (tops.open ? -1 : 0);
    return (side + (middle - from) / Math.max(1e-9, to - from)) / sides;
  });
}

/** Places of a round without corners: even, turned so that on the whole each lies under what stands on it. */
function roundShares(
  own: NumberedRound,
  above: NumberedRound | undefined,
  places: ReadonlyMap<number, Places>,
  read: readonly Standing[],
): number[] {
  const many = Math.max(1, placesOf(wholeRound(own.tops)));
  // A row of half a motif goes from one end to the other: it cannot turn.
  const over = above && !own.tops.open ? places.get(above.number) : undefined;
  const tops = above && read[above.number - 1];
  let turn = 0;
  if (over && tops) {
    const apart = tops.kind.flatMap((kind, i) =>
      kind === 'chain' ? [] : [(over.shares[i] ?? 0) - middleOf(tops.from[i] ?? 0, tops.to[i] ?? 0) / many],
    );
    turn = apart.reduce((sum, one) => sum + one, 0) / Math.max(1, apart.length);
  }
  return Array.from({ length: many }, (_, i) => (i + 0.5) / many + turn);
}

const middleOf = (from: number, to: number) => (to > from ? (from + to) / 2 : from);

/** Where what is worked into some places stands. */
function footShare(below: Places | undefined, from: number, to: number): number | undefined {
  if (!below || below.shares.length === 0) return undefined;
  const [first, last] = [below.shares[from], below.shares[Math.max(from, to - 1)]];
  return first === undefined || last === undefined ? below.shares.at(-1) : (first + last) / 2;
}

/** How far out what is worked into some places begins. */
function footTop(below: Places | undefined, from: number, to: number): number | undefined {
  const [first, last] = [below?.tops[from], below?.tops[Math.max(from, to - 1)]];
  return first === undefined || last === undefined ? below?.tops.at(-1) : (first + last) / 2;
}

/** Petals fan out over the place they are worked into. */
function petalShares(feet: ReadonlyArray<number | undefined>, each: number): number[] {
  const petals = Math.max(1, feet.length / Math.max(1, each));
  return feet.map((foot, i) => {
    const within = (i % each) - (each - 1) / 2;
    return (foot ?? 0) + (within * 0.92) / (each * petals);
  });
}
