import { type FlapReach, flapReach, measure } from '../bag/index.ts';
import type { ClosurePlan, CordPlan, FacePlaces, FlapPlaces } from '../closure/index.ts';
import { type EdgeCount, type EdgeStrip, edgeStrip, type FixedPlace } from '../edging/index.ts';
import type { Plan } from '../plan/index.ts';
import type { BandPlan, StrapPlan } from '../strap/index.ts';
import { type FillUp, fillUp } from './fill-up.ts';
import { type LiningPiece, liningPieces } from './lining.ts';
import { inOrder, type Operation, operationsOf, warningsOf } from './order.ts';
import { type ReadyVerdict, readyVerdict } from './ready.ts';

export interface FinishPlan {
  /** Edge rounds of every rim, the longest first. */
  readonly edges: readonly EdgeCount[];
  /** The first edge round rolled out, with what is fixed along it. */
  readonly strip: EdgeStrip | undefined;
  readonly flap: FlapReach | undefined;
  readonly straps: StrapPlan | undefined;
  /** Straps that come with the way of building. */
  readonly bands: readonly BandPlan[];
  readonly closure: ClosurePlan | undefined;
  readonly cord: CordPlan | undefined;
  readonly lining: readonly LiningPiece[];
  readonly ready: ReadyVerdict | undefined;
  /** Edge rounds in all that bring the bag up to the rim of a ready-made lining. */
  readonly fill: FillUp | undefined;
  readonly operations: readonly Operation[];
  readonly warnings: readonly string[];
}

/** What is fixed along the rim: the ends of a pair of straps, and whatever closes the bag. */
function fixedAlong({ straps, graph }: Plan, closure: ClosurePlan | undefined): FixedPlace[] {
  const faces = ['front', 'back'] as const;
  const hung = faces.flatMap((face): FixedPlace[] => {
    const own = straps?.[face];
    // Under a flap they are sewn to its root, which the round passes by.
    const flapped = face === 'back' && graph.facets.some((facet) => facet.face === 'flap');
    const ends = own && !flapped ? [own.fromSide, own.loops - own.fromSide - own.under] : [];
    return ends.map((after): FixedPlace => ({ face, after, is: 'strap', wide: own?.under ?? 1 }));
  });
  return [...hung, ...(closure && closure.of !== 'zip' ? closing(closure.places) : [])];
}

/** Where what closes the bag is fixed along the rim: on both faces, or on the flap alone. */
const closing = (places: FacePlaces | FlapPlaces): FixedPlace[] =>
  places.on === 'flap'
    ? places.after.map((after) => ({
        face: places.at === 'edge' ? 'tip' : 'flap',
        after,
        is: 'closure',
        wide: places.wide,
      }))
    : (['front', 'back'] as const).flatMap((face) =>
        places[face].map((after) => ({ face, after, is: 'closure', wide: places.wide[face] })),
      );

/** Everything about finishing the bag. */
export function finishOf(plan: Plan): FinishPlan {
  const { document, graph } = plan;
  const { width, height } = measure(graph);
  const { edges, closure } = plan;
  const [mouth] = edges;
  const lining = document.finish?.lining;
  return {
    edges,
    strip: mouth && edgeStrip(mouth, fixedAlong(plan, closure)),
    flap: flapReach(graph),
    straps: plan.straps,
    bands: plan.bands,
    closure,
    cord: plan.cord,
    lining: liningPieces(graph),
    ready: lining?.of === 'ready' ? readyVerdict({ width, height }, lining) : undefined,
    fill: fillUp(plan),
    operations: inOrder(operationsOf(plan)),
    warnings: warningsOf(plan),
  };
}
