import type { Plan, SeenFacet } from '@fennot/core';
import { memo, useId } from 'react';
import { Fabric, useCloths } from '../drawing/Fabric.tsx';
import { usePointed } from '../drawing/pointed.ts';

/** An outline as SVG wants it. */
export const points = (outline: ReadonlyArray<{ x: number; y: number }>) =>
  outline.map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ');

interface FacetsProps {
  readonly plan: Plan;
  readonly seen: readonly SeenFacet[];
  readonly live: boolean;
  /** Pieces in full colour; all, unless it is said. */
  readonly made?: ReadonlySet<string> | undefined;
}

/** The fabric of every facet from far to near; drawn anew only when plan or view change. */
export const Facets = memo(function Facets({ plan, seen, live, made }: FacetsProps) {
  const base = useId();
  const cloths = useCloths(plan);
  const { point } = usePointed.getState();
  return (
    <>
      {seen.map(({ facet, matrix, inside, shadow }, i) => {
        const { piece, cloth } = cloths(facet.piece);
        const whole = facet.outline === piece.outline;
        return (
          <g
            key={`${facet.piece}/${i}`}
            transform={`matrix(${matrix.join(' ')})`}
            onPointerEnter={live ? () => point({ piece: piece.id }) : undefined}
            onPointerLeave={live ? () => point({}) : undefined}
          >
            {!whole && (
              <clipPath id={`${base}c${i}`}>
                <polygon points={points(facet.outline)} />
              </clipPath>
            )}
            <g clipPath={whole ? undefined : `url(#${base}c${i})`}>
              <Fabric piece={piece} cloth={cloth} />
              {made && !made.has(piece.id) && (
                <polygon points={points(facet.outline)} fill="var(--table)" fillOpacity={0.78} />
              )}
            </g>
            <polygon
              points={points(facet.outline)}
              fill={inside ? '#16211d' : '#1e2b28'}
              fillOpacity={inside ? 0.45 : shadow * 0.34}
              stroke={facet.part ? 'none' : '#1e2b28'}
              strokeOpacity={0.18}
              vectorEffect="non-scaling-stroke"
            />
          </g>
        );
      })}
    </>
  );
});
