import { firstEyelet } from '../bag/index.ts';
import { whole } from '../geometry/index.ts';

/** Lengths zips are sold in, mm. */
export const ZIP_LENGTHS = [
  100, 120, 140, 160, 180, 200, 220, 250, 300, 350, 400, 450, 500, 550, 600, 650, 700, 750, 800, 900, 1000,
] as const;

/** The next zip that is at least as long as the mouth lies wide (half of its way round), mm. */
export const zipFor = (opening: number): number | undefined =>
  ZIP_LENGTHS.find((length) => length >= opening / 2 - 1);

/**
 * Chains of a button's loop: doubled, it must reach from its rim over a full bag to the button, and still pass over it:
 * once the depth, and round the button's half, on either strand.
 */
export function loopChains(diameter: number, depth: number, pitch: number): number {
  const strand = depth + (Math.PI * diameter) / 2;
  return Math.ceil((2 * strand) / pitch);
}

/** How much smaller than its button a crocheted hole is worked: it gives, and must hold. */
const HOLE = 0.9;

/** Stitches a button hole skips, and as many chains over them. */
export const holeSkip = (diameter: number, pitch: number): number =>
  Math.max(1, Math.round((HOLE * diameter) / pitch));

/**
 * Places for so many things along a face of n loops, counted from one side: equal gaps from both sides, whatever is
 * left over shared by the gaps nearest to the middle. Read from the other side the places are the same.
 *
 * @returns the loop each one follows, from 0.
 */
export function evenPlaces(loops: number, many: number): number[] {
  if (many < 1 || loops < many) return [];
  const places = Array.from({ length: many }, (_, i) => ((i + 0.5) * loops) / many);
  // Rounded towards the nearer side, so that both sides read the same.
  return places.map((at) => (at <= loops / 2 ? Math.floor(at) : loops - Math.floor(loops - at)));
}

/**
 * Stitches before each of so many holes of `skip` stitches: the holes about the middles of equal parts, as many stitches
 * before the first as after the last. A middle one may be a stitch off, as the parity has it. None where the stitches
 * are too few to leave one between holes.
 */
export function holePlaces(stitches: number, many: number, skip: number): number[] {
  if (many < 1 || stitches < many * (skip + 1)) return [];
  // The middles of equal parts are a hole's own middle: half of it lies before.
  const before = (i: number) => whole(((i + 0.5) * stitches) / many - skip / 2);
  return Array.from({ length: many }, (_, i) =>
    2 * i + 1 <= many ? before(i) : stitches - skip - before(many - 1 - i),
  );
}

/** Cord for a drawstring: once round the mouth, and enough at both ends to pull and knot, mm. */
export const cordLength = (opening: number): number => opening + 2 * CORD_END;
const CORD_END = 180;

/**
 * Stitches before each of so many eyelets of a drawstring, evenly round the mouth, each taking one stitch: the same from
 * the left and from the right as seen from the front, with the front's middle between two eyelets or at one, as
 * `firstEyelet` has it. None where no stitch would be left between them.
 *
 * @param stitches of the whole round, from the left end of the front on, and `front` those of them that lie in front.
 */
export function eyeletStitches(stitches: number, front: number, eyelets: number): number[] {
  if (eyelets < 2 || stitches < 2 * eyelets) return [];
  const onto = (k: number) => ((k % stitches) + stitches) % stitches;
  const first = firstEyelet(eyelets);
  const right = Array.from({ length: eyelets / 2 + (first === 0 ? 1 : 0) }, (_, i) =>
    whole(front / 2 + ((i + first) * stitches) / eyelets - 0.5),
  );
  // Those on the middles of front and back are their own mirror images.
  const left = (first === 0 ? right.slice(1, -1) : right).map((k) => front - 1 - k);
  return [...right, ...left].map(onto).sort((a, b) => a - b);
}

/** Stitches from each eyelet to the next along a closed round, each eyelet taking one of them. */
export const eyeletGaps = (places: readonly number[], stitches: number): number[] =>
  places.map((at, i) => {
    const next = places[i + 1];
    return next === undefined ? stitches - at - 1 + (places[0] ?? 0) : next - at - 1;
  });
