import { countProgram, type TopKind } from '../../fabric/index.ts';
import { along, type Point } from '../../geometry/index.ts';
import type { Stitch } from '../../stitches/index.ts';
import { placesOf, type Top, wholeRound } from './round.ts';
import { motifWords } from './words.ts';
import { heightIn, type NumberedRound, ringOpens, type WorkedRounds } from './work-rounds.ts';

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

/** Radius of the ring in rounds, and where the first corner of a shape lies, radians. */
const RING = 0.55;
const FIRST = (shape: number) => (shape === 6 ? (2 * Math.PI) / 3 : (3 * Math.PI) / 4);

/** Places of a round: which share of the way round each lies at, in the order they are worked. */
interface Places {
  readonly shares: readonly number[];
  readonly cornered: boolean;
  readonly inner: number;
  readonly outer: number;
}

/**
 * Lays out the rounds of a motif: every stitch over what it is worked into, as evenly as its side has them, corners over
 * corners; a round without corners is turned so that what stands on it stands straight.
 *
 * @param shape corners of the motif, none where it is round.
 * @param by the stitch of its swatch: one round of it is the measure.
 */
export function laidTops({ rounds }: WorkedRounds, shape: number, by: Stitch): LaidTop[] {
  const read = countProgram(motifWords(rounds, 'us'), {
    terms: 'us',
    turning: 'standing',
    usual: by,
    layered: true,
  }).rows;
  const places = new Map<number, Places>();
  const ring = RING + ringOpens(rounds[0]?.round, by);
  let high = ring;
  const radii = new Map<number, readonly [number, number]>([[0, [0, ring]]]);
  for (const { number, onto, round } of rounds) {
    const [, ground = RING] = radii.get(onto) ?? [];
    const height = heightIn(round, by);
    radii.set(number, [ground, ground + height]);
    if (round.into.of !== 'petals') high = Math.max(high, ground + height);
  }
  // From the outside in: what has no corners turns under what stands on it.
  for (const own of [...rounds].reverse()) {
    if (own.round.into.of === 'petals') continue;
    const [inner = RING, outer = RING] = radii.get(own.number) ?? [];
    const cornered = shape > 0 && own.tops.unit.some(({ corner }) => corner);
    const above = rounds.find(({ onto, round }) => onto === own.number && round.into.of !== 'petals');
    const shares = cornered ? corneredShares(own, shape) : roundShares(own, above, places, read);
    places.set(own.number, { shares, cornered, inner, outer });
  }
  const scale = 0.5 / high;
  const at = (share: number, radius: number, cornered: boolean): Point => {
    const p = cornered ? onPolygon(share, radius, shape) : onCircle(share, radius, shape);
    return { x: p.x * scale, y: p.y * scale };
  };
  return rounds.flatMap((own): LaidTop[] => {
    const tops = read[own.number - 1]?.tops;
    if (!tops) return [];
    const below = places.get(own.onto);
    const over = own.round.into.of === 'petals';
    const [inner = RING, outer = RING] = radii.get(own.number) ?? [];
    const mine = over ? undefined : places.get(own.number);
    const feet = tops.kind.map((_, i) => footShare(below, tops.from[i] ?? 0, tops.to[i] ?? 0));
    const shares = mine?.shares ?? petalShares(feet, own.tops.unit.length);
    const cornered = mine?.cornered ?? below?.cornered ?? false;
    const pitch = 1 / Math.max(6, shares.length);
    return tops.kind.map((kind, i): LaidTop => {
      const share = shares[i] ?? 0;
      const head = at(share, outer - 0.06, cornered);
      const end = at(share + pitch * 0.42, outer - 0.06, cornered);
      return {
        kind,
        round: own.number,
        foot: at(feet[i] ?? share, inner, below?.cornered ?? false),
        head,
        half: { x: end.x - head.x, y: end.y - head.y },
        over,
      };
    });
  });
}

/** Each place of a round with corners: sides are as long as one another, and a corner's own places lie round it. */
function corneredShares({ tops }: NumberedRound, shape: number): number[] {
  const all = wholeRound(tops);
  const own = (top: Top) => placesOf([top]);
  const corners = all.flatMap((top, i) => (top.corner ? [i] : []));
  const before = (i: number) => all.slice(0, i).reduce((sum, top) => sum + own(top), 0);
  const total = placesOf(all);
  // Where the middle of each corner lies, in places.
  const middles = corners.map((i) => before(i) + own(all[i] ?? { of: 'space', chains: 0, corner: true }) / 2);
  return Array.from({ length: total }, (_, place) => {
    const middle = place + 0.5;
    const found = middles.findLastIndex((corner) => corner <= middle);
    const side = found < 0 ? -1 : found;
    const from = side < 0 ? (middles.at(-1) ?? 0) - total : (middles[side] ?? 0);
    const to = side + 1 < middles.length ? (middles[side + 1] ?? total) : (middles[0] ?? 0) + total;
    return (side + (middle - from) / Math.max(1e-9, to - from)) / shape;
  });
}

/** Places of a round without corners: even, turned so that on the whole each lies under what stands on it. */
function roundShares(
  own: NumberedRound,
  above: NumberedRound | undefined,
  places: ReadonlyMap<number, Places>,
  read: ReturnType<typeof countProgram>['rows'],
): number[] {
  const many = Math.max(1, placesOf(wholeRound(own.tops)));
  const over = above && places.get(above.number);
  const tops = above && read[above.number - 1]?.tops;
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

/** Petals fan out over the place they are worked into. */
function petalShares(feet: ReadonlyArray<number | undefined>, each: number): number[] {
  const petals = Math.max(1, feet.length / Math.max(1, each));
  return feet.map((foot, i) => {
    const within = (i % each) - (each - 1) / 2;
    return (foot ?? 0) + (within * 0.92) / (each * petals);
  });
}

const onCircle = (share: number, radius: number, shape: number): Point => {
  const angle = FIRST(shape) + share * 2 * Math.PI;
  return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
};

/** A place on the outline of an even polygon, by its share of the way from its first corner on. */
function onPolygon(share: number, radius: number, shape: number): Point {
  const corner = (k: number) => onCircle(k / shape, radius / Math.cos(Math.PI / shape), shape);
  const side = Math.floor(share * shape);
  return along(corner(side), corner(side + 1), share * shape - side);
}
