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
 * Loops before each of so many holes of `skip` stitches, about their even places: as many loops before the first as after
 * the last. One in the middle may be a loop off, as the parity has it.
 */
export const holePlaces = (loops: number, many: number, skip: number): number[] =>
  evenPlaces(loops, many).map((at) =>
    Math.max(0, at - (2 * at > loops ? Math.ceil(skip / 2) : Math.floor(skip / 2))),
  );

/** Cord for a drawstring: once round the mouth, and enough at both ends to pull and knot, mm. */
export const cordLength = (opening: number): number => opening + 2 * CORD_END;
const CORD_END = 180;

/** Loops along the rim between eyelets, spread within one; the cord goes in and out, so they are even in number. */
export function eyeletGaps(loops: number, eyelets: number): number[] {
  return Array.from(
    { length: eyelets },
    (_, i) => Math.round(((i + 1) * loops) / eyelets) - Math.round((i * loops) / eyelets),
  );
}
