import { Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';

/**
 * Places along seams, raised a little off the fabric on its right side, so that a line there is not half in it.
 *
 * @param by mm.
 */
export function lifted(
  { triangles, seams }: Pick<FillStart, 'triangles' | 'seams'>,
  places: Float32Array,
  by: number,
): ReadonlyMap<string, readonly Vector3[]> {
  const at = (v: number) => new Vector3().fromArray(places, 3 * v);
  const normals = new Map([...seams.values()].flat().map((v) => [v, new Vector3()]));
  for (let t = 0; t < triangles.length; t += 3) {
    const own = [0, 1, 2].map((k) => triangles[t + k] ?? 0);
    if (!own.some((v) => normals.has(v))) continue;
    const [a, b, c] = own.map(at);
    if (!a || !b || !c) continue;
    const normal = b.sub(a).cross(c.sub(a));
    for (const v of own) normals.get(v)?.add(normal);
  }
  for (const normal of normals.values()) normal.normalize();
  return new Map(
    [...seams].map(([id, along]) => [
      id,
      along.map((v) => at(v).addScaledVector(normals.get(v) ?? new Vector3(), by)),
    ]),
  );
}
