import type { BagGraph, Piece } from '../bag/index.ts';
import { type ClosurePlan, type CordPlan, placesMany } from '../closure/index.ts';
import type { BagDocument, Colourway, Motif } from '../document/index.ts';
import { motifOf, panelOf, swatchOf } from '../document/look-up.ts';
import type { EdgeCount } from '../edging/index.ts';
import { groupBy, must } from '../geometry/index.ts';
import { type BandPlan, isStrap, type StrapPlan } from '../strap/index.ts';
import { panelColours, rowColours, writtenColours } from '../stripes/index.ts';
import { Gathering } from './gathering.ts';
import type { Learnt } from './learn.ts';
import { panelTops, writtenTops } from './panel-tops.ts';
import { TIME_OF_TOP, YARN_BY_PITCH } from './rates.ts';
import { begunIn, roundColours, roundWork } from './round-work.ts';
import type { YarnPart, YarnUse } from './uses.ts';

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
  readonly uses: ReadonlyArray<
    Pick<YarnUse, 'what' | 'yarn' | 'length'> & { readonly when: 'flat' | 'close' }
  >;
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
  known: Pick<Learnt, 'factors'>,
): Pick<Gathering, 'uses' | 'work'> {
  const all = new Gathering(document, known);
  // Hundreds of squares are of a few kinds: each kind is counted once.
  const alike = groupBy(graph.pieces, ({ id, make }) =>
    make.of === 'motif' ? `${make.motif} ${make.rounds} ${designs.get(id) ?? ''}` : id,
  );
  for (const pieces of alike.values()) {
    const piece = must(pieces[0], 'piece');
    if (piece.make.of === 'panel') panel(all, document, piece);
    else motifs(all, document, pieces, designs.get(piece.id));
  }
  put(all, document, graph, extras);
  for (const { what, yarn, length, when } of joins.uses) {
    all.begin(when, what);
    all.add({ part: 'joins', what, yarn, stitches: 0, length });
  }
  added(all, document);
  return all;
}

const timesText = (many: number) => (many > 1 ? `, in ${many} of them` : '');

/** Motifs that are all of one design, round by round. */
function motifs(
  all: Gathering,
  document: BagDocument,
  pieces: readonly Piece[],
  design: string | undefined,
): void {
  const { make } = must(pieces[0], 'piece');
  if (make.of !== 'motif') return;
  const many = pieces.length;
  const motif = motifOf(document, make.motif);
  const way = motif.colourways.find(({ id }) => id === design);
  const { strands, stitch, yarn: plain } = all.swatch(motif.swatch);
  const name = designName(document, motif, way);
  all.begin(
    'pieces',
    name,
    many,
    pieces.map(({ id }) => id),
  );
  const colours = roundColours(way, make.rounds, plain);
  colours.forEach((yarn, r) => {
    const one = roundWork(motif, r + 1, stitch);
    all.toil('motifs', many * one.time);
    const what = `${name}, round ${r + 1}${timesText(many)}`;
    const within = r + 1 < make.rounds ? ({ inner: true } as const) : {};
    all.pitches('motifs', what, many * one.stitches, many * one.pitches, motif.swatch, yarn, within);
  });
  for (const [yarn, begun] of begunIn(motif, colours))
    all.tails(`${name}${timesText(many)}`, yarn, 2 * begun * many, strands);
}

/** What a motif of one design is called: by its colourway, where that tells it from all others. */
export function designName({ motifs }: BagDocument, motif: Motif, way: Colourway | undefined): string {
  if (!way || motif.colourways.length === 1) return motif.name;
  const alike = motifs.flatMap(({ colourways }) => colourways.filter(({ name }) => name === way.name));
  return alike.length > 1 ? `${motif.name}, ${way.name}` : way.name;
}

/** A panel, each of its colours by its rows. */
function panel(all: Gathering, document: BagDocument, piece: Piece): void {
  const { name, make } = piece;
  if (make.of !== 'panel') return;
  all.begin('pieces', name, 1, [piece.id]);
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
    all.begin('edge', `Edge round ${k + 1}`);
    all.put('edge', `Edge round ${k + 1}`, stitches, edging.swatch);
  }
  const own = document.finish?.straps;
  const written = own?.panel === undefined ? undefined : panelOf(document, own.panel);
  all.begin('straps', 'Strap', own?.many);
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
  for (const one of bands) {
    const { band, rows } = one;
    all.begin(isStrap(one) ? 'straps' : 'waist', band.name, band.many);
    all.put('straps', band.name, rows * band.wide * band.many, band.swatch);
  }
  all.begin('closure', 'Loops of the closure');
  if (closure?.of === 'button' || closure?.of === 'toggle')
    all.chain('closure', 'Loops of the closure', closure.chains * placesMany(closure.places), first);
  all.begin('cord', 'Cord');
  // A cord is a chain, as long as it is.
  if (cord) all.chain('cord', 'Cord', cord.length / all.swatch(first).pitch, first);
}

/** What is added to the yarn of the bag itself: a swatch of each gauge that is worked in, and what is ripped back. */
function added(all: Gathering, document: BagDocument): void {
  const { ripping = USUAL_RIPPING, swatches = true } = document.allowances ?? {};
  const worked = all.uses.filter(({ part }) => WORKED.includes(part));
  if (swatches)
    for (const id of [...all.worked]) {
      const { name, stitch, pitch, row, stitches: across, rows: high } = all.swatch(id);
      const many = (across?.count ?? SWATCH_SIDE / pitch) * (high?.count ?? SWATCH_SIDE / row);
      const what = `Swatch: ${name}`;
      all.begin('swatch', what);
      all.pitches('swatches', what, 0, many * YARN_BY_PITCH[stitch], id);
      all.toil('swatches', many * TIME_OF_TOP[stitch]);
    }
  for (const use of ripping > 0 ? worked : [])
    all.uses.push({
      ...use,
      part: 'ripping',
      what: `Ripped back, ${ripping} %`,
      stitches: 0,
      length: (use.length * ripping) / 100,
    });
}
