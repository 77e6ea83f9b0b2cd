import {
  camera,
  drawnFacets,
  edgeMeetings,
  edgingParts,
  groupBy,
  move,
  type Neighbour,
  type Plan,
  project,
  type SeenFacet,
  seenFacets,
  strapPath,
  type View,
  yarnOf,
} from '@fennot/core';
import { type ReactNode, useMemo } from 'react';
import { usePointed } from '../drawing/pointed.ts';
import { Facets, points } from './Facets.tsx';
import { MadeUpThreads, type Work } from './MadeUpThreads.tsx';
import { pathOf, seamLines } from './seam-lines.ts';
import { TrimLayer } from './TrimLayer.tsx';
import { TwinLayer } from './TwinLayer.tsx';

interface MadeUpPictureProps {
  readonly plan: Plan;
  readonly view: View;
  readonly label: string;
  readonly className?: string;
  /** Whether straps are drawn; where there is little room the bag itself is wanted. */
  readonly straps?: boolean;
  /** What is made, where that is not all: other pieces are pale, other seams are not there. */
  readonly made?: { readonly pieces: ReadonlySet<string>; readonly seams: ReadonlySet<string> } | undefined;
  /** Lights up what is pointed at, and tells what the pointer is over. */
  readonly live?: boolean;
  /** The joining as far as it is played. */
  readonly work?: Work | undefined;
  /** Twins that touch, to be shown. */
  readonly twins?: readonly Neighbour[] | undefined;
  /** What lies over it under the hand, by what is seen. */
  readonly over?: ((seen: readonly SeenFacet[]) => ReactNode) | undefined;
}

const SEAM = {
  fill: 'none',
  strokeLinecap: 'round',
  vectorEffect: 'non-scaling-stroke',
  pointerEvents: 'none',
} as const;

/** The bag made up and pressed, from any side, out of the graph alone. */
export function MadeUpPicture({
  plan,
  view,
  label,
  className,
  straps = true,
  made,
  live,
  work,
  twins,
  over,
}: MadeUpPictureProps) {
  const pointed = usePointed();
  const facets = useMemo(() => drawnFacets(plan.graph), [plan]);
  const seen = useMemo(() => seenFacets(facets, view), [facets, view]);
  const box = useMemo(() => bounds(plan, view, straps), [plan, view, straps]);
  const seams = useMemo(() => seamLines(plan.graph, facets, view), [plan, facets, view]);
  const joinColour = yarnOf(plan.document, plan.document.joins.yarn).colour;
  const { piece, edge, line: pointedLine } = pointed;
  const met = useMemo(
    () =>
      new Set(
        piece !== undefined && edge !== undefined
          ? edgeMeetings(plan.graph, piece, edge).map(({ seam }) => seam.id)
          : [],
      ),
    [plan, piece, edge],
  );
  const lit = live
    ? seams.filter(({ id, line }) => line === pointedLine || met.has(id) || work?.now.has(id))
    : [];
  const litColour = lit.some(({ closing }) => closing) ? 'var(--loosestrife)' : 'var(--kingfisher)';
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
        <TrimLayer plan={plan} view={view} side="far" straps={straps} />
        <Facets plan={plan} seen={seen} live={live === true} made={made?.pieces} />
        <TrimLayer plan={plan} view={view} side="near" straps={straps} />
        {live &&
          seen
            .filter(({ facet, inside }) => facet.piece === pointed.piece && !inside)
            .map(({ facet, matrix }, i) => (
              <polygon
                key={i}
                transform={`matrix(${matrix.join(' ')})`}
                points={points(facet.outline)}
                // Bands of a drawn-in piece are tinted: their borders are none of the piece's.
                fill={facet.part ? 'var(--kingfisher)' : 'none'}
                fillOpacity={0.35}
                stroke={facet.part ? 'none' : 'var(--kingfisher)'}
                strokeWidth={3}
                vectorEffect="non-scaling-stroke"
                pointerEvents="none"
              />
            ))}
        <path
          d={pathOf(made ? seams.filter(({ id }) => made.seams.has(id)) : seams)}
          stroke={joinColour ?? '#444444'}
          strokeWidth={2.2}
          strokeDasharray="3.4 2"
          strokeOpacity={0.85}
          {...SEAM}
        />
        {work && <MadeUpThreads plan={plan} seams={seams} work={work} />}
        {twins && twins.length > 0 && <TwinLayer seen={seen} twins={twins} />}
        {live &&
          [...groupBy(seams, ({ line }) => line)].map(([line, own]) => (
            <path
              key={line}
              d={pathOf(own)}
              fill="none"
              stroke="transparent"
              strokeWidth={11}
              vectorEffect="non-scaling-stroke"
              onPointerEnter={() => pointed.point({ line })}
              onPointerLeave={() => pointed.point({})}
            />
          ))}
        <path d={pathOf(lit)} stroke={litColour} strokeWidth={5} {...SEAM} />
      </g>
      {over?.(seen)}
    </svg>
  );
}

function bounds(plan: Plan, view: View, straps: boolean) {
  const eye = camera(view);
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  const take = (at: { x: number; y: number }) => {
    left = Math.min(left, at.x);
    right = Math.max(right, at.x);
    low = Math.min(low, at.y);
    high = Math.max(high, at.y);
  };
  const edging = edgingParts(plan.graph).map(({ piece, motion }) => ({ outline: piece.outline, motion }));
  for (const { outline, motion } of [...plan.graph.facets, ...edging])
    for (const p of outline) take(project(eye, move(motion, p)));
  for (const strap of (straps ? plan.graph.trim?.straps : undefined) ?? [])
    for (const p of strapPath(strap)) take(project(eye, p));
  return { x: left, y: low, width: right - left, height: high - low };
}
