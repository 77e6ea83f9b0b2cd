import { type BagGraph, measure, wayRoundAt } from '../bag/index.ts';
import type { Features } from '../document/features-schema.ts';
import type { Materials } from '../families/index.ts';
import { withFlap } from '../families/layout/flap.ts';

/** Puts a bag's features on. Pure: the graph that comes out is a new one. */
export function withFeatures(graph: BagGraph, features: Features, materials: Materials): BagGraph {
  const flapped = features.flap ? withFlap(graph, features.flap, materials) : graph;
  const { edge, drawstring, waist } = features;
  if (!edge && !drawstring && !waist) return flapped;
  const waistHeight = waist ? (measure(graph).height * waist.at) / 100 : 0;
  const wrap = waist?.band;
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
      ...(waist ? { waist: { height: waistHeight, draw: waist.draw / 100 } } : {}),
      ...(waist && wrap
        ? {
            bands: [
              ...(flapped.trim?.bands ?? []),
              {
                name: 'Band round the waist',
                swatch: wrap.swatch,
                wide: wrap.wide,
                many: 1,
                length: wayRoundAt(graph, waistHeight) * (1 - waist.draw / 100),
                ring: { clasp: wrap.clasp ?? 0 },
              },
            ],
          }
        : {}),
      ...(drawstring ? { eyelets: drawstring.eyelets } : {}),
    },
  };
}
