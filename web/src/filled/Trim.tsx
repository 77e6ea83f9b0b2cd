import { type Plan, type Strap, strapPath, yarnOfTrim } from '@fennot/core';
import { useMemo } from 'react';
import { BufferAttribute, BufferGeometry, CatmullRomCurve3, DoubleSide, TubeGeometry, Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';

interface TrimProps {
  readonly plan: Plan;
  readonly start: FillStart;
  readonly positions: Float32Array;
  readonly open: boolean;
}

/** Edge rounds and straps on the filled bag. */
export function Trim({ plan, start, positions, open }: TrimProps) {
  const { edging, straps = [] } = plan.graph.trim ?? {};
  const { document } = plan;
  const height = edging?.height ?? 0;
  const growth = edging?.growth ?? 0;
  const edge = useMemo(
    () => (height > 0 ? bandOn(start.rims, positions, height, growth) : undefined),
    [start, positions, height, growth],
  );
  return (
    <>
      {edge && !open && (
        <mesh geometry={edge}>
          <meshStandardMaterial
            color={yarnOfTrim(document, edging?.swatch).colour}
            side={DoubleSide}
            roughness={0.95}
          />
        </mesh>
      )}
      {straps.map((strap) => (
        <mesh key={strap.name} geometry={tubeOf(strap, positions)}>
          <meshStandardMaterial color={yarnOfTrim(document, strap.swatch).colour} roughness={0.95} />
        </mesh>
      ))}
    </>
  );
}

/** A band that stands on every rim, drawn in or flared towards its upper edge. */
function bandOn(
  rims: FillStart['rims'],
  positions: Float32Array,
  height: number,
  growth: number,
): BufferGeometry {
  const points: number[] = [];
  const faces: number[] = [];
  for (const rim of rims) {
    const first = points.length / 3;
    const at = (v: number, axis: number) => positions[3 * v + axis] ?? 0;
    const middle = [0, 2].map((axis) => rim.reduce((sum, v) => sum + at(v, axis) / rim.length, 0));
    const [mx = 0, mz = 0] = middle;
    for (const v of rim) {
      const [x, y, z] = [at(v, 0), at(v, 1), at(v, 2)];
      points.push(x, y, z, mx + (x - mx) * (1 + growth), y + height, mz + (z - mz) * (1 + growth));
    }
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

/** A strap as a tube; its ends move onto the fabric nearest to where they are fixed. */
function tubeOf(strap: Strap, positions: Float32Array): TubeGeometry {
  const nearest = (p: Strap['from']) => {
    let best = { x: p.x, y: p.y, z: p.z };
    let least = Infinity;
    for (let i = 0; i < positions.length; i += 3) {
      const [x, y, z] = [positions[i] ?? 0, positions[i + 1] ?? 0, positions[i + 2] ?? 0];
      const off = Math.hypot(x - p.x, y - p.y, z - p.z);
      if (off < least) [least, best] = [off, { x, y, z }];
    }
    return best;
  };
  const path = strapPath({ ...strap, from: nearest(strap.from), to: nearest(strap.to) });
  const curve = new CatmullRomCurve3(path.map(({ x, y, z }) => new Vector3(x, y, z)));
  return new TubeGeometry(curve, 48, strap.width / 3, 8);
}
