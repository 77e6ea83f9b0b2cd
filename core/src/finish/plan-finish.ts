import { measure } from '../bag/index.ts';
import { sizeTable } from '../fit/index.ts';
import type { Plan } from '../plan/index.ts';
import { faceLoops, type StrapPlan } from '../strap/index.ts';
import { cordLength, evenPlaces, eyeletGaps, holePlaces, holeSkip, loopChains, zipFor } from './closures.ts';
import { type EdgeCount, edgeCount, roundsToFill } from './edge.ts';
import { type EdgeStrip, edgeStrip } from './edge-strip.ts';
import { type FlapReach, flapReach } from './flap-reach.ts';
import { type LiningPiece, liningPieces, type ReadyVerdict, readyVerdict } from './lining.ts';
import { inOrder, type Operation, operationsOf, warningsOf } from './order.ts';

/** What closes the bag, in figures. */
export type ClosurePlan =
  | { readonly of: 'zip'; readonly length: number | undefined }
  | {
      readonly of: 'button';
      readonly chains: number;
      readonly places: readonly number[];
      readonly loops: number;
    }
  | {
      readonly of: 'toggle';
      readonly chains: number;
      readonly places: readonly number[];
      readonly loops: number;
    }
  | {
      readonly of: 'holes';
      /** Stitches skipped for each hole, and chains over them. */
      readonly skip: number;
      /** Loops before each hole. */
      readonly places: readonly number[];
      readonly loops: number;
    }
  | { readonly of: 'magnet'; readonly places: readonly number[]; readonly loops: number }
  | {
      readonly of: 'eyelets';
      readonly front: readonly number[];
      readonly back: readonly number[];
      readonly agree: boolean;
    };

export interface FinishPlan {
  readonly edge: EdgeCount | undefined;
  /** The first edge round rolled out, with what is fixed along it. */
  readonly strip: EdgeStrip | undefined;
  readonly flap: FlapReach | undefined;
  readonly front: number;
  readonly back: number;
  readonly straps: StrapPlan | undefined;
  readonly closure: ClosurePlan | undefined;
  /** A drawstring's cord, mm, and the loops from eyelet to eyelet. */
  readonly cord: { readonly length: number; readonly gaps: readonly number[] } | undefined;
  readonly lining: readonly LiningPiece[];
  readonly ready: ReadyVerdict | undefined;
  /** Edge rounds in all that bring the bag up to the rim of a ready-made lining. */
  readonly fill: FillUp | undefined;
  readonly operations: readonly Operation[];
  readonly warnings: readonly string[];
}

function closurePlan(
  { document, graph }: Plan,
  { front, back }: ReturnType<typeof faceLoops>,
): ClosurePlan | undefined {
  const closure = document.finish?.closure;
  const [swatch] = document.swatches;
  if (!closure || !swatch) return undefined;
  const { opening, depth } = measure(graph);
  const pitch = sizeTable(document).swatch(swatch.id).gauge.pitch.value;
  switch (closure.of) {
    case 'zip':
      return { of: 'zip', length: zipFor(opening) };
    case 'button':
      return {
        of: 'button',
        chains: loopChains(closure.diameter, depth, pitch),
        places: evenPlaces(front, closure.many),
        loops: front,
      };
    case 'holes': {
      const skip = holeSkip(closure.diameter, pitch);
      return {
        of: 'holes',
        skip,
        places: holePlaces(front, closure.many, skip),
        loops: front,
      };
    }
    case 'toggle':
      // A toggle goes through its loop lengthwise, and is held across.
      return {
        of: 'toggle',
        chains: loopChains(closure.length / 2, depth, pitch),
        places: evenPlaces(front, 1),
        loops: front,
      };
    case 'magnet':
      return { of: 'magnet', places: evenPlaces(front, 1), loops: front };
    case 'eyelets': {
      const [before, behind] = [evenPlaces(front, closure.perFace), evenPlaces(back, closure.perFace)];
      return { of: 'eyelets', front: before, back: behind, agree: before.join() === behind.join() };
    }
  }
}

/** Places along the front that something is fixed at, of a closure. */
const placesInFront = (closure: ClosurePlan | undefined): readonly number[] =>
  !closure || closure.of === 'zip' ? [] : closure.of === 'eyelets' ? closure.front : closure.places;

/** Edge rounds that fill a bag up to its lining. */
export interface FillUp {
  readonly swatch: string;
  readonly rounds: number;
}

/** The crochet comes out this much of its lining's height: a little under, and stretched to it. */
const UNDER = 0.98;
/** More rounds than this are no edge. */
const MOST_ROUNDS = 40;

function fillUp({ document, graph }: Plan): FillUp | undefined {
  const { lining } = document.finish ?? {};
  const wanted = lining?.of === 'ready' ? lining.height : graph.covers?.height;
  const swatch = document.features?.edge?.swatch ?? document.swatches[0]?.id;
  if (wanted === undefined || swatch === undefined) return undefined;
  const perRound = sizeTable(document).swatch(swatch).gauge.row.value;
  const bare = measure(graph).height - (graph.trim?.edging?.height ?? 0);
  const rounds = roundsToFill(bare, UNDER * wanted, perRound);
  return rounds > MOST_ROUNDS ? undefined : { swatch, rounds };
}

/** Everything about finishing the bag. */
export function finishOf(plan: Plan): FinishPlan {
  const { document, graph } = plan;
  const { opening, width, height } = measure(graph);
  const edge = edgeCount(graph);
  const eyelets = graph.trim?.eyelets;
  const lining = document.finish?.lining;
  const last = edge?.rounds.at(-1) ?? edge?.first ?? 0;
  const { straps } = plan;
  const loops = faceLoops(graph);
  const closure = closurePlan(plan, loops);
  return {
    edge,
    strip: edgeStrip(graph, {
      straps,
      front: placesInFront(closure),
      back: closure?.of === 'eyelets' ? closure.back : closure?.of === 'magnet' ? closure.places : [],
    }),
    flap: flapReach(graph),
    ...loops,
    straps,
    closure,
    cord: eyelets ? { length: cordLength(opening), gaps: eyeletGaps(last, eyelets) } : undefined,
    lining: liningPieces(graph),
    ready: lining?.of === 'ready' ? readyVerdict({ width, height }, lining) : undefined,
    fill: fillUp(plan),
    operations: inOrder(operationsOf(plan)),
    warnings: warningsOf(plan),
  };
}
