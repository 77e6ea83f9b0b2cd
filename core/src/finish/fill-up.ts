import { measure } from '../bag/index.ts';
import { sizeTable } from '../fit/index.ts';
import { NOTHING, whole } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';

/** Rounds of the given height that bring a bag up to a wanted height, at least none. */
export const roundsToFill = (height: number, wanted: number, perRound: number): number =>
  perRound > 0 ? Math.max(0, whole((wanted - height) / perRound)) : 0;

/** Edge rounds that fill a bag up to its lining. */
export interface FillUp {
  readonly swatch: string;
  /** To just under its rim: the crochet is stretched to it. */
  readonly under: number;
  /** As many as come up to the hem itself, and never over it. */
  readonly hem: number;
}

/** The crochet comes out this much of its lining's height: a little under, and stretched to it. */
const UNDER = 0.98;
/** More rounds than this are no edge. */
const MOST_ROUNDS = 40;

/** The edge rounds that bring a bag up to its ready-made lining, or to the bag that it covers. */
export function fillUp({ document, graph }: Plan): FillUp | undefined {
  const { lining } = document.finish ?? {};
  const wanted = lining?.of === 'ready' ? lining.height : graph.covers?.height;
  const swatch = document.features?.edge?.swatch ?? document.swatches[0]?.id;
  if (wanted === undefined || swatch === undefined) return undefined;
  const perRound = sizeTable(document).swatch(swatch).gauge.row.value;
  const bare = measure(graph).height - (graph.trim?.edging?.height ?? 0);
  const under = roundsToFill(bare, UNDER * wanted, perRound);
  const hem = perRound > 0 ? Math.max(0, Math.floor((wanted - bare) / perRound + NOTHING)) : 0;
  return hem > MOST_ROUNDS ? undefined : { swatch, under, hem };
}
