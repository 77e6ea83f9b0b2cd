import {
  BODY,
  drawnFacets,
  FRONT,
  measure,
  type Plan,
  type Straps,
  seenFacets,
  strapSwatch,
  yarnOfSwatch,
} from '@fennot/core';
import { useMemo } from 'react';
import { Facets } from './Facets.tsx';
import { TrimLayer } from './TrimLayer.tsx';
import { wornOf, wornText } from './worn.ts';

/** Half of a body's outline from the neck down, as shares of its height: x from the middle, y above the ground. */
const RIGHT_HALF: ReadonlyArray<readonly [number, number]> = [
  [0.026, 0.9],
  [0.03, 0.86],
  [0.034, 0.842],
  [0.06, 0.832],
  [0.11, 0.82],
  [0.135, 0.795],
  [0.148, 0.72],
  [0.156, 0.63],
  [0.163, 0.54],
  [0.168, 0.47],
  [0.17, 0.42],
  [0.158, 0.38],
  [0.146, 0.42],
  [0.146, 0.48],
  [0.136, 0.55],
  [0.126, 0.63],
  [0.112, 0.72],
  [0.1, 0.76],
  [0.094, 0.7],
  [BODY.waistHalf, BODY.waist],
  [BODY.hipHalf + 0.004, BODY.hip],
  [0.098, 0.46],
  [0.082, 0.36],
  [0.066, BODY.knee],
  [0.064, 0.2],
  [0.042, 0.06],
  [0.07, 0.012],
  [0.02, 0.012],
  [0.018, 0.06],
  [0.02, 0.2],
  [0.018, BODY.knee],
  [0.012, 0.4],
  [0.004, 0.47],
];

/** A smooth line through points. */
function smoothPath(points: ReadonlyArray<readonly [number, number]>): string {
  const [first] = points;
  if (!first) return '';
  const middle = (i: number) => {
    const [p, q] = [points[i] ?? first, points[i + 1] ?? first];
    return `${((p[0] + q[0]) / 2).toFixed(1)} ${((p[1] + q[1]) / 2).toFixed(1)}`;
  };
  const bends = points.slice(1, -1).map(([x, y], i) => `Q${x.toFixed(1)} ${y.toFixed(1)} ${middle(i + 1)}`);
  return `M${first[0].toFixed(1)} ${first[1].toFixed(1)}${bends.join('')}`;
}

interface OnFigureProps {
  readonly plan: Plan;
  readonly straps: Straps;
}

/** The bag hung on a plain figure by its straps at their real length, all to one scale. */
export function OnFigure({ plan, straps }: OnFigureProps) {
  const { wearer, hung } = wornOf(plan, straps);
  const { stature, carried } = wearer;
  const seen = useMemo(() => seenFacets(drawnFacets(plan.graph), FRONT), [plan]);
  const { width } = measure(plan.graph);
  const half = RIGHT_HALF.map(([x, y]) => [x * stature, y * stature] as const);
  const whole = [...half, ...half.map(([x, y]) => [-x, y] as const).reverse()];
  const { colour } = yarnOfSwatch(plan.document, strapSwatch(plan.document, straps));
  const [strap] = plan.graph.trim?.straps?.filter(({ behind }) => !behind) ?? [];
  const ends = strap ? [strap.from.x, strap.to.x] : [-width / 2, width / 2];
  const band = strap?.width ?? 20;
  const { holds, rim } = hung;
  const right = Math.max(0.2 * stature, rim.x + width / 2) + 0.04 * stature;
  const left = Math.min(-0.3 * stature, rim.x - width / 2 - 0.04 * stature);
  const low = Math.min(0, hung.bottom) - 0.02 * stature;
  const says = wornText(hung);
  return (
    <svg
      viewBox={`${left} ${-1.03 * stature} ${right - left} ${1.03 * stature - low}`}
      role="img"
      aria-label={`The bag on a figure of ${Math.round(stature / 10)} cm, carried ${carried === 'across' ? 'across the body' : `on the ${carried}`}. ${says}`}
      className="size-full p-2"
    >
      <g transform="scale(1 -1)">
        <ellipse
          cx={0}
          cy={0.005 * stature}
          rx={0.17 * stature}
          ry={0.014 * stature}
          fill="#0b1512"
          opacity={0.14}
        />
        <g fill="var(--card)" stroke="var(--soft)" strokeWidth={0.004 * stature} strokeLinejoin="round">
          <path d={`${smoothPath(whole)}Z`} />
          <ellipse cx={0} cy={0.936 * stature} rx={0.047 * stature} ry={0.064 * stature} />
        </g>
        <Levels stature={stature} left={left} />
        <path
          d={ends.map((x) => `M${holds.x} ${holds.y}L${rim.x + x} ${rim.y - 4}`).join('')}
          stroke="#1e2b28"
          strokeOpacity={0.5}
          strokeWidth={band + 5}
          strokeLinecap="round"
          fill="none"
        />
        <path
          d={ends.map((x) => `M${holds.x} ${holds.y}L${rim.x + x} ${rim.y - 4}`).join('')}
          stroke={colour}
          strokeWidth={band}
          strokeLinecap="round"
          fill="none"
        />
        <g transform={`translate(${rim.x} ${hung.bottom})`}>
          <TrimLayer plan={plan} view={FRONT} side="far" straps={false} />
          <Facets plan={plan} seen={seen} live={false} />
          <TrimLayer plan={plan} view={FRONT} side="near" straps={false} />
        </g>
      </g>
    </svg>
  );
}

/** Names of the places a bag hangs at, along the left. */
function Levels({ stature, left }: { readonly stature: number; readonly left: number }) {
  return (['shoulder', 'waist', 'hip', 'knee'] as const).map((level) => (
    <g key={level}>
      <line
        x1={left}
        x2={-0.19 * stature}
        y1={BODY[level] * stature}
        y2={BODY[level] * stature}
        stroke="var(--line)"
        strokeWidth={0.004 * stature}
      />
      <text
        transform="scale(1 -1)"
        x={left}
        y={-(BODY[level] + 0.008) * stature}
        fontSize={0.034 * stature}
        fill="var(--soft)"
      >
        {level}
      </text>
    </g>
  ));
}
