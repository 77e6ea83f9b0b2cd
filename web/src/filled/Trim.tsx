import { type Plan, yarnOfTrim } from '@fennot/core';
import { useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide, Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';

interface TrimProps {
  readonly plan: Plan;
  readonly start: FillStart;
  readonly places: Float32Array;
  readonly open: boolean;
}

/** Edge rounds on the filled bag. */
export function Trim({ plan, start, places, open }: TrimProps) {
  const { edging } = plan.graph.trim ?? {};
  const { document } = plan;
  const height = edging?.height ?? 0;
  const growth = edging?.growth ?? 0;
  const beside = useMemo(() => neighboursOf(start), [start]);
  const edge = useMemo(
    () => (height > 0 ? bandOn(start.rims, beside, places, height, growth) : undefined),
    [start, beside, places, height, growth],
  );
  if (!edge || open) return null;
  return (
    <mesh geometry={edge}>
      <meshStandardMaterial
        color={yarnOfTrim(document, edging?.swatch).colour}
        side={DoubleSide}
        roughness={0.95}
      />
    </mesh>
  );
}

/** For every place on a rim, the places of its triangles that are on none. */
function neighboursOf({ rims, triangles }: FillStart): ReadonlyMap<number, ReadonlySet<number>> {
  const onRim = new Set(rims.flat());
  const found = new Map<number, Set<number>>([...onRim].map((v) => [v, new Set()]));
  for (let t = 0; t < triangles.length; t += 3) {
    const own = triangles.subarray(t, t + 3);
    for (const v of own) for (const other of own) if (!onRim.has(other)) found.get(v)?.add(other);
  }
  return found;
}

/** A band that goes on from every rim the way its fabric runs there, drawn in or flared towards its upper edge. */
function bandOn(
  rims: FillStart['rims'],
  beside: ReadonlyMap<number, ReadonlySet<number>>,
  places: Float32Array,
  height: number,
  growth: number,
): BufferGeometry {
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
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(points), 3));
  geometry.setIndex(faces);
  geometry.computeVertexNormals();
  return geometry;
}
