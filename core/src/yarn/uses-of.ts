import type { BagGraph, Piece } from '../bag/index.ts';
import { type ClosurePlan, type CordPlan, placesMany } from '../closure/index.ts';
import type { BagDocument } from '../document/index.ts';
import { motifOf, panelOf, swatchOf } from '../document/look-up.ts';
import type { EdgeCount } from '../edging/index.ts';
import { groupBy, must } from '../geometry/index.ts';
import type { BandPlan, StrapPlan } from '../strap/index.ts';
import { panelColours, rowColours, writtenColours } from '../stripes/index.ts';
import { Gathering } from './gathering.ts';
import { panelTops, writtenTops } from './panel-tops.ts';
import { YARN_BY_PITCH } from './rates.ts';
import { begunIn, roundColours, roundWork } from './round-work.ts';
import { byColour, type YarnPart, type YarnUse } from './uses.ts';

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

/** What is ripped back and cannot be used again, per cent, until its maker says otherwise. */
export const USUAL_RIPPING = 3;

/** Parts that are worked stitch by stitch: of them something is ripped back. */
const WORKED: readonly YarnPart[] = ['motifs', 'panels', 'edge', 'straps', 'closure', 'cord'];
/** A swatch until it is measured: so long and so wide, mm. */
const SWATCH_SIDE = 120;

/**
 * Every use of yarn of a bag: its pieces and their ends, what is put on it, its joins, and what is added to them.
 *
 * @param designs colourway of each motif, by piece.
 */
export function usesOf(
  document: BagDocument,
  graph: BagGraph,
  designs: ReadonlyMap<string, string>,
  extras: Extras,
  joins: Joined,
): Pick<Gathering, 'uses' | 'work'> {
  const all = new Gathering(document);
  // Hundreds of squares are of a few kinds: each kind is counted once.
  const alike = groupBy(graph.pieces, ({ id, make }) =>
    make.of === 'motif' ? `${make.motif} ${make.rounds} ${designs.get(id) ?? ''}` : id,
  );
  for (const pieces of alike.values()) {
    const piece = must(pieces[0], 'piece');
    if (piece.make.of === 'panel') panel(all, document, piece);
    else motifs(all, document, piece, designs.get(piece.id), pieces.length);
  }
  put(all, document, graph, extras);
  for (const { what, yarn, length } of joins.uses)
    all.add({ part: 'joins', what, yarn, stitches: 0, length });
  added(all, document);
  return all;
}

const timesText = (many: number) => (many > 1 ? `, in ${many} of them` : '');

/** So many motifs of one design, round by round. */
function motifs(
  all: Gathering,
  document: BagDocument,
  { make }: Piece,
  design: string | undefined,
  many: number,
): void {
  if (make.of !== 'motif') return;
  const motif = motifOf(document, make.motif);
  const way = motif.colourways.find(({ id }) => id === design);
  const { pitch, strands, stitch, yarn: plain } = all.swatch(motif.swatch);
  all.worked.add(motif.swatch);
  const name = way && motif.colourways.length > 1 ? way.name : motif.name;
  const colours = roundColours(way, make.rounds, plain);
  colours.forEach((yarn, r) => {
    const one = roundWork(motif, r + 1, stitch);
    all.work += many * one.time;
    all.add({
      part: 'motifs',
      what: `${name}, round ${r + 1}${timesText(many)}`,
      yarn,
      stitches: many * one.stitches,
      length: many * one.pitches * pitch * strands,
    });
  });
  for (const [yarn, begun] of begunIn(motif, colours))
    all.tails(`${name}${timesText(many)}`, yarn, 2 * begun * many, strands);
}

/** A panel, each of its colours by its rows. */
function panel(all: Gathering, document: BagDocument, piece: Piece): void {
  const { name, make } = piece;
  if (make.of !== 'panel') return;
  all.rows('panels', name, make.rows, panelTops(document, piece), rowColours(document, piece));
  const { strands } = all.swatch(make.swatch);
  for (const { yarn, ends } of panelColours(document, piece).endsOf) all.tails(name, yarn, ends, strands);
}

/** What is put on the joined bag. */
function put(
  all: Gathering,
  document: BagDocument,
  graph: BagGraph,
  { edges, straps, bands, closure, cord }: Extras,
): void {
  const first = must(document.swatches[0], 'swatch').id;
  const { edging } = graph.trim ?? {};
  for (let k = 0; edging && k < edging.rounds; k++) {
    const stitches = edges.reduce((sum, { rounds }) => sum + (rounds[k] ?? 0), 0);
    all.put('edge', `Edge round ${k + 1}`, stitches, edging.swatch);
  }
  const own = document.finish?.straps;
  const written = own?.panel === undefined ? undefined : panelOf(document, own.panel);
  if (own && straps && written) {
    const { name } = written;
    const swatch = swatchOf(document, written.swatch);
    const colour = writtenColours(document, written, swatch) ?? (() => swatch.yarn);
    all.rows('straps', name, straps.count, writtenTops(written, swatch), colour, own.many);
    // What lies doubled is worked on as its rows are.
    const doubled = straps.stitches - own.many * straps.count * straps.wide;
    all.put('straps', `${name}, where it lies doubled`, doubled, written.swatch);
  } else if (own && straps) {
    all.put('straps', own.many > 1 ? 'Straps' : 'Strap', straps.stitches, own.swatch);
    all.chain('straps', 'Chains of the straps', straps.chains, own.swatch);
  }
  for (const { band, rows } of bands) all.put('straps', band.name, rows * band.wide * band.many, band.swatch);
  if (closure?.of === 'button' || closure?.of === 'toggle')
    all.chain('closure', 'Loops of the closure', closure.chains * placesMany(closure.places), first);
  // A cord is a chain, as long as it is.
  if (cord) all.chain('cord', 'Cord', cord.length / all.swatch(first).pitch, first);
}

/** What is added to the yarn of the bag itself: a swatch of each gauge that is worked in, and what is ripped back. */
function added(all: Gathering, document: BagDocument): void {
  const { ripping = USUAL_RIPPING, swatches = true } = document.allowances ?? {};
  if (swatches)
    for (const id of all.worked) {
      const { name, yarn, stitch, strands, pitch, row, stitches: across, rows: high } = all.swatch(id);
      const many = (across?.count ?? SWATCH_SIDE / pitch) * (high?.count ?? SWATCH_SIDE / row);
      const length = many * YARN_BY_PITCH[stitch] * pitch * strands;
      all.add({ part: 'swatches', what: `Swatch: ${name}`, yarn, stitches: 0, length });
    }
  const worked = all.uses.filter(({ part }) => WORKED.includes(part));
  for (const { yarn, length } of byColour(document, worked))
    all.add({
      part: 'ripping',
      what: `Ripped back, ${ripping} %`,
      yarn,
      stitches: 0,
      length: (length * ripping) / 100,
    });
}
