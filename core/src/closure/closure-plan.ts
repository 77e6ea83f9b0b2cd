import { type BagGraph, flapReach, measure } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { type EdgeCount, type FlapTip, faceStitches } from '../edging/index.ts';
import { type ContentFit, packed, roomOf, sizeTable } from '../fit/index.ts';
import { evenPlaces, holePlaces, holeSkip, loopChains, zipFor } from './closures.ts';

/** Places along the first edge round of both faces, each after so many stitches counted from either side. */
export interface FacePlaces {
  readonly on: 'faces';
  readonly front: readonly number[];
  readonly back: readonly number[];
  /** Stitches of the round that lie on each face. */
  readonly stitches: { readonly front: number; readonly back: number };
  /** Stitches that each thing takes there. */
  readonly wide: { readonly front: number; readonly back: number };
  /** Whether the same counts hold on both faces. */
  readonly agree: boolean;
}

/** Places along the lowest edge of a flap, or one at its lowest point; and as many on the front, straight under them. */
export interface FlapPlaces {
  readonly on: 'flap';
  readonly at: FlapTip['is'];
  /** Stitches of the first edge round along that edge, or round the whole flap that ends in a point. */
  readonly stitches: number;
  /** Those that each thing takes there. */
  readonly wide: number;
  readonly after: readonly number[];
  /** From the rim down the front to what is there, mm. */
  readonly below: number;
}

/** How far a loop must reach from one rim to the other over the full bag, mm, and where that comes from. */
export interface Over {
  readonly length: number;
  readonly from: 'maker' | 'contents' | 'depth' | 'guess';
}

/** What closes the bag, in figures. */
export type ClosurePlan =
  | { readonly of: 'zip'; readonly length: number | undefined }
  | {
      readonly of: 'button' | 'toggle';
      readonly chains: number;
      /** From rim to rim; the loop of a flap reaches over nothing. */
      readonly over: Over | undefined;
      readonly places: FacePlaces | FlapPlaces;
    }
  | {
      readonly of: 'holes';
      /** Stitches skipped for each hole, and chains over them. */
      readonly skip: number;
      readonly places: FacePlaces | FlapPlaces;
    }
  | { readonly of: 'magnet'; readonly places: FacePlaces | FlapPlaces }
  | { readonly of: 'eyelets'; readonly places: FacePlaces };

/** A bag that is laid flat is taken to be filled to this share of its width, until contents or maker say more. */
const FILLED = 0.25;

/** How far apart the rims of the full bag are. */
function overFull(graph: BagGraph, contents: readonly ContentFit[], own: number | undefined): Over {
  if (own !== undefined) return { length: own, from: 'maker' };
  const { width, depth } = measure(graph);
  const thick = contents.length > 0 ? packed(contents, roomOf(graph)).thick : 0;
  if (thick > depth) return { length: thick, from: 'contents' };
  if (depth > FILLED * width) return { length: depth, from: 'depth' };
  return { length: Math.max(depth, FILLED * width), from: 'guess' };
}

/** What lies under a flap is fixed so far above its edge, mm. */
const ABOVE = 20;

/** What a flap's places are counted in, and what they are. */
type Counted = Pick<FlapPlaces, 'stitches' | 'after'>;

const alongEdge = ({ from, to }: FlapTip, many: number, wide: number): Counted => ({
  stitches: to - from,
  after: wide > 0 ? holePlaces(to - from, many, wide) : evenPlaces(to - from, many),
});

/** A point has room for one, about its middle; it is counted from where the flap begins. */
function atPoint(edges: readonly EdgeCount[], { from, to }: FlapTip, many: number, wide: number): Counted {
  const own = (edges[0]?.parts ?? []).find(
    (part) => part.face === 'flap' && part.from <= from && from <= part.to,
  );
  const { from: begin, to: end } = own ?? { from, to };
  return { stitches: end - begin, after: many === 1 ? [Math.floor((from + to - wide) / 2) - begin] : [] };
}

/**
 * What closes the bag, by counts. A flap that hangs down the front is what is closed, by its lowest edge; a zip and
 * eyelets are the mouth's own.
 *
 * @param edges the edge rounds of every rim, the mouth first.
 * @param contents what it must hold, each held against the bag: the loop of a button reaches over it.
 */
export function closurePlan(
  document: BagDocument,
  graph: BagGraph,
  edges: readonly EdgeCount[],
  contents: readonly ContentFit[],
): ClosurePlan | undefined {
  const closure = document.finish?.closure;
  const [swatch] = document.swatches;
  if (!closure || !swatch) return undefined;
  const pitch = sizeTable(document).swatch(swatch.id).gauge.pitch.value;
  const stitches = faceStitches(edges);
  const alike = { on: 'faces', stitches, agree: stitches.front === stitches.back } as const;
  const tip = edges[0]?.tip;
  const { height } = measure(graph);
  const reach = flapReach(graph)?.reach ?? 0;
  /** So many things along a flap, each so many stitches wide, and so far below its edge, mm. */
  const onFlap = (many: number, wide: number, under: number): FlapPlaces | undefined =>
    tip && {
      on: 'flap',
      at: tip.is,
      wide,
      ...(tip.is === 'edge' ? alongEdge(tip, many, wide) : atPoint(edges, tip, many, wide)),
      below: Math.min(height, Math.max(0, reach + under)),
    };
  /** So many points along the flap, and so far below its edge, mm; or along both rims. */
  const even = (many: number, under: number): FacePlaces | FlapPlaces =>
    onFlap(many, 0, under) ?? {
      ...alike,
      front: evenPlaces(stitches.front, many),
      back: evenPlaces(stitches.back, many),
      wide: { front: 0, back: 0 },
    };
  /** A loop of a rim reaches over what is in the bag, unless the maker says how far. */
  const overOf = (own: number | undefined) => (tip ? undefined : overFull(graph, contents, own));
  switch (closure.of) {
    case 'zip':
      return { of: 'zip', length: zipFor(measure(graph).opening) };
    case 'button': {
      const over = overOf(closure.over);
      // The loop hangs from the flap's edge, and the button shows below it.
      const chains = loopChains(closure.diameter, over?.length ?? 0, pitch);
      return { of: 'button', chains, over, places: even(closure.many, closure.diameter) };
    }
    case 'toggle': {
      const over = overOf(closure.over);
      // A toggle goes through its loop lengthwise, and is held across.
      return {
        of: 'toggle',
        chains: loopChains(closure.length / 2, over?.length ?? 0, pitch),
        over,
        places: even(1, closure.length / 2),
      };
    }
    case 'holes': {
      const skip = holeSkip(closure.diameter, pitch);
      // Those of a flap lie in its own edge rounds.
      const flapped = onFlap(closure.many, skip, 0);
      if (flapped) return { of: 'holes', skip, places: flapped };
      const wide = { front: skip, back: 0 };
      const front = holePlaces(stitches.front, closure.many, skip);
      const back = evenPlaces(stitches.back, closure.many);
      return { of: 'holes', skip, places: { ...alike, front, back, wide } };
    }
    case 'magnet':
      return { of: 'magnet', places: even(1, -ABOVE) };
    case 'eyelets': {
      const holes = (face: 'front' | 'back') => holePlaces(stitches[face], closure.perFace, 1);
      const wide = { front: 1, back: 1 };
      return { of: 'eyelets', places: { ...alike, front: holes('front'), back: holes('back'), wide } };
    }
  }
}

/** How many loops, or holes, there are. */
export const placesMany = (places: FacePlaces | FlapPlaces): number =>
  places.on === 'flap' ? places.after.length : places.back.length;
