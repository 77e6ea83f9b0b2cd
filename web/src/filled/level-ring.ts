import { Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';

/** Between these shares of its height a bag is looked at for its narrowest place. */
const [LOWEST, HIGHEST] = [0.35, 0.95];
const TRIED = 24;

/** How many places are of the pieces; those of straps come after them. */
const ownOf = ({ pieces }: FillStart) => pieces.reduce((sum, { many }) => sum + many, 0);

/** How high the lowest place of the bag lies, its straps left out. */
export function lowestOf(start: FillStart, places: Float32Array): number {
  let low = Infinity;
  for (let v = 0; v < ownOf(start); v++) low = Math.min(low, places[3 * v + 1] ?? 0);
  return low;
}

/** The level cut round the bag where it is shortest, as pairs of ends of its stretches; nothing where there is none. */
export function levelRing(start: FillStart, places: Float32Array, low: number, high: number): Vector3[] {
  const { triangles } = start;
  const own = ownOf(start);
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
    cutAt(low + (high - low) * (LOWEST + ((HIGHEST - LOWEST) * k) / TRIED)),
  ).filter((ends) => ends.length > 0);
  return rings.reduce<Vector3[]>(
    (best, ends) => (best.length === 0 || long(ends) < long(best) ? ends : best),
    [],
  );
}
