import { type BagGraph, measure, rimStretches, type Strap } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { type Finished, pitchKey, rowKey } from '../fit/index.ts';
import { gaugeOf } from '../gauge/index.ts';
import { dropOf } from './drop.ts';
import { planStraps, type StrapPlan } from './straps.ts';

/** Loops of the mouth in front and behind. */
export function faceLoops(graph: BagGraph): { readonly front: number; readonly back: number } {
  const [mouth = []] = rimStretches(graph);
  const sum = (side: 1 | -1) =>
    Math.round(
      mouth.filter(({ normal }) => normal.z * side > 0.5).reduce((loops, one) => loops + one.loops, 0),
    );
  return { front: sum(1), back: sum(-1) };
}

/** What the document's straps are worked in. */
function strapGauge({ finish, swatches, yarns }: BagDocument) {
  const straps = finish?.straps;
  const swatch = swatches.find(({ id }) => id === straps?.swatch);
  if (!straps || !swatch) return undefined;
  const yarn = yarns.find(({ id }) => id === swatch.yarn);
  return { straps, swatch, yarn, gauge: gaugeOf({ ...swatch, yarnWeight: yarn?.weight ?? 4 }) };
}

/** The document's straps worked out for a bag; nothing when it has none. */
export function strapsOf(document: BagDocument, graph: BagGraph): StrapPlan | undefined {
  const own = strapGauge(document);
  if (!own) return undefined;
  const size = { width: measure(graph).width, ...faceLoops(graph) };
  return planStraps(own.straps, own.gauge, own.yarn?.fibre ?? '', size);
}

/** How far the straps hang, with what that rests on; nothing when there are none. */
export function strapDrop(document: BagDocument, graph: BagGraph): Finished | undefined {
  const own = strapGauge(document);
  const straps = strapsOf(document, graph);
  if (!own || !straps) return undefined;
  const rows = straps.counts === 'rows';
  const key = rows ? rowKey(own.swatch.id) : pitchKey(own.swatch.id);
  return dropOf(straps, rows ? own.gauge.row : own.gauge.pitch, key);
}

/** The bag with its straps hung on. */
export function withStraps(graph: BagGraph, document: BagDocument): BagGraph {
  const plan = strapsOf(document, graph);
  if (!plan) return graph;
  const { width, height, depth } = measure(graph);
  const swatch = document.finish?.straps?.swatch;
  const own = { length: plan.hanging, width: plan.width, behind: false, ...(swatch ? { swatch } : {}) };
  const onFace = (name: string, places: StrapPlan['front'], z: number): Strap[] => {
    if (!places) return [];
    const x = width / 2 - (width * (places.fromSide + places.under / 2)) / places.loops;
    return [{ ...own, name, from: { x: -x, y: height, z }, to: { x, y: height, z } }];
  };
  const hung =
    plan.front || plan.back
      ? [...onFace('Front strap', plan.front, depth / 2), ...onFace('Back strap', plan.back, -depth / 2)]
      : [
          {
            ...own,
            name: 'Strap',
            from: { x: -width / 2, y: height, z: 0 },
            to: { x: width / 2, y: height, z: 0 },
          },
        ];
  return { ...graph, trim: { ...graph.trim, straps: [...(graph.trim?.straps ?? []), ...hung] } };
}
