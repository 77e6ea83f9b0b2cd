import { type Plan, yarnOfTrim } from '@fennot/core';
import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide } from 'three';
import type { EdgeBand } from './edge-band.ts';

interface TrimProps {
  readonly plan: Plan;
  readonly band: EdgeBand;
}

/** Edge rounds on the filled bag. */
export function Trim({ plan: { document, graph }, band }: TrimProps) {
  const geometry = useMemo(() => geometryOf(band), [band]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <mesh geometry={geometry}>
      <meshStandardMaterial
        color={yarnOfTrim(document, graph.trim?.edging?.swatch).colour}
        side={DoubleSide}
        roughness={0.95}
      />
    </mesh>
  );
}

function geometryOf({ points, faces }: EdgeBand): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(points, 3));
  geometry.setIndex([...faces]);
  geometry.computeVertexNormals();
  return geometry;
}
