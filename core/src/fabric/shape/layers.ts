import { heightByPitch, STITCHES } from '../../stitches/index.ts';
import type { ProgramRow } from '../count/count-program.ts';
import { bordersOf, sectionsOfRows } from '../count/sections.ts';
import type { TopKind, Tops } from '../count/tops.ts';
import { type SeenTop, seenFrom, seenTops } from '../seen.ts';

/** How large stitches come out. */
export interface Sizes {
  /** Stitch pitch, mm. */
  readonly pitch: number;
  /** Height of a row of the swatch's own stitch, mm, and how many pitches high that stitch usually is. */
  readonly row: number;
  readonly usual: number;
}

/** A block of so many stitches of what a piece begins on, in which stitches come out at sizes of their own. */
export interface SizedSection extends Sizes {
  readonly stitches: number;
}

/** Height of a slip stitch as a share of a low stitch: it lies along the row it is worked into; less so with the yarn laid over. */
export const lowBy = (kind: 'slip' | 'yo-slip'): number => (kind === 'slip' ? 0.3 : 0.55);

/** Height of a stitch above the row it stands on, mm: as much higher than the swatch's own as it usually is. */
export function heightOf(kind: TopKind, { row, usual }: Sizes): number {
  const basic = STITCHES.find((stitch) => stitch === kind);
  if (basic) return (row * heightByPitch(basic)) / usual;
  if (kind === 'slip' || kind === 'yo-slip') return (lowBy(kind) * row * heightByPitch('low')) / usual;
  // Bunches are worked in tall stitches and drawn down between low ones: they stand as high as the row does.
  return row;
}

/**
 * A row as a layer of fabric, seen with its first row at the bottom: from left to right, whichever way it was worked.
 * Places along a row are shares of it, 0 at its left end and 1 at its right.
 */
export interface Layer {
  readonly number: number;
  readonly many: number;
  /** mm along its tops, and along each of them. */
  readonly length: number;
  readonly widths: readonly number[];
  /** Worked round: its ends meet. */
  readonly round: boolean;
  /** What each top is, seen from in front. */
  readonly tops: readonly SeenTop[];
  /** Height over the row below, mm, of each top; chains have none of their own. */
  readonly heights: readonly number[];
  /** Where each top stands on the row below, as a share of that; and where its left and right ends do. */
  readonly feet: readonly number[];
  readonly left: number;
  readonly right: number;
  /** Tops, from the left, after which another section begins. */
  readonly borders: readonly number[];
}

/**
 * The layers of counted rows. A row that is turned meets the row below from its other end; a round does not.
 *
 * @param first places of what the first row stands on; none for a ring.
 * @param sections side by side, in which stitches come out at sizes of their own; none where all are alike.
 */
export function layersOf(
  rows: ReadonlyArray<Pick<ProgramRow, 'tops' | 'before' | 'number' | 'round'>>,
  first: number,
  sizes: Sizes,
  sections: readonly SizedSection[] = [],
): Layer[] {
  const within = sectionsOfRows(
    rows,
    first,
    sections.map(({ stitches }) => stitches),
  );
  let below = first;
  // The chain runs to the left, the first row back over it to the left again: seen from in front it is the other way.
  let rightwards = true;
  return rows.flatMap((row, i): Layer[] => {
    const { tops, number, round } = row;
    const many = tops.kind.length;
    if (many === 0) return [];
    const mirrored = !round && !rightwards;
    // Chains that were passed over to turn are no part of what it stands on.
    const passed = i === 0 && first > 0 ? row.before : 0;
    const sizeOf = (top: number) => sections[within[i]?.[top] ?? 0] ?? sizes;
    const layer = layerOf(tops, passed, Math.max(1, below), sizeOf);
    below = many;
    if (!round) rightwards = !rightwards;
    const borders = bordersOf(within[i] ?? []);
    const met = { number, many, round, length: sum(layer.widths), borders, ...layer };
    return [mirrored ? seenFromBehind(met) : met];
  });
}

const sum = (list: readonly number[]) => list.reduce((all, one) => all + one, 0);

