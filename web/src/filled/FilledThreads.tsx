import type { Plan } from '@fennot/core';
import { Line } from '@react-three/drei/core/Line';
import { useMemo } from 'react';
import { threadColour } from '../drawing/thread-colour.ts';
import type { Work } from '../madeup/MadeUpThreads.tsx';
import type { FillStart } from '../workers/fill.worker.ts';
import { lifted } from './lifted.ts';

/** A thread lies so far off the fabric, mm. */
const OFF = 2.5;

interface FilledThreadsProps {
  readonly plan: Plan;
  readonly start: FillStart;
  readonly places: Float32Array;
  readonly work: Work;
}

/** The runs along the seams of the filled bag: thick what is joined now, dashed what is to come. */
export function FilledThreads({ plan, start, places, work }: FilledThreadsProps) {
  const runOf = useMemo(
    () =>
      new Map(
        plan.joins.runs.flatMap(({ number, passes }) =>
          passes.map(({ link }) => [link.seam.id, number] as const),
        ),
      ),
    [plan],
  );
  const lines = useMemo(() => lifted(start, places, OFF), [start, places]);
  return [...lines].map(([id, along]) => {
    const run = runOf.get(id);
    if (run === undefined || along.length < 2) return null;
    const now = work.now.has(id);
    const ahead = !now && !work.done.has(id);
    return (
      <Line
        key={id}
        points={[...along]}
        color={threadColour(run)}
        lineWidth={now ? 8 : 4}
        dashed={ahead}
        dashSize={6}
        gapSize={8}
        transparent
        opacity={ahead && run !== work.run ? 0.55 : 1}
      />
    );
  });
}
