import type { BagGraph } from '../bag/index.ts';
import { type ClosurePlan, type CordPlan, placesMany } from '../closure/index.ts';
import type { BagDocument, Motif } from '../document/index.ts';
import { motifOf, panelOf, swatchOf } from '../document/look-up.ts';
import type { EdgeCount } from '../edging/index.ts';
import type { TopKind } from '../fabric/index.ts';
import { swatchGauge } from '../fit/index.ts';
import { groupBy, must, whole } from '../geometry/index.ts';
import { ownRoundTops } from '../motif/index.ts';
import { TAIL } from '../runs/index.ts';
import type { Stitch } from '../stitches/index.ts';
import type { BandPlan, StrapPlan } from '../strap/index.ts';
import { panelColours, rowColours, writtenColours } from '../stripes/index.ts';
import { panelTops, type SizedTops, writtenTops } from './panel-tops.ts';
import { roundStitches } from './stitches-of.ts';
import {
  byColour,
  lengthOf,
  YARN_PARTS,
  type YarnNeed,
  type YarnPart,
  type YarnUse,
  yarnNeeds,
} from './uses.ts';

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
  /** Every use of every yarn: all other figures of yarn are sums of these. */
  readonly uses: readonly YarnUse[];
  /** What each yarn comes to, in the order of the bag's yarns. */
  readonly needs: readonly YarnNeed[];
  readonly parts: readonly PartEffort[];
  /** What panels take, colour by colour, in the order of the bag's yarns. */
  readonly panelColours: readonly ColourEffort[];
  /** What motifs take, each in its design, the same way. */
  readonly motifColours: readonly ColourEffort[];
  readonly stitches: number;
  readonly yarn: number;
  readonly minutes: number;
}

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

/** Joins as they are worked out: their ends, insertions, and yarn with its tails. */
export interface Joined {
  readonly ends: number;
  readonly insertions: number;
  readonly uses: ReadonlyArray<Pick<YarnUse, 'what' | 'yarn' | 'length'>>;
}

/** How often each yarn is begun in rounds of these colours: at the first, and wherever it is another than before. */
export function begunIn(colours: readonly string[]): Map<string, number> {
  const begun = new Map<string, number>();
  colours.forEach((yarn, i) => {
    if (i === 0 || yarn !== colours[i - 1]) begun.set(yarn, (begun.get(yarn) ?? 0) + 1);
  });
  return begun;
}

const timesText = (many: number) => (many > 1 ? `, in ${many} of them` : '');

/** What is ripped back and cannot be used again, per cent, until its maker says otherwise. */
export const USUAL_RIPPING = 3;

/** Parts that are worked stitch by stitch: of them something is ripped back. */
const WORKED: readonly YarnPart[] = ['motifs', 'panels', 'edge', 'straps', 'closure', 'cord'];
/** A swatch until it is measured: so long and so wide, mm. */
const SWATCH_SIDE = 120;

/**
 * Counts every stitch of the bag, gives each its yarn by gauge and kind, and all work its time.
 *
 * @param designs colourway of each motif, by piece.
 */
