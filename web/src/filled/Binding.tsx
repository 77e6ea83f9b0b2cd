import type { Plan } from '@fennot/core';
import { Line } from '@react-three/drei/core/Line';
import { Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';
import { levelRing } from './level-ring.ts';

const BINDS = '#c4508f';

interface BindingProps {
  readonly plan: Plan;
  readonly start: FillStart;
  readonly places: Float32Array;
}

/** Where what does not go in is stopped: round the mouth, round the body at its narrowest, or by the height. */
export function Binding({ plan, start, places }: BindingProps) {
  const stopped = plan.contents.filter(({ fits }) => !fits).map(({ binds }) => binds);
  const at = (v: number) => new Vector3().fromArray(places, 3 * v);
  const mouth = start.mouth.map(at);
  const high = mouth.reduce((sum, { y }) => sum + y / mouth.length, 0);
  const right = Math.max(...start.mouth.map((v) => places[3 * v] ?? 0));
  return [...new Set(stopped)].map((binds) => {
    const points =
      binds === 'opening'
        ? [...mouth, ...mouth.slice(0, 1)]
        : binds === 'body'
          ? levelRing(start, places, high)
          : [new Vector3(right + 12, 0, 0), new Vector3(right + 12, high, 0)];
    if (points.length < 2) return null;
    return (
      <Line
        key={binds}
        points={points}
        segments={binds === 'body'}
        color={BINDS}
        lineWidth={4}
        depthTest={false}
      />
    );
  });
}
