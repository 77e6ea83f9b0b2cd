import type { BagGraph } from './graph.ts';
import { measure } from './measure.ts';
import { move } from './place.ts';
import { bodyRims } from './rim.ts';

/** How a flap sits and how far it comes down, mm. */
export interface FlapReach {
  /** From the rim down the front. */
  readonly reach: number;
  /** The same as a share of the front's height. */
  readonly share: number;
  /** Loops of the back's rim that stay free on its left and right. */
  readonly left: number;
  readonly right: number;
}

/** Stretches farther than this (mm) from the back's plane are not its rim. */
const NEAR = 1;

/** Where the flap of a bag hangs; nothing when it has none. */
export function flapReach(graph: BagGraph): FlapReach | undefined {
  const corners = graph.facets
    .filter(({ face }) => face === 'flap')
    .flatMap(({ motion, outline }) => outline.map((p) => move(motion, p)));
  if (corners.length === 0) return undefined;
  const { height, depth } = measure(graph);
  const edge = graph.trim?.edging?.height ?? 0;
  const rim = height - edge;
  const lowest = Math.min(...corners.map(({ y }) => y));
  const root = corners.filter(({ y, z }) => Math.abs(y - rim) < NEAR && Math.abs(z + depth / 2) < NEAR);
  const middle = root.reduce((sum, { x }) => sum + x / root.length, 0);
  const behind = bodyRims(graph)
    .flat()
    .filter(({ normal, from, to }) => normal.z < -0.5 && from.y > rim - NEAR && to.y > rim - NEAR);
  const loops = (side: 1 | -1) =>
    Math.round(
      behind
        .filter(({ from, to }) => ((from.x + to.x) / 2 - middle) * side > 0)
        .reduce((sum, one) => sum + one.loops, 0),
    );
  return { reach: rim - lowest, share: (rim - lowest) / rim, left: loops(-1), right: loops(1) };
}
