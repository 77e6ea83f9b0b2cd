import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { whole } from '../geometry/index.ts';
import { type Learnt, learnt } from './learn.ts';
import { ENDS_A_MINUTE, JOINS_A_MINUTE, STITCHES_A_MINUTE } from './rates.ts';
import {
  byColour,
  lengthOf,
  YARN_PARTS,
  type YarnNeed,
  type YarnPart,
  type YarnUse,
  yarnNeeds,
} from './uses.ts';
import { type Extras, type Joined, usesOf } from './uses-of.ts';

/** What one part of a bag takes. */
export interface PartEffort {
  readonly part: YarnPart;
  readonly stitches: number;
  /** mm */
  readonly yarn: number;
}

/** What all panels, or all motifs, take of one yarn. */
export interface ColourEffort {
  readonly yarn: string;
  readonly stitches: number;
  /** mm */
  readonly length: number;
}

/** Kinds of work, and minutes of each. */
export interface KindOfWork {
  readonly kind: 'swatches' | 'pieces' | 'edge' | 'straps' | 'closure' | 'joins' | 'ends';
  readonly minutes: number;
}

/** Which kind of work stitches of a part are. */
const KIND_OF: Readonly<Partial<Record<YarnPart, KindOfWork['kind']>>> = {
  swatches: 'swatches',
  motifs: 'pieces',
  panels: 'pieces',
  edge: 'edge',
  straps: 'straps',
  cord: 'straps',
  closure: 'closure',
};

/** Minutes of each kind of work, by general figures, in the order it is done in; kinds there is none of are left out. */
function kindsOfWork(work: ReadonlyMap<YarnPart, number>, { insertions, ends }: Joined): KindOfWork[] {
  const stitched = (kind: KindOfWork['kind']) =>
    [...work].reduce((sum, [part, many]) => sum + (KIND_OF[part] === kind ? many : 0), 0) / STITCHES_A_MINUTE;
  const all: KindOfWork[] = [
    { kind: 'swatches', minutes: stitched('swatches') },
    { kind: 'pieces', minutes: stitched('pieces') },
    { kind: 'joins', minutes: insertions / JOINS_A_MINUTE },
    { kind: 'edge', minutes: stitched('edge') },
    { kind: 'straps', minutes: stitched('straps') },
    { kind: 'closure', minutes: stitched('closure') },
    { kind: 'ends', minutes: minutesOfEnds(ends) },
  ];
  return all.filter(({ minutes }) => minutes > 0);
}

/** Minutes that so many ends take. */
export const minutesOfEnds = (ends: number): number => ends / ENDS_A_MINUTE;

/** What a bag takes: its stitches, yarn in mm, and minutes of work, all together and part by part. Estimates. */
export interface Effort {
  /** Every use of every yarn: all other figures of yarn are sums of these. */
  readonly uses: readonly YarnUse[];
  /** What each yarn comes to, in the order of the bag's yarns. */
  readonly needs: readonly YarnNeed[];
  /** What the weighings told of the maker's yarn. */
  readonly learnt: Learnt;
  readonly parts: readonly PartEffort[];
  /** What panels take, colour by colour, in the order of the bag's yarns. */
  readonly panelColours: readonly ColourEffort[];
  /** What motifs take, each in its design, the same way. */
  readonly motifColours: readonly ColourEffort[];
  readonly stitches: number;
  readonly yarn: number;
  readonly work: readonly KindOfWork[];
  readonly minutes: number;
}

/**
 * Counts every stitch of the bag, gives each its yarn by gauge and kind, and all work its time.
 *
 * @param designs colourway of each motif, by piece.
 */
export function effortOf(
  document: BagDocument,
  graph: BagGraph,
  designs: ReadonlyMap<string, string>,
  extras: Extras,
  joins: Joined,
): Effort {
  const known = learnt(document);
  const { uses, work } = usesOf(document, graph, designs, extras, joins, known);
  const kinds = kindsOfWork(work, joins);
  const parts = YARN_PARTS.flatMap((part): PartEffort[] => {
    const own = uses.filter((use) => use.part === part);
    if (own.length === 0) return [];
    const stitches = whole(own.reduce((sum, one) => sum + one.stitches, 0));
    return [{ part, stitches, yarn: lengthOf(own) }];
  });
  const coloursOf = (part: YarnPart) =>
    byColour(
      document,
      uses.filter((use) => use.part === part),
    );
  return {
    uses,
    needs: yarnNeeds(document, uses, known),
    learnt: known,
    parts,
    panelColours: coloursOf('panels'),
    motifColours: coloursOf('motifs'),
    stitches: parts.reduce((sum, one) => sum + one.stitches, 0),
    yarn: lengthOf(uses),
    work: kinds,
    minutes: kinds.reduce((sum, { minutes }) => sum + minutes, 0),
  };
}
