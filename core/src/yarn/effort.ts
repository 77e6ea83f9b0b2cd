import type { BagGraph, Piece } from '../bag/index.ts';
import { type ClosurePlan, type CordPlan, placesMany } from '../closure/index.ts';
import type { BagDocument, Motif } from '../document/index.ts';
import { motifOf, panelOf, swatchOf } from '../document/look-up.ts';
import { type EdgeCount, edgeStitches } from '../edging/index.ts';
import type { TopKind } from '../fabric/index.ts';
import { swatchGauge } from '../fit/index.ts';
import { groupBy, must, whole } from '../geometry/index.ts';
import { ownRoundTops } from '../motif/index.ts';
import type { Stitch } from '../stitches/index.ts';
import type { BandPlan, StrapPlan } from '../strap/index.ts';
import { rowColours } from '../stripes/index.ts';
import { panelTops, type SizedTops, writtenTops } from './panel-tops.ts';
import { roundStitches } from './stitches-of.ts';

/** Yarn in one stitch as a multiple of its pitch: an estimate until a piece has been weighed. */
const YARN_BY_PITCH: Record<Stitch, number> = { low: 5.5, mid: 7, tall: 9, high: 11.5 };
/** Low stitches, joining insertions and ends that steady hands do in a minute, until a log says better. */
const STITCHES_A_MINUTE = 18;
const JOINS_A_MINUTE = 12;
const ENDS_A_MINUTE = 0.7;

/** A chain takes so many of its pitches: less than a stitch, which is drawn through twice or more. */
const CHAIN_BY_PITCH = 3.5;

/** What a top of written rows takes, in pitches; a bunch as many unfinished tall stitches as it usually has. */
const YARN_OF_TOP: Record<TopKind, number> = {
  ...YARN_BY_PITCH,
  slip: 3,
  'yo-slip': 4,
  chain: CHAIN_BY_PITCH,
  bobble: 38,
  popcorn: 43,
  puff: 26,
  cluster: 24,
};

/** How much longer a top takes than a low stitch. */
const TIME_OF_TOP: Record<TopKind, number> = {
  low: 1,
  mid: 1.1,
  tall: 1.3,
  high: 1.6,
  slip: 0.8,
  'yo-slip': 0.9,
  chain: 0.4,
  bobble: 4,
  popcorn: 4.5,
  puff: 3,
  cluster: 3,
};

/** What yarn goes into. */
export const YARN_PARTS = ['pieces', 'edge', 'straps', 'closure', 'cord', 'joins'] as const;
export type YarnPart = (typeof YARN_PARTS)[number];

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

/** What a bag takes: its stitches, yarn in mm, and minutes of work, all together and part by part. Estimates. */
export interface Effort {
  readonly parts: readonly PartEffort[];
  /** What panels take, colour by colour, in the order of the bag's yarns. */
  readonly panelColours: readonly ColourEffort[];
  /** What motifs take, each in its design, the same way. */
  readonly motifColours: readonly ColourEffort[];
  readonly stitches: number;
  readonly yarn: number;
  readonly minutes: number;
}

/** A tail that is woven in, mm. */
const TAIL = 120;

/**
 * Yarn each round of a motif takes, from the heart outwards, mm: its stitches by gauge and kind, and two tails, as every
 * round may be of another colour.
 */
export function roundYarn(document: BagDocument, motif: Motif, rounds: number): number[] {
  const { stitch, strands, ...swatch } = swatchOf(document, motif.swatch);
  const pitch = swatchGauge(document, { ...swatch, stitch, strands }).pitch.value;
  return Array.from(
    { length: rounds },
    (_, r) => (roundWork(motif, r + 1, stitch).pitches * pitch + 2 * TAIL) * strands,
  );
}

/**
 * What one round takes: its stitches, their yarn in pitches, and their time in low stitches. One of the kinds takes so many
 * of its swatch's stitch; one by its own rounds each of its stitches, and its chains.
 */
function roundWork(
  motif: Motif,
  round: number,
  by: Stitch,
): { readonly stitches: number; readonly pitches: number; readonly time: number } {
  const stitches = roundStitches(motif, round);
  if (motif.making?.of !== 'rounds')
    return { stitches, pitches: stitches * YARN_BY_PITCH[by], time: stitches * TIME_OF_TOP[by] };
  let [pitches, time] = [0, 0];
  for (const [kind, many] of ownRoundTops(motif.making, round, motif.kind)) {
    pitches += many * YARN_OF_TOP[kind];
    time += many * TIME_OF_TOP[kind];
  }
  return { stitches, pitches, time };
}

/** What is put on the joined bag, worked out. */
export interface Extras {
  readonly edges: readonly EdgeCount[];
  readonly straps: StrapPlan | undefined;
  readonly bands: readonly BandPlan[];
  readonly closure: ClosurePlan | undefined;
  readonly cord: CordPlan | undefined;
}

/**
 * Counts every stitch of the bag, gives each its yarn by gauge and kind, and all work its time.
 *
 * @param designs colourway of each motif, by piece.
 * @param joins yarn of the joins, mm, and their insertions.
 */
