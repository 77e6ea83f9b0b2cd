import type { Edging } from '@fennot/core';
import { Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';

/** Edge rounds on the filled bag: places, three numbers each, and triangles of them. */
export interface EdgeBand {
  readonly points: Float32Array;
  readonly faces: readonly number[];
}

/** For every place on a rim, the places of its triangles that are on none. */
export function neighboursOf({
  rims,
  triangles,
}: Pick<FillStart, 'rims' | 'triangles'>): ReadonlyMap<number, ReadonlySet<number>> {
  const onRim = new Set(rims.flat());
  const found = new Map<number, Set<number>>([...onRim].map((v) => [v, new Set()]));
  for (let t = 0; t < triangles.length; t += 3) {
    const own = triangles.subarray(t, t + 3);
    for (const v of own) for (const other of own) if (!onRim.has(other)) found.get(v)?.add(other);
  }
  return found;
}

/** A band that goes on from every rim the way its fabric runs there, drawn in or flared towards its upper edge. */
export function bandOn(
  rims: FillStart['rims'],
  beside: ReadonlyMap<number, ReadonlySet<number>>,
  places: Float32Array,
  { height, growth }: Pick<Edging, 'height' | 'growth'>,
): EdgeBand {
  const points: number[] = [];
  const faces: number[] = [];
  const at = (v: number) => new Vector3().fromArray(places, 3 * v);
  for (const rim of rims) {
    const first = points.length / 3;
    const middle = rim.reduce((sum, v) => sum.add(at(v).divideScalar(rim.length)), new Vector3());
    rim.forEach((v, i) => {
      const here = at(v);
      const along = at(rim[(i + 1) % rim.length] ?? v)
        .sub(at(rim.at(i - 1) ?? v))
        .normalize();
      const out = [...(beside.get(v) ?? [])].reduce(
        (sum, other) => sum.add(here).sub(at(other)),
        new Vector3(),
      );
      out.addScaledVector(along, -out.dot(along));
      if (out.lengthSq() < 1e-6) out.set(0, 1, 0);
      const top = here.clone().addScaledVector(out.normalize(), height);
      const flare = top.clone().sub(middle).setY(0).multiplyScalar(growth);
      points.push(...here.toArray(), ...top.add(flare).toArray());
    });
    rim.forEach((_, i) => {
      const [a, b] = [first + 2 * i, first + 2 * ((i + 1) % rim.length)];
      faces.push(a, b, b + 1, a, b + 1, a + 1);
    });
  }
  return { points: Float32Array.from(points), faces };
}
