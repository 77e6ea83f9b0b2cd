import { type BagGraph, measure } from '../bag/index.ts';
import type { Features } from '../document/features-schema.ts';
import type { Materials } from '../families/index.ts';
import { withFlap } from '../families/layout/flap.ts';

/** Puts a bag's features on. Pure: the graph that comes out is a new one. */
export function withFeatures(graph: BagGraph, features: Features, materials: Materials): BagGraph {
  const flapped = features.flap ? withFlap(graph, features.flap, materials) : graph;
  const { edge, drawstring, waist } = features;
  if (!edge && !drawstring && !waist) return flapped;
  return {
    ...flapped,
    trim: {
      ...flapped.trim,
      ...(edge
        ? {
            edging: {
              swatch: edge.swatch,
              rounds: edge.rounds,
              height: edge.rounds * materials.rowHeight(edge.swatch),
              growth: edge.growth / 100,
            },
          }
        : {}),
      ...(waist
        ? { waist: { height: (measure(graph).height * waist.at) / 100, draw: waist.draw / 100 } }
        : {}),
      ...(drawstring ? { eyelets: drawstring.eyelets } : {}),
    },
  };
}
