import { type BagGraph, measure } from '../bag/index.ts';
import type { BagDocument, Closure } from '../document/index.ts';
import { placeContents, sizeTable } from '../fit/index.ts';
import { evenPlaces, holePlaces, holeSkip, loopChains, zipFor } from './closures.ts';

/** Places along the first edge round of both faces, each after so many stitches counted from either side. */
export interface FacePlaces {
  readonly front: readonly number[];
  readonly back: readonly number[];
  /** Stitches of the round that lie on each face. */
  readonly stitches: { readonly front: number; readonly back: number };
  /** Stitches that each thing takes there. */
  readonly wide: { readonly front: number; readonly back: number };
  /** Whether the same counts hold on both faces. */
  readonly agree: boolean;
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
      readonly over: Over;
      readonly places: FacePlaces;
    }
  | {
      readonly of: 'holes';
      /** Stitches skipped for each hole, and chains over them. */
      readonly skip: number;
      readonly places: FacePlaces;
    }
  | { readonly of: 'magnet' | 'eyelets'; readonly places: FacePlaces };

/** A bag that is laid flat is taken to be filled to this share of its width, until contents or maker say more. */
const FILLED = 0.25;

/** How far apart the rims of the full bag are. */
function overFull({ brief }: BagDocument, graph: BagGraph, closure: Closure): Over {
  const own = closure.of === 'button' || closure.of === 'toggle' ? closure.over : undefined;
  if (own !== undefined) return { length: own, from: 'maker' };
  const { width, depth } = measure(graph);
  const held = placeContents(brief.contents ?? [], width).map(({ at, size }) => [
    at.z - size.z / 2,
    at.z + size.z / 2,
  ]);
  const thick = held.length > 0 ? Math.max(...held.flat()) - Math.min(...held.flat()) : 0;
  if (thick > depth) return { length: thick, from: 'contents' };
  if (depth > FILLED * width) return { length: depth, from: 'depth' };
  return { length: Math.max(depth, FILLED * width), from: 'guess' };
}

/**
 * What closes the bag, by counts.
 *
 * @param stitches of the first edge round on either face.
 */
export function closurePlan(
  document: BagDocument,
  graph: BagGraph,
  stitches: { readonly front: number; readonly back: number },
): ClosurePlan | undefined {
  const closure = document.finish?.closure;
  const [swatch] = document.swatches;
  if (!closure || !swatch) return undefined;
  const pitch = sizeTable(document).swatch(swatch.id).gauge.pitch.value;
  const agree = stitches.front === stitches.back;
  const even = (many: number): FacePlaces => ({
    front: evenPlaces(stitches.front, many),
    back: evenPlaces(stitches.back, many),
    stitches,
    wide: { front: 0, back: 0 },
    agree,
  });
  const over = overFull(document, graph, closure);
  switch (closure.of) {
    case 'zip':
      return { of: 'zip', length: zipFor(measure(graph).opening) };
    case 'button': {
      const chains = loopChains(closure.diameter, over.length, pitch);
      return { of: 'button', chains, over, places: even(closure.many) };
    }
    case 'toggle':
      // A toggle goes through its loop lengthwise, and is held across.
      return {
        of: 'toggle',
        chains: loopChains(closure.length / 2, over.length, pitch),
        over,
        places: even(1),
      };
    case 'holes': {
      const skip = holeSkip(closure.diameter, pitch);
      const front = holePlaces(stitches.front, closure.many, skip);
      return { of: 'holes', skip, places: { ...even(closure.many), front, wide: { front: skip, back: 0 } } };
    }
    case 'magnet':
      return { of: 'magnet', places: even(1) };
    case 'eyelets': {
      const holes = (face: 'front' | 'back') => holePlaces(stitches[face], closure.perFace, 1);
      const places = { ...even(0), front: holes('front'), back: holes('back'), wide: { front: 1, back: 1 } };
      return { of: 'eyelets', places };
    }
  }
}
