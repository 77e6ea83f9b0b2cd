import type { Plan, Run } from '@fennot/core';
import { inNet, pathOn, pieceIndex } from '@fennot/core';
import { useMemo } from 'react';
import { threadColour } from '../drawing/thread-colour.ts';

interface ThreadsProps {
  readonly plan: Plan;
  readonly px: number;
  /** Run of the step that is shown, and the seams it joins. */
  readonly run: number | undefined;
  readonly now: ReadonlySet<string>;
  /** Seams worked up to the shown step. */
  readonly done: ReadonlySet<string>;
}

interface Stretch {
  readonly seam: string;
  readonly from: { x: number; y: number };
  readonly to: { x: number; y: number };
  /** A flat seam is one line; a closing seam shows on both its edges. */
  readonly echo: boolean;
}

/** Runs as threads over the net: number and ball at the start, an arrow at the end. */
export function Threads({ plan, px, run, now, done }: ThreadsProps) {
  const threads = useMemo(
    () => plan.joins.runs.map((one) => ({ run: one, stretches: stretchesOf(plan, one) })),
    [plan],
  );
  return (
    <g strokeLinecap="round" fill="none">
      {threads.map(({ run: one, stretches }) => {
        const colour = threadColour(one.number);
        const shown = run === undefined || run === one.number;
        const main = stretches.filter(({ echo }) => !echo);
        const [first, last] = [main[0], main.at(-1)];
        return (
          <g key={one.number} opacity={shown ? 1 : 0.5}>
            {stretches.map(({ seam: id, from, to, echo }, i) => (
              <g key={i}>
                {shown && (
                  <line
                    x1={from.x}
                    y1={-from.y}
                    x2={to.x}
                    y2={-to.y}
                    stroke="var(--card)"
                    strokeWidth={(now.has(id) ? 11 : 8) * px}
                  />
                )}
                <line
                  x1={from.x}
                  y1={-from.y}
                  x2={to.x}
                  y2={-to.y}
                  stroke={colour}
                  strokeWidth={(now.has(id) ? 7 : shown ? 4.5 : 3) * px}
                  strokeDasharray={
                    done.has(id) || now.has(id) ? undefined : `${(echo ? 2 : 7) * px} ${6 * px}`
                  }
                />
              </g>
            ))}
            {last && <Arrow from={last.from} to={last.to} colour={colour} px={px} />}
            {first && (
              <g transform={`translate(${first.from.x} ${-first.from.y}) scale(${px})`}>
                <circle r={10} fill={colour} stroke="var(--card)" strokeWidth={2} />
                <text textAnchor="middle" y={4} fontSize={11} fontWeight={700} fill="#fff">
                  {one.number}
                </text>
              </g>
            )}
          </g>
        );
      })}
    </g>
  );
}

interface ArrowProps {
  readonly from: { x: number; y: number };
  readonly to: { x: number; y: number };
  readonly colour: string;
  readonly px: number;
}

function Arrow({ from, to, colour, px }: ArrowProps) {
  const turn = (Math.atan2(-(to.y - from.y), to.x - from.x) * 180) / Math.PI;
  return (
    <path
      transform={`translate(${to.x} ${-to.y}) rotate(${turn}) scale(${px})`}
      d="M-1 -7L10 0L-1 7Z"
      fill={colour}
      stroke="var(--card)"
      strokeWidth={1.5}
    />
  );
}

function stretchesOf(plan: Plan, run: Run): Stretch[] {
  const piece = pieceIndex(plan.graph);
  return run.passes.flatMap(({ link: { seam }, forward }) => {
    const sides = seam.kind === 'flat' ? [seam.a] : [seam.a, seam.b];
    return sides.flatMap((side, i) => {
      const own = piece(side.piece);
      const way = pathOn(own, side).map((p) => inNet(own, p));
      if (!forward) way.reverse();
      return way.slice(1).map((to, k) => ({ seam: seam.id, from: way[k] ?? to, to, echo: i > 0 }));
    });
  });
}