export function effortOf(
  document: BagDocument,
  graph: BagGraph,
  designs: ReadonlyMap<string, string>,
  { edges, straps, bands, closure, cord }: Extras,
  joins: { readonly ends: number; readonly yarn: number; readonly insertions: number },
): Effort {
  const gauge = new Map(
    document.swatches.map((swatch) => {
      const pitch = swatchGauge(document, swatch).pitch.value;
      const { id, stitch, strands } = swatch;
      return [id, { pitch, stitch: YARN_BY_PITCH[stitch], time: TIME_OF_TOP[stitch], strands }];
    }),
  );
  const first = must(document.swatches[0], 'swatch').id;
  const parts = new Map<YarnPart, { stitches: number; yarn: number }>();
  const colours = { panels: new Colours(), motifs: new Colours() };
  /** All stitches, as low stitches that take as long. */
  let work = 0;
  const add = (part: YarnPart, stitches: number, yarn: number, time = 1) => {
    work += stitches * time;
    const before = parts.get(part) ?? { stitches: 0, yarn: 0 };
    parts.set(part, { stitches: before.stitches + stitches, yarn: before.yarn + yarn });
  };
  const put = (part: YarnPart, many: number, swatch: string) => {
    const { pitch, stitch, strands, time } = must(gauge.get(swatch), 'swatch');
    add(part, many, many * stitch * pitch * strands, time);
  };
  const chain = (part: YarnPart, many: number, swatch: string) => {
    const { pitch, strands } = must(gauge.get(swatch), 'swatch');
    add(part, many, many * CHAIN_BY_PITCH * pitch * strands);
  };
  const rowOf = (part: YarnPart, sized: readonly SizedTops[]) => {
    let [stitches, length] = [0, 0];
    for (const { swatch, tops } of sized) {
      const { pitch, strands } = must(gauge.get(swatch), 'swatch');
      for (const [kind, many] of tops) {
        if (kind !== 'chain') stitches += many;
        length += many * YARN_OF_TOP[kind] * pitch * strands;
        work += many * (TIME_OF_TOP[kind] - Number(kind !== 'chain'));
      }
    }
    add(part, stitches, length);
    return { stitches, length };
  };
  const panel = (piece: Piece, rows: number) => {
    const [tops, yarn] = [panelTops(document, piece), rowColours(document, piece)];
    for (let row = 1; row <= rows; row++) {
      const { stitches, length } = rowOf('pieces', tops(row));
      colours.panels.add(yarn(row), stitches, length);
    }
  };
  // Hundreds of squares are of a few kinds: each kind is counted once.
  const alike = groupBy(graph.pieces, ({ id, make }) =>
    make.of === 'motif' ? `${make.motif} ${make.rounds} ${designs.get(id) ?? ''}` : '',
  );
  for (const [kind, pieces] of alike) {
    const make = pieces[0]?.make;
    if (kind && make?.of === 'motif') {
      const motif = motifOf(document, make.motif);
      const way = motif.colourways.find(({ id }) => id === designs.get(pieces[0]?.id ?? ''));
      const { pitch, strands } = must(gauge.get(motif.swatch), 'swatch');
      const { stitch } = swatchOf(document, motif.swatch);
      for (let round = 1; round <= make.rounds; round++) {
        const yarn = way?.rounds[Math.min(round, way.rounds.length) - 1];
        const one = roundWork(motif, round, stitch);
        const stitches = pieces.length * one.stitches;
        const length = pieces.length * one.pitches * pitch * strands;
        add('pieces', stitches, length, 0);
        work += pieces.length * one.time;
        if (yarn !== undefined) colours.motifs.add(yarn, stitches, length);
      }
      continue;
    }
    for (const piece of pieces) if (piece.make.of === 'panel') panel(piece, piece.make.rows);
  }
  const { edging } = graph.trim ?? {};
  if (edging) put('edge', edgeStitches(edges), edging.swatch);
  const own = document.finish?.straps;
  const strapPanel = own?.panel === undefined ? undefined : panelOf(document, own.panel);
  if (own && straps && strapPanel) {
    const tops = writtenTops(strapPanel, swatchOf(document, strapPanel.swatch));
    for (let k = 0; k < own.many; k++)
      for (let row = 1; row <= straps.count; row++) rowOf('straps', tops(row));
    // What lies doubled is worked on as its rows are.
    put('straps', straps.stitches - own.many * straps.count * straps.wide, strapPanel.swatch);
  } else if (own && straps) {
    put('straps', straps.stitches, own.swatch);
    chain('straps', straps.chains, own.swatch);
  }
  for (const { band, rows } of bands) put('straps', rows * band.wide * band.many, band.swatch);
  if (closure?.of === 'button' || closure?.of === 'toggle')
    chain('closure', closure.chains * placesMany(closure.places), first);
  // A cord is a chain, as long as it is.
  if (cord) chain('cord', cord.length / must(gauge.get(first), 'swatch').pitch, first);
  add('joins', 0, joins.yarn);
  const all = YARN_PARTS.flatMap((part): PartEffort[] => {
    const one = parts.get(part);
    return one ? [{ part, stitches: whole(one.stitches), yarn: one.yarn }] : [];
  });
  const stitches = all.reduce((sum, one) => sum + one.stitches, 0);
  return {
    parts: all,
    panelColours: colours.panels.inOrder(document),
    motifColours: colours.motifs.inOrder(document),
    stitches,
    yarn: all.reduce((sum, one) => sum + one.yarn, 0),
    minutes: work / STITCHES_A_MINUTE + joins.insertions / JOINS_A_MINUTE + joins.ends / ENDS_A_MINUTE,
  };
}

/** What is taken of each yarn. */
class Colours {
  readonly #of = new Map<string, { readonly stitches: number; readonly length: number }>();

  add(yarn: string, stitches: number, length: number): void {
    const before = this.#of.get(yarn) ?? { stitches: 0, length: 0 };
    this.#of.set(yarn, { stitches: before.stitches + stitches, length: before.length + length });
  }

  inOrder({ yarns }: Pick<BagDocument, 'yarns'>): ColourEffort[] {
    return yarns.flatMap(({ id }) => {
      const one = this.#of.get(id);
      return one ? [{ yarn: id, stitches: whole(one.stitches), length: one.length }] : [];
    });
  }
}