export function effortOf(
  document: BagDocument,
  graph: BagGraph,
  designs: ReadonlyMap<string, string>,
  { edges, straps, bands, closure, cord }: Extras,
  joins: Joined,
): Effort {
  const gauge = new Map(
    document.swatches.map((swatch) => {
      const { pitch, row } = swatchGauge(document, swatch);
      return [swatch.id, { ...swatch, pitch: pitch.value, row: row.value }] as const;
    }),
  );
  const swatchIn = (id: string) => must(gauge.get(id), 'swatch');
  const first = must(document.swatches[0], 'swatch');
  const uses: YarnUse[] = [];
  /** All stitches, as low stitches that take as long. */
  let work = 0;
  const worked = new Set<string>();

  /** So many stitches of a swatch's own. */
  const put = (part: YarnPart, what: string, many: number, id: string) => {
    const { pitch, stitch, strands, yarn } = swatchIn(id);
    worked.add(id);
    work += many * TIME_OF_TOP[stitch];
    uses.push({ part, what, yarn, stitches: many, length: many * YARN_BY_PITCH[stitch] * pitch * strands });
  };
  /** So many chains. */
  const chain = (part: YarnPart, what: string, many: number, id: string) => {
    const { pitch, strands, yarn } = swatchIn(id);
    worked.add(id);
    work += many;
    uses.push({ part, what, yarn, stitches: many, length: many * CHAIN_BY_PITCH * pitch * strands });
  };
  /** Rows as they are written, or as a fabric has them: stitches and mm of yarn. */
  const rowOf = (sized: readonly SizedTops[]) => {
    let [stitches, length] = [0, 0];
    for (const { swatch, tops } of sized) {
      const { pitch, strands } = swatchIn(swatch);
      worked.add(swatch);
      for (const [kind, many] of tops) {
        if (kind !== 'chain') stitches += many;
        length += many * YARN_OF_TOP[kind] * pitch * strands;
        work += many * TIME_OF_TOP[kind];
      }
    }
    return { stitches, length };
  };
  /** Rows of a piece, each in its colour, as one use of each. */
  const rowsIn = (
    part: YarnPart,
    what: string,
    rows: number,
    tops: (row: number) => readonly SizedTops[],
    yarn: (row: number) => string,
    times = 1,
  ) => {
    const own = new Map<string, { stitches: number; length: number }>();
    for (let k = 0; k < times; k++)
      for (let row = 1; row <= rows; row++) {
        const { stitches, length } = rowOf(tops(row));
        const before = own.get(yarn(row)) ?? { stitches: 0, length: 0 };
        own.set(yarn(row), { stitches: before.stitches + stitches, length: before.length + length });
      }
    for (const [id, one] of own) uses.push({ part, what, yarn: id, ...one });
  };
  const tails = (what: string, yarn: string, many: number, strands: number) =>
    uses.push({ part: 'tails', what: `Ends of ${what}`, yarn, stitches: 0, length: many * TAIL * strands });

  // Hundreds of squares are of a few kinds: each kind is counted once.
  const alike = groupBy(graph.pieces, ({ id, make }) =>
    make.of === 'motif' ? `${make.motif} ${make.rounds} ${designs.get(id) ?? ''}` : '',
  );
  for (const [kind, pieces] of alike) {
    const make = pieces[0]?.make;
    if (kind && make?.of === 'motif') {
      const motif = motifOf(document, make.motif);
      const way = motif.colourways.find(({ id }) => id === designs.get(pieces[0]?.id ?? ''));
      const { pitch, strands, stitch, yarn: plain } = swatchIn(motif.swatch);
      worked.add(motif.swatch);
      const name = way && motif.colourways.length > 1 ? way.name : motif.name;
      const colours = Array.from(
        { length: make.rounds },
        (_, r) => way?.rounds[Math.min(r, way.rounds.length - 1)] ?? plain,
      );
      colours.forEach((yarn, r) => {
        const one = roundWork(motif, r + 1, stitch);
        work += pieces.length * one.time;
        uses.push({
          part: 'motifs',
          what: `${name}, round ${r + 1}${timesText(pieces.length)}`,
          yarn,
          stitches: pieces.length * one.stitches,
          length: pieces.length * one.pitches * pitch * strands,
        });
      });
      for (const [yarn, begun] of begunIn(colours))
        tails(`${name}${timesText(pieces.length)}`, yarn, 2 * begun * pieces.length, strands);
      continue;
    }
    for (const piece of pieces) {
      if (piece.make.of !== 'panel') continue;
      const { strands } = swatchIn(piece.make.swatch);
      rowsIn('panels', piece.name, piece.make.rows, panelTops(document, piece), rowColours(document, piece));
      for (const { yarn, ends } of panelColours(document, piece).endsOf)
        tails(piece.name, yarn, ends, strands);
    }
  }
  const { edging } = graph.trim ?? {};
  for (let k = 0; edging && k < edging.rounds; k++)
    put(
      'edge',
      `Edge round ${k + 1}`,
      edges.reduce((sum, { rounds }) => sum + (rounds[k] ?? 0), 0),
      edging.swatch,
    );
  const own = document.finish?.straps;
  const strapPanel = own?.panel === undefined ? undefined : panelOf(document, own.panel);
  if (own && straps && strapPanel) {
    const swatch = swatchOf(document, strapPanel.swatch);
    const colour = writtenColours(document, strapPanel, swatch) ?? (() => swatch.yarn);
    rowsIn('straps', strapPanel.name, straps.count, writtenTops(strapPanel, swatch), colour, own.many);
    // What lies doubled is worked on as its rows are.
    put(
      'straps',
      `${strapPanel.name}, where it lies doubled`,
      straps.stitches - own.many * straps.count * straps.wide,
      strapPanel.swatch,
    );
  } else if (own && straps) {
    put('straps', own.many > 1 ? 'Straps' : 'Strap', straps.stitches, own.swatch);
    if (straps.chains > 0) chain('straps', 'Chains of the straps', straps.chains, own.swatch);
  }
  for (const { band, rows } of bands) put('straps', band.name, rows * band.wide * band.many, band.swatch);
  if (closure?.of === 'button' || closure?.of === 'toggle')
    chain('closure', 'Loops of the closure', closure.chains * placesMany(closure.places), first.id);
  // A cord is a chain, as long as it is.
  if (cord) chain('cord', 'Cord', cord.length / swatchIn(first.id).pitch, first.id);
  for (const { what, yarn, length } of joins.uses)
    uses.push({ part: 'joins', what, yarn, stitches: 0, length });

  const { ripping = USUAL_RIPPING, swatches = true } = document.allowances ?? {};
  if (swatches)
    for (const id of worked) {
      const { name, yarn, stitch, strands, pitch, row, stitches: across, rows: high } = swatchIn(id);
      const many = (across?.count ?? SWATCH_SIDE / pitch) * (high?.count ?? SWATCH_SIDE / row);
      uses.push({
        part: 'swatches',
        what: name,
        yarn,
        stitches: 0,
        length: many * YARN_BY_PITCH[stitch] * pitch * strands,
      });
    }
  if (ripping > 0)
    for (const { yarn, length } of byColour(
      document,
      uses.filter(({ part }) => WORKED.includes(part)),
    ))
      uses.push({
        part: 'ripping',
        what: `Ripped back, ${ripping} %`,
        yarn,
        stitches: 0,
        length: (length * ripping) / 100,
      });

  const all = YARN_PARTS.flatMap((part): PartEffort[] => {
    const some = uses.filter((use) => use.part === part);
    return some.length > 0
      ? [{ part, stitches: whole(some.reduce((sum, one) => sum + one.stitches, 0)), yarn: lengthOf(some) }]
      : [];
  });
  return {
    uses,
    needs: yarnNeeds(document, uses),
    parts: all,
    panelColours: byColour(
      document,
      uses.filter(({ part }) => part === 'panels'),
    ),
    motifColours: byColour(
      document,
      uses.filter(({ part }) => part === 'motifs'),
    ),
    stitches: all.reduce((sum, one) => sum + one.stitches, 0),
    yarn: lengthOf(uses),
    minutes: work / STITCHES_A_MINUTE + joins.insertions / JOINS_A_MINUTE + joins.ends / ENDS_A_MINUTE,
  };
}
