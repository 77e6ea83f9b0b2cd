import { type BagGraph, measure, type Strap } from '../bag/index.ts';
import { distance3, type Point3 } from '../geometry/index.ts';
import { isDeep } from '../picture/index.ts';
import { at } from './cloth/at.ts';
import type { Laid, StrapNodes } from './hang/strap-fabric.ts';
import type { Mesh } from './mesh/mesh.ts';

/** How a filled bag is looked at: standing on the table, hung up, or lying on its back. */
export const POSES = ['stand', 'hang', 'lie'] as const;
export type Pose = (typeof POSES)[number];

/** What a bag hangs by. */
export type Hanger = 'straps' | 'handles' | 'shoulders' | 'rim';

/** What this bag hangs by. */
export function hangerOf({ trim, facets }: BagGraph): Hanger {
  const straps = (trim?.straps ?? []).filter(({ free }) => !free);
  if (straps.some(({ behind }) => !behind)) return 'straps';
  if (facets.some(({ face }) => face === 'handle')) return 'handles';
  return straps.length > 0 ? 'shoulders' : 'rim';
}

/**
 * The pose a bag is shown in unless another is chosen: it stands where it has a base, hangs where it has something to
 * hang by, and a flat one with a flap, which is no bag to stand, lies; what is left stands filled.
 */
export function usualPose(graph: BagGraph): Pose {
  if (isDeep(measure(graph).depth)) return 'stand';
  const hanger = hangerOf(graph);
  if (hanger === 'straps' || hanger === 'handles') return 'hang';
  return graph.facets.some(({ face }) => face === 'flap') ? 'lie' : 'stand';
}

/** A strap shorter than so many times the way between its ends does not reach down a side of the bag. */
const SHORT = 2.8;

/** How a strap is laid before the bag is filled. */
export function laidOf(graph: BagGraph, pose: Pose): (strap: Strap) => Laid {
  const flap = graph.facets.some(({ face }) => face === 'flap');
  return ({ on, behind, from, to, length }) => {
    // Beside a bag that lies, straps lie flat, too; those on its back under it.
    if (pose === 'lie') return on === 'back' ? 'under' : 'up';
    if (behind) return 'behind';
    if (pose === 'hang') return 'up';
    // A short one from side to side stands over the opening.
    if (on === 'sides' && length < SHORT * distance3(from, to)) return 'up';
    return on === 'back' || flap ? 'behind' : 'front';
  };
}

/** A hand holds so much of the rim to either side, mm. */
const HAND = 40;
/** How far along a worn strap the shoulder carries it. */
const SHOULDER = 0.3;

/**
 * The nodes a bag is hung by.
 *
 * @param p places of the nodes at the beginning.
 */
export function carriersOf(
  graph: BagGraph,
  mesh: Mesh,
  mouth: readonly number[],
  straps: readonly StrapNodes[],
  p: Float64Array,
): number[] {
  const rowAt = ({ rows }: StrapNodes, share: number) => [
    ...(rows[Math.round(share * (rows.length - 1))] ?? []),
  ];
  const hanger = hangerOf(graph);
  if (hanger === 'straps')
    return straps.filter(({ strap }) => !strap.behind).flatMap((strap) => rowAt(strap, 0.5));
  if (hanger === 'shoulders')
    return straps.filter(({ strap }) => !strap.free).flatMap((strap) => rowAt(strap, SHOULDER));
  if (hanger === 'handles') {
    const handles = new Set<number>();
    mesh.facets.forEach(({ face }, t) => {
      if (face === 'handle') for (const v of mesh.triangles.subarray(3 * t, 3 * t + 3)) handles.add(v);
    });
    // One on either side of the bag.
    return [-1, 1].flatMap((side) => {
      const own = [...handles].filter((v) => side * at(p, 3 * v) > 0);
      const high = Math.max(...own.map((v) => at(p, 3 * v + 1)));
      return own.filter((v) => at(p, 3 * v + 1) > high - 1e-3);
    });
  }
  // By hand, at either end of the mouth, as wide as a hand takes hold.
  const place = (v: number): Point3 => ({ x: at(p, 3 * v), y: at(p, 3 * v + 1), z: at(p, 3 * v + 2) });
  const ends = [-1, 1].map((side) =>
    mouth.reduce((a, b) => (side * at(p, 3 * b) > side * at(p, 3 * a) ? b : a), mouth[0] ?? 0),
  );
  return mouth.filter((v) => ends.some((end) => distance3(place(v), place(end)) < HAND));
}
