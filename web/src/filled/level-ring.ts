import { Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';

/** Between these shares of its height a bag is looked at for its narrowest place. */
const [LOWEST, HIGHEST] = [0.35, 0.95];
const TRIED = 24;

/** The level cut round the bag where it is shortest, as pairs of ends of its stretches; nothing where there is none. */
export function levelRing({ triangles, pieces }: FillStart, places: Float32Array, high: number): Vector3[] {
  // Straps come after the pieces, and are not of the body.
  const own = pieces.reduce((sum, { many }) => sum + many, 0);
  const cutAt = (y: number): Vector3[] => {
    const ends: Vector3[] = [];
    for (let t = 0; t < triangles.length; t += 3) {
      const corners = [0, 1, 2].map((k) => triangles[t + k] ?? 0);
      if (corners.some((v) => v >= own)) continue;
      const points = corners.map((v) => new Vector3().fromArray(places, 3 * v));
      points.forEach((p, k) => {
        const q = points[(k + 1) % 3];
        if (q && p.y < y !== q.y < y) ends.push(p.clone().lerp(q, (y - p.y) / (q.y - p.y)));
      });
    }
    return ends;
  };
  const long = (ends: readonly Vector3[]) =>
    ends.reduce((sum, p, k) => sum + (k % 2 === 1 ? p.distanceTo(ends[k - 1] ?? p) : 0), 0);
  const rings = Array.from({ length: TRIED + 1 }, (_, k) =>
    cutAt(high * (LOWEST + ((HIGHEST - LOWEST) * k) / TRIED)),
  ).filter((ends) => ends.length > 0);
  return rings.reduce<Vector3[]>(
    (best, ends) => (best.length === 0 || long(ends) < long(best) ? ends : best),
    [],
  );
}
