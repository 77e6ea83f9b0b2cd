import { type Plan, usualFilling } from '@fennot/core';
import { Canvas } from '@react-three/fiber';
import { useMemo } from 'react';
import { useSettings } from '../api/queries.ts';
import { FilledScene } from './FilledScene.tsx';
import { VIEW_ANGLE } from './fit-view.ts';
import { useFilling } from './use-filling.ts';

interface FilledSideBySideProps {
  /** The bag that is filled. */
  readonly plan: Plan;
  /** The same bag in other colours: one form serves them all. */
  readonly dressed: ReadonlyArray<{ readonly id: string; readonly name: string; readonly plan: Plan }>;
}

/** One bag filled, as often as there are arrangements of it; each is turned by hand for itself. */
export default function FilledSideBySide({ plan, dressed }: FilledSideBySideProps) {
  const { hand } = useSettings();
  const usual = useMemo(() => usualFilling(plan.graph, plan.contents), [plan]);
  const state = useFilling(plan, hand, { ...usual, closed: false, drawn: 0 });
  if (!state) return <p className="text-sm text-soft">Laying the net out ...</p>;
  if ('failed' in state)
    return (
      <p role="alert" className="text-sm text-loosestrife">
        This bag could not be filled: {state.failed} The pressed views still show it.
      </p>
    );
  const last = state.frames.length - 1;
  return dressed.map(({ id, name, plan: own }) => (
    <Canvas
      key={id}
      dpr={1}
      frameloop="demand"
      camera={{ fov: VIEW_ANGLE, position: [0, 200, 1200], near: 10, far: 20000 }}
      gl={{ localClippingEnabled: true }}
      aria-label={`${name}, filled`}
      role="img"
    >
      <FilledScene state={{ ...state, plan: own }} frame={last} open={false} work={undefined} />
    </Canvas>
  ));
}
