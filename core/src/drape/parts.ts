import type { Facet } from '../bag/index.ts';
import { groupBy, UnionFind } from '../geometry/index.ts';
import { at } from './cloth/at.ts';
import type { Fabric } from './cloth/fabric.ts';
import type { StrapNodes } from './hang/strap-fabric.ts';
import type { Mesh } from './mesh/mesh.ts';
import type { Parts, Pin } from './world.ts';

/** The nodes of the bag itself, then those of every flap and handle that hangs on it, and of every strap. */
export function partsOf({ patches, count }: Fabric, straps: readonly StrapNodes[]): Parts {
  const body = new Set(patches.flatMap(({ nodes, holds }) => (holds ? nodes : [])));
  const joined = new UnionFind();
  for (let v = 0; v < count; v++) joined.add();
  for (const { nodes, holds } of patches) {
    const [a, ...own] = holds ? [] : nodes.filter((v) => !body.has(v));
    for (const b of own) joined.join(a ?? b, b);
  }
  const hanging = Array.from({ length: count }, (_, v) => v).filter((v) => !body.has(v));
  const flaps = groupBy(hanging, (v) => joined.find(v));
  return [[...body], ...flaps.values(), ...straps.map(({ rows }) => rows.flat())];
}

/** The nodes of flaps, but for those at their roots, and those at their roots. */
export function flapsOf({ facets, triangles }: Mesh): { flaps: number[]; roots: ReadonlySet<number> } {
  const on = (wanted: (face: Facet['face']) => boolean) =>
    new Set(facets.flatMap(({ face }, t) => (wanted(face) ? [...triangles.subarray(3 * t, 3 * t + 3)] : [])));
  const [flap, others] = [on((face) => face === 'flap'), on((face) => face !== 'flap')];
  return {
    flaps: [...flap].filter((v) => !others.has(v)),
    roots: new Set([...flap].filter((v) => others.has(v))),
  };
}

/**
 * Holds what the bag hangs by where it is; the root of a flap no higher than the rest of the mouth: it is laid higher than
 * it hangs.
 */
export function pinsOf(
  carriers: readonly number[],
  p: Float64Array,
  mouth: readonly number[],
  roots: ReadonlySet<number>,
): Pin[] {
  const top = mouth.reduce(
    (most, v) => (roots.has(v) ? most : Math.max(most, at(p, 3 * v + 1))),
    roots.size === mouth.length ? Infinity : -Infinity,
  );
  return carriers.map((node): Pin => {
    const [x = 0, y = 0, z = 0] = p.subarray(3 * node, 3 * node + 3);
    return { node, at: [x, roots.has(node) ? Math.min(y, top) : y, z] };
  });
}
