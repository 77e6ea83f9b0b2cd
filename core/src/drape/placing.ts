import type { Turn, Vec } from './body/body.ts';
import { at } from './cloth/at.ts';
import { type Fabric, THICK } from './cloth/fabric.ts';
import type { StrapNodes } from './hang/strap-fabric.ts';
import type { Pose } from './pose.ts';

/** How a bag is put into its pose. */
export interface Placing {
  /** The pressed bag in its pose, three numbers a node, mm. */
  readonly nodes: Float64Array;
  /** How what is in it is turned with it. */
  readonly turn: Turn;
  /** Where a place of the pressed bag comes to lie. */
  place(p: Vec): Vec;
}

/** A hung bag hangs so far above the table, mm. */
const ABOVE = 50;

/**
 * Puts the pressed bag into its pose: upright, hung above the table, or on its back. Only straps that it lies on raise
 * it; others lie no lower than the table, and a flap that is longer than the bag goes on along the table in front.
 */
export function placing(
  start: Float64Array,
  bag: Fabric,
  pose: Pose,
  straps: readonly StrapNodes[],
): Placing {
  const lies = pose === 'lie';
  const laid = (x: number, y: number, z: number): Vec => (lies ? [x, z, -y] : [x, y, z]);
  const nodes = new Float64Array(start.length);
  for (let k = 0; k < start.length; k += 3)
    nodes.set(laid(at(start, k), at(start, k + 1), at(start, k + 2)), k);
  const carrying = bag.patches.flatMap(({ nodes: own, holds }) => (holds ? own : []));
  const under = lies ? straps.flatMap(({ strap, rows }) => (strap.on === 'back' ? rows.flat() : [])) : [];
  const low = [...carrying, ...under].reduce((least, v) => Math.min(least, at(nodes, 3 * v + 1)), Infinity);
  const rise = (pose === 'hang' ? ABOVE : THICK / 2) - low;
  for (let k = 1; k < nodes.length; k += 3) {
    const y = at(nodes, k) + rise;
    const below = pose === 'hang' ? 0 : Math.max(0, THICK / 2 - y);
    nodes[k] = y + below;
    if (pose === 'stand' && k < 3 * bag.count) nodes[k + 1] = at(nodes, k + 1) + below;
  }
  const half = Math.SQRT1_2;
  const turn: Turn = lies ? [-half, 0, 0, half] : [0, 0, 0, 1];
  return {
    nodes,
    turn,
    place: ([x, y, z]: Vec): Vec => {
      const [a, b, c] = laid(x, y, z);
      return [a, b + rise, c];
    },
  };
}

/** Puts places into the pose, and above the table. */
export function onTable(places: Float32Array, place: (p: Vec) => Vec): Float32Array {
  let low = Infinity;
  for (let k = 0; k < places.length; k += 3) {
    const put = place([places[k] ?? 0, places[k + 1] ?? 0, places[k + 2] ?? 0]);
    places.set(put, k);
    low = Math.min(low, put[1]);
  }
  if (low < 0) for (let k = 1; k < places.length; k += 3) places[k] = (places[k] ?? 0) - low;
  return places;
}
