import { groupBy, type Plan } from '@fennot/core';
import { threadColour } from '../drawing/thread-colour.ts';
import { pathOf, type SeenSeam } from './seam-lines.ts';

/** The joining as far as it is played. */
export interface Work {
  readonly run: number | undefined;
  /** Seams the shown step joins, and those joined before it. */
  readonly now: ReadonlySet<string>;
  readonly done: ReadonlySet<string>;
}

interface MadeUpThreadsProps {
  readonly plan: Plan;
  readonly seams: readonly SeenSeam[];
  readonly work: Work;
}

const THREAD = {
  fill: 'none',
  strokeLinecap: 'round',
  vectorEffect: 'non-scaling-stroke',
  pointerEvents: 'none',
} as const;

/** The runs along the seams that are seen: whole where they are joined, dashed where they are to come. */
export function MadeUpThreads({ plan, seams, work }: MadeUpThreadsProps) {
  const runOf = new Map(
    plan.joins.runs.flatMap(({ number, passes }) =>
      passes.map(({ link }) => [link.seam.id, number] as const),
    ),
  );
  const state = ({ id }: SeenSeam) => (work.now.has(id) ? 'now' : work.done.has(id) ? 'done' : 'ahead');
  const threads = groupBy(seams, (seam) => `${runOf.get(seam.id) ?? 0} ${state(seam)}`);
  return [...threads].map(([key, own]) => {
    const [run, at] = key.split(' ');
    const d = pathOf(own);
    return (
      <g key={key} opacity={at === 'ahead' && Number(run) !== work.run ? 0.55 : 1}>
        {at !== 'ahead' && (
          <path d={d} stroke="var(--card)" strokeWidth={at === 'now' ? 9 : 5.5} {...THREAD} />
        )}
        <path
          d={d}
          stroke={threadColour(Number(run))}
          strokeWidth={at === 'now' ? 6 : 3}
          strokeDasharray={at === 'ahead' ? '2 6' : undefined}
          {...THREAD}
        />
      </g>
    );
  });
}
