import {
  formatLength,
  formatVolume,
  type Handling,
  type LengthSystem,
  type Plan,
  piecesText,
} from '@fennot/core';
import { Canvas } from '@react-three/fiber';
import { Scissors } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { Switcher } from '../ui/Switcher.tsx';
import { FilledScene } from './FilledScene.tsx';
import { VIEW_ANGLE } from './fit-view.ts';
import { type FillState, useFilling } from './use-filling.ts';

const HANDLING_NAMES: Record<Handling, string> = {
  fill: 'Standing',
  lift: 'By the straps',
  flatten: 'Pressed flat',
};

/** The bag filled: comes together from the net, then turns, zooms, is cut open, hung, pressed flat. */
export default function FilledView({ plan }: { readonly plan: Plan }) {
  const { system, hand } = useSettings();
  const state = useFilling(plan.document, hand);
  const [scrub, setScrub] = useState<number | undefined>(undefined);
  const [open, setOpen] = useState(false);
  const still = useMemo(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new plan is shown from its start
  useEffect(() => setScrub(undefined), [plan.document]);
  if (!state) return <p className="p-4 text-sm text-soft">Laying the net out ...</p>;
  if ('failed' in state)
    return (
      <p role="alert" className="p-4 text-sm text-loosestrife">
        This bag could not be filled: {state.failed} The pressed views still show it.
      </p>
    );
  const { frames, shape, handling, handle } = state;
  const last = frames.length - 1;
  // Who wants no motion sees the end only.
  const shown = Math.min(last, scrub ?? (still && !shape && handling === 'fill' ? 0 : last));
  return (
    <div className="flex size-full min-h-0 flex-col">
      <div className="relative min-h-0 grow">
        <Canvas
          dpr={[1, 2]}
          frameloop="demand"
          camera={{ fov: VIEW_ANGLE, position: [0, 200, 1200], near: 10, far: 20000 }}
          gl={{ localClippingEnabled: true }}
          aria-label={describe(plan, state, system)}
          role="img"
        >
          <FilledScene plan={plan} state={state} frame={shown} open={open} />
        </Canvas>
      </div>
      <div className="flex flex-wrap items-center gap-2 px-3 pb-1">
        <Switcher
          label="What is done with it"
          value={handling}
          options={(['fill', 'lift', 'flatten'] as const).map((value) => ({
            value,
            label: HANDLING_NAMES[value],
          }))}
          onChange={(next) => {
            setScrub(undefined);
            handle(next);
          }}
        />
        <button
          type="button"
          aria-pressed={open}
          title="Cut open in front, to see what is in it"
          onClick={() => setOpen(!open)}
          className="inline-flex min-h-8 items-center gap-1.5 rounded-sm border border-line bg-card px-2 text-xs font-medium text-soft hover:text-kingfisher aria-pressed:bg-kingfisher-pale aria-pressed:text-ink"
        >
          <Scissors size={13} /> Inside
        </button>
      </div>
      <label className="flex items-center gap-3 px-3 text-xs text-soft">
        flat
        <input
          type="range"
          min={0}
          max={Math.max(1, last)}
          value={shown}
          aria-label="From flat to made up"
          onChange={(event) => setScrub(Number(event.target.value))}
          className="min-w-0 grow accent-kingfisher"
        />
        {handling === 'fill' ? 'filled' : HANDLING_NAMES[handling].toLowerCase()}
      </label>
      <p className="px-3 pt-1 text-xs text-soft" data-testid="filled">
        {shape
          ? saidOf(plan, handling, shape, bulgeOf(frames.at(-1)), system)
          : handling === 'fill'
            ? 'The seams draw together ...'
            : 'It moves ...'}
      </p>
    </div>
  );
}

/** How thick the filled bag is from front to back, mm. */
function bulgeOf(frame: Float32Array | undefined): number {
  let [low, high] = [0, 0];
  for (let i = 2; i < (frame?.length ?? 0); i += 3) {
    low = Math.min(low, frame?.[i] ?? 0);
    high = Math.max(high, frame?.[i] ?? 0);
  }
  return high - low;
}

function saidOf(
  { graph }: Plan,
  handling: Handling,
  shape: NonNullable<FillState['shape']>,
  bulge: number,
  system: LengthSystem,
): string {
  // With a flap or handles the free edge runs round them, too, and says nothing about the mouth.
  const plain = !graph.facets.some(({ face }) => face === 'flap' || face === 'handle');
  const opening = formatLength(shape.opening, system);
  switch (handling) {
    case 'fill':
      return `Holds about ${formatVolume(shape.volume, system)} up to the rim${plain ? `; opening ${opening} round` : ''}; bulges to ${formatLength(bulge, system)}. A picture of a filled bag: sizes are on the tapes.`;
    case 'lift':
      return `Hung by four places of its rim, loaded${plain ? `: the opening is then ${opening} round` : ''}.`;
    case 'flatten':
      return 'Pressed flat again, as it lies in a drawer.';
  }
}

function describe(plan: Plan, { shape }: FillState, system: LengthSystem): string {
  const things = plan.contents.map(
    ({ content, fits }) => `${content.name} ${fits ? 'fits' : 'does not fit'}`,
  );
  return `${plan.familyName} bag of ${piecesText(plan.tally)}, filled${
    shape ? `: about ${formatVolume(shape.volume, system)}` : ', still coming together'
  }.${things.length > 0 ? ` Inside: ${things.join(', ')}.` : ''} The pressed views name its faces.`;
}
