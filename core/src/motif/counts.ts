import { type Making, ownLong, ownSide } from './rounds/making.ts';

/** Motifs worked from the centre, by their shape and how they are filled. */
export const MOTIF_KINDS = [
  'cluster',
  'solid',
  'disc',
  'half-disc',
  'hexagon',
  'triangle',
  'rectangle',
] as const;
export type MotifKind = (typeof MOTIF_KINDS)[number];

/** Kinds that can be laid in columns and rows. */
export const SQUARE_KINDS = ['cluster', 'solid'] as const satisfies readonly MotifKind[];
export const isSquare = (kind: MotifKind): boolean => SQUARE_KINDS.some((square) => square === kind);

/** Corners of a motif's shape; none where it is round. Halves have those of their rows. */
export const CORNERS: Record<MotifKind, number> = {
  cluster: 4,
  solid: 4,
  rectangle: 4,
  hexagon: 6,
  triangle: 1,
  disc: 0,
  'half-disc': 0,
};

/** Halves are worked in rows to and fro, from a ring that is not closed. */
export const HALF_KINDS = ['half-disc', 'triangle'] as const satisfies readonly MotifKind[];
export const isHalf = (kind: MotifKind): boolean => HALF_KINDS.some((half) => half === kind);

/** Shapes that a motif of one's own can have: a cluster square is a square that is worked in groups. */
export const OWN_KINDS = [
  'solid',
  'hexagon',
  'disc',
  'half-disc',
  'triangle',
  'rectangle',
] as const satisfies readonly MotifKind[];

/** Ways a motif can lie in its place: turned by a whole turn over this its outline is the same. A circle goes by quarters. */
export const WAYS_TO_LIE: Record<MotifKind, number> = {
  cluster: 4,
  solid: 4,
  disc: 4,
  hexagon: 6,
  rectangle: 2,
  triangle: 1,
  'half-disc': 1,
};

/** What fixes a motif's counts. */
export interface MotifDefinition {
  readonly kind: MotifKind;
  /** Chains in each corner: 1, 2 or 3. */
  readonly cornerChains: number;
  /** Chains between two clusters along a side: 0 or 1. Solid squares have none. */
  readonly gapChains: number;
  /** Stitches a full round of a disc adds to the one before. */
  readonly increases?: number | undefined;
  /** Stitches of a half disc's first row, and how many each further row has more. */
  readonly first?: number | undefined;
  readonly more?: number | undefined;
  /** Stitches by which a rectangle's long sides have more than its short ones. */
  readonly long?: number | undefined;
  /** How it is made where it is none of the kinds but has the shape of one. */
  readonly making?: Making | undefined;
}

/** Increases of a disc until its maker says otherwise: those of tall stitches. */
const USUAL_INCREASES = 12;

/** A rectangle is begun on a chain of so many until its maker says otherwise. */
const USUAL_LONG = 8;

/** Stitches by which a rectangle's long sides have more, after so many rounds: of one's own as they come out. */
export const longOf = ({ making, long = USUAL_LONG }: MotifDefinition, rounds: number): number =>
  making?.of === 'rounds' ? ownLong(making, rounds) : long;

export const increasesOf = ({ increases = USUAL_INCREASES }: MotifDefinition): number => increases;

/** A half disc's first row, and what each further row has more: half of what a disc has until its maker says otherwise. */
export const firstRowOf = (motif: MotifDefinition): number =>
  motif.first ?? Math.round(increasesOf(motif) / 2) + 1;
export const moreARowOf = (motif: MotifDefinition): number => motif.more ?? increasesOf(motif) / 2;

/**
 * Stitches along one side after `rounds` rounds, without the corner chains.
 *
 * Cluster: round k has k groups of three between two corner spaces, with a gap after each but the last.
 * Solid, and either leg of a triangle, which is half a solid square: three in the first round, and two more
 * at each end of the side (the 2 + chain + 2 corner) in every later one: 3, 7, 11, 15 ...
 * Hexagon: two a side in the first round, and one more at either end in each later one.
 * Rectangle: its short side, worked as a solid square's; `long` more on the others.
 * Disc: the whole round, `increases` more in each. Half disc: half of that and the one that closes it, or its first row
 * and as many more in each as its maker says.
 */
export function sideStitches(motif: MotifDefinition, rounds: number): number {
  if (motif.making) return ownSide(motif.making, rounds, motif.kind).stitches;
  switch (motif.kind) {
    case 'cluster':
      return 3 * rounds + motif.gapChains * (rounds - 1);
    case 'solid':
    case 'triangle':
    case 'rectangle':
      return 3 + 4 * (rounds - 1);
    case 'hexagon':
      return 2 * rounds;
    case 'disc':
      return increasesOf(motif) * rounds;
    case 'half-disc':
      return motif.first === undefined && motif.more === undefined
        ? Math.round((increasesOf(motif) * rounds) / 2) + 1
        : Math.round(firstRowOf(motif) + moreARowOf(motif) * (rounds - 1));
  }
}

/** Ends of a side at which there is a corner: a triangle's legs have one between them, and end where its rows do. */
const cornersAtSide = (kind: MotifKind): number =>
  kind === 'disc' || kind === 'half-disc' ? 0 : kind === 'triangle' ? 1 : 2;

/**
 * Loops along one side that a join can take: the side's stitches and, of a corner of two or three
 * chains, the one chain nearest to the side at each end. The middle chain of one or three belongs to the
 * corner itself and is not counted on either side. Round edges have no corners.
 */
export const sideLoops = (motif: MotifDefinition, rounds: number): number =>
  motif.making
    ? ownSide(motif.making, rounds, motif.kind).loops
    : sideStitches(motif, rounds) + cornersAtSide(motif.kind) * Math.floor(motif.cornerChains / 2);
