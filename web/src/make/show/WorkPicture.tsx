import { motifOf, type PieceTask, type Plan, rowsOf, yarnOf } from '@fennot/core';
import { useMemo } from 'react';
import { motifPicture } from '../../drawing/motif-picture.ts';

/** What is not worked yet, by day and by night. */
const PALE = '#d3d8cc';

interface WorkPictureProps {
  readonly plan: Plan;
  readonly task: PieceTask;
  /** Rows or rounds that are done; all of them unless it is said. */
  readonly done?: number;
  readonly className?: string;
}

/** A piece as far as it is worked: a motif round by round, anything else row by row. What comes is pale. */
export function WorkPicture({ plan, task, done = task.rows, className = '' }: WorkPictureProps) {
  const rows = useMemo(() => rowsOf(plan, task), [plan, task]);
  const colours = rows.map(({ number, yarn }) =>
    number <= done + 1 ? yarnOf(plan.document, yarn).colour : PALE,
  );
  const made = plan.graph.pieces.find(({ id }) => id === task.pieces[0])?.make;
  if (made?.of === 'motif')
    return (
      <img
        src={motifPicture(motifOf(plan.document, made.motif), task.rows, colours)}
        alt=""
        className={`object-contain ${className}`}
      />
    );
  return <RowsPicture rows={rows} colours={colours} done={done} className={className} />;
}

interface RowsPictureProps {
  readonly rows: ReturnType<typeof rowsOf>;
  readonly colours: readonly string[];
  readonly done: number;
  readonly className: string;
}

/** Rows are drawn upwards, as they are worked; of a long piece those near the hook. */
const SEEN = 26;

function RowsPicture({ rows, colours, done, className }: RowsPictureProps) {
  const from = Math.max(0, Math.min(rows.length - SEEN, done - Math.round(SEEN * 0.7)));
  const seen = rows.slice(from, from + SEEN);
  const high = Math.min(10, 100 / seen.length);
  return (
    <svg viewBox="0 0 120 104" aria-hidden="true" className={className}>
      {seen.map(({ number, marks }, i) => {
        const y = 102 - (i + 1) * high;
        const now = number === done + 1;
        const worked = number <= done;
        return (
          <g key={number} opacity={worked || now ? 1 : 0.35}>
            <rect
              x={14}
              y={y}
              width={92}
              height={high}
              fill={colours[number - 1] ?? PALE}
              stroke={now ? 'var(--kingfisher)' : 'none'}
              strokeWidth={2}
            />
            {Array.from({ length: 23 }, (_, k) => (
              <path
                key={k}
                d={`M${14 + k * 4} ${y + high} l2 ${-0.72 * high} l2 ${0.72 * high}`}
                stroke="#0b1512"
                strokeOpacity={0.22}
                strokeWidth={0.8}
                fill="none"
              />
            ))}
            {marks.length > 0 && (
              <path d={`M108 ${y} h6`} stroke="var(--marigold)" strokeWidth={3} strokeLinecap="round" />
            )}
          </g>
        );
      })}
    </svg>
  );
}
