import {
  along,
  clipSegment,
  dot,
  groupBy,
  move,
  outward,
  type Plan,
  pieceIndex,
  pointOnEdge,
} from '@fennot/core';
import { useId, useMemo } from 'react';
import { Fabric, useCloths } from '../drawing/Fabric.tsx';
import { usePointed } from '../drawing/pointed.ts';
import { camera, project, seenFacets, type View } from './project.ts';

interface MadeUpPictureProps {
  readonly plan: Plan;
  readonly view: View;
  readonly label: string;
  readonly className?: string;
  /** Lights up what is pointed at, and tells what the pointer is over. */
  readonly live?: boolean;
  /** Seams of the run step that is shown. */
  readonly activeSeam?: string | undefined;
}

const points = (outline: ReadonlyArray<{ x: number; y: number }>) =>
  outline.map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ');

/** The bag made up and pressed, from any side, out of the graph alone. */
export function MadeUpPicture({ plan, view, label, className, live, activeSeam }: MadeUpPictureProps) {
  const base = useId();
  const cloths = useCloths(plan);
  const pointed = usePointed();
  const seen = useMemo(() => seenFacets(plan, view), [plan, view]);
  const box = useMemo(() => bounds(plan, view), [plan, view]);
  const seams = useMemo(() => seamLines(plan, view), [plan, view]);
  const joinColour = plan.document.yarns.find(({ id }) => id === plan.document.joins.yarn)?.colour;
  const pad = Math.max(box.width, box.height) * 0.06 + 4;
  const viewBox = [box.x - pad, -(box.y + box.height) - pad, box.width + 2 * pad, box.height + 2 * pad];
  return (
    <svg viewBox={viewBox.join(' ')} role="img" aria-label={label} className={className}>
      <ellipse
        cx={box.x + box.width / 2}
        cy={-box.y + pad * 0.2}
        rx={box.width * 0.5}
        ry={pad * 0.55}
        fill="#0b1512"
        opacity={0.16}
      />
      <g transform="scale(1 -1)">
        {seen.map(({ facet, matrix, inside, shadow }, i) => {
          const { piece, cloth } = cloths(facet.piece);
          const whole = facet.outline === piece.outline;
          const lit = live && pointed.piece === piece.id;
          return (
            <g
              key={`${facet.piece}/${i}`}
              transform={`matrix(${matrix.join(' ')})`}
              onPointerEnter={live ? () => pointed.point({ piece: piece.id }) : undefined}
              onPointerLeave={live ? () => pointed.point({}) : undefined}
            >
              {!whole && (
                <clipPath id={`${base}c${i}`}>
                  <polygon points={points(facet.outline)} />
                </clipPath>
              )}
              <g clipPath={whole ? undefined : `url(#${base}c${i})`}>
                <Fabric piece={piece} cloth={cloth} />
              </g>
              <polygon
                points={points(facet.outline)}
                fill={inside ? '#16211d' : '#1e2b28'}
                fillOpacity={inside ? 0.45 : shadow * 0.34}
                stroke={lit ? 'var(--kingfisher)' : '#1e2b28'}
                strokeOpacity={lit ? 1 : 0.18}
                strokeWidth={lit ? 3 : 1}
                vectorEffect="non-scaling-stroke"
              />
            </g>
          );
        })}
        {seams.map(({ id, line, closing, from, to }, i) => {
          const lit = live && (pointed.line === line || activeSeam === id);
          return (
            <line
              key={i}
              x1={from.x}
              y1={from.y}
              x2={to.x}
              y2={to.y}
              stroke={lit ? (closing ? 'var(--loosestrife)' : 'var(--kingfisher)') : (joinColour ?? '#444')}
              strokeWidth={lit ? 5 : 2.2}
              strokeDasharray={lit ? undefined : '3.4 2'}
              strokeLinecap="round"
              strokeOpacity={lit ? 1 : 0.85}
              vectorEffect="non-scaling-stroke"
              pointerEvents="none"
            />
          );
        })}
      </g>
    </svg>
  );
}

function bounds(plan: Plan, view: View) {
  const eye = camera(view);
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { outline, motion } of plan.graph.facets) {
    for (const p of outline) {
      const at = project(eye, {
        x: motion.origin.x + p.x * motion.u.x + p.y * motion.v.x,
        y: motion.origin.y + p.x * motion.u.y + p.y * motion.v.y,
        z: motion.origin.z + p.x * motion.u.z + p.y * motion.v.z,
      });
      left = Math.min(left, at.x);
      right = Math.max(right, at.x);
      low = Math.min(low, at.y);
      high = Math.max(high, at.y);
    }
  }
  return { x: left, y: low, width: right - left, height: high - low };
}

/** Seams along a part of the bag that is seen from outside. */
function seamLines(plan: Plan, view: View) {
  const { graph } = plan;
  const eye = camera(view);
  const piece = pieceIndex(graph);
  const facing = groupBy(
    graph.facets.filter(({ motion }) => dot(outward(motion), eye.towards) > 0.02),
    (facet) => facet.piece,
  );
  return graph.seams.flatMap((seam) =>
    [seam.a, seam.b].flatMap((side) => {
      const own = piece(side.piece);
      const [p, q] = [pointOnEdge(own, side.edge, side.from), pointOnEdge(own, side.edge, side.to)];
      // A fold may take part of a seam round to another face.
      return (facing.get(side.piece) ?? []).flatMap(({ outline, motion }) => {
        const inside = clipSegment(outline, p, q);
        if (!inside) return [];
        const [from, to] = inside.map((share) => project(eye, move(motion, along(p, q, share))));
        return from && to
          ? [{ id: seam.id, line: seam.line, closing: seam.kind === 'closing', from, to }]
          : [];
      });
    }),
  );
}