function layerOf(
  tops: Tops,
  passed: number,
  below: number,
  sizeOf: (top: number) => Sizes,
): Pick<Layer, 'tops' | 'widths' | 'heights' | 'feet' | 'left' | 'right'> {
  const { kind, from, to } = tops;
  const at = (list: readonly number[], i: number) => list[i] ?? 0;
  const gaps = overGaps(tops);
  const feet = kind.map((is, i) => {
    if (is === 'chain') return (at(gaps, i) - passed) / below;
    // Several on the same places divide them among themselves.
    let [start, end] = [i, i];
    while (start > 0 && at(from, start - 1) === at(from, i) && at(to, start - 1) === at(to, i)) start--;
    while (end < kind.length - 1 && at(from, end + 1) === at(from, i) && at(to, end + 1) === at(to, i)) end++;
    const share = (i - start + 0.5) / (end - start + 1);
    return (at(from, i) + share * (at(to, i) - at(from, i)) - passed) / below;
  });
  return {
    tops: seenTops(tops),
    widths: kind.map((_, i) => sizeOf(i).pitch),
    heights: kind.map((one, i) => (one === 'chain' ? sizeOf(i).row : heightOf(one, sizeOf(i)))),
    feet,
    left: (at(from, 0) - passed) / below,
    right: (at(to, kind.length - 1) - passed) / below,
  };
}

/** Where each chain stands: with the others of its run evenly over what was passed over beneath them. */
function overGaps({ kind, from, to }: Tops): number[] {
  const feet = kind.map(() => 0);
  for (let start = 0; start < kind.length; ) {
    let end = start + 1;
    if (kind[start] === 'chain') {
      while (kind[end] === 'chain') end++;
      const begins = to[start - 1] ?? from[start] ?? 0;
      const ends = Math.max(begins, from[end] ?? begins);
      for (let i = start; i < end; i++)
        feet[i] = begins + ((i - start + 0.5) / (end - start)) * (ends - begins);
    }
    start = end;
  }
  return feet;
}

/** The same layer from its other end. */
const seenFromBehind = (layer: Layer): Layer => ({
  ...layer,
  tops: layer.tops.map(seenFrom).reverse(),
  widths: [...layer.widths].reverse(),
  heights: [...layer.heights].reverse(),
  feet: layer.feet.map((foot) => 1 - foot).reverse(),
  borders: layer.borders.map((border) => layer.many - border).reverse(),
  left: 1 - layer.right,
  right: 1 - layer.left,
});

/** Where a place of a layer stands on the row below, both as shares: between tops in a straight line. */
export function footAt({ feet, left, right, many }: Layer, share: number): number {
  const place = share * many - 0.5;
  const before = Math.floor(place);
  const part = place - before;
  const low = before < 0 ? left : (feet[before] ?? right);
  const high = before + 1 >= many ? right : (feet[before + 1] ?? left);
  if (before < 0) return left + (high - left) * (2 * (part - 0.5));
  if (before + 1 >= many) return low + (right - low) * Math.min(1, 2 * part);
  return low + (high - low) * part;
}

/** How high a layer stands there over the row below, mm. */
export function heightAt({ heights, many }: Layer, share: number): number {
  const place = Math.min(many - 1, Math.max(0, Math.floor(share * many)));
  return heights[place] ?? 0;
}

/** What a layer, or the chain below all, is along its tops. */
export type Tread = Pick<Layer, 'length' | 'widths'>;

/** The chain a piece begins on: so many places, each as wide as its section's stitches. */
export function treadOf(first: number, sizes: Sizes, sections: readonly SizedSection[] = []): Tread {
  const own = sections.flatMap(({ stitches, pitch }) => Array.from({ length: stitches }, () => pitch));
  const rest = sections.at(-1)?.pitch ?? sizes.pitch;
  const widths = Array.from({ length: first }, (_, place) => own[place] ?? rest);
  return { length: sum(widths), widths };
}

/** A tread whose tops are all of one width. */
export const evenTread = (length: number): Tread => ({ length, widths: length > 0 ? [length] : [] });

/** How far from its left end a share of its tops reaches, mm. */
export function reach({ length, widths }: Tread, share: number): number {
  const place = share * widths.length;
  const whole = Math.min(widths.length, Math.max(0, Math.floor(place)));
  if (widths.length === 0 || whole === widths.length) return length * Math.min(1, Math.max(0, share));
  return startOf(widths, whole) + (place - whole) * (widths[whole] ?? 0);
}

const starts = new WeakMap<readonly number[], Float64Array>();

/** Where the top of this place begins, mm: added up once for each row. */
function startOf(widths: readonly number[], place: number): number {
  let own = starts.get(widths);
  if (!own) {
    own = new Float64Array(widths.length);
    for (let i = 1; i < widths.length; i++) own[i] = (own[i - 1] ?? 0) + (widths[i - 1] ?? 0);
    starts.set(widths, own);
  }
  return own[place] ?? 0;
}
