import type { Plan } from '@fennot/core';
import { Line } from '@react-three/drei/core/Line';
import { Vector3 } from 'three';
import type { FillStart } from '../workers/fill.worker.ts';
import { levelRing, lowestOf } from './level-ring.ts';

const BINDS = '#c4508f';
/** The height is drawn so far beside the bag, mm. */
const BESIDE = 12;

interface BindingProps {
  readonly plan: Plan;
  readonly start: FillStart;
  readonly places: Float32Array;
}

/**
 * Where what does not go in is stopped: round the mouth, round the body at its narrowest, or by the height. Of a bag that
 * lies only the mouth is shown: the others are told as it stands.
 */
export function Binding({ plan, start, places }: BindingProps) {
  const stopped = plan.contents.filter(({ fits }) => !fits).map(({ binds }) => binds);
  const shown = [...new Set(stopped)].filter((binds) => binds === 'opening' || start.pose !== 'lie');
  const mouth = start.mouth.map((v) => new Vector3().fromArray(places, 3 * v));
  const right = Math.max(...mouth.map(({ x }) => x)) + BESIDE;
  const high = mouth.reduce((sum, { y }) => sum + y / mouth.length, 0);
  const low = lowestOf(start, places);
  return shown.map((binds) => {
    const points =
      binds === 'opening'
        ? [...mouth, ...mouth.slice(0, 1)]
        : binds === 'body'
          ? levelRing(start, places, low, high)
          : [new Vector3(right, low, 0), new Vector3(right, high, 0)];
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
