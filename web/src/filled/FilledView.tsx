import {
  type BagGraph,
  closingOf,
  type FilledShape,
  formatLength,
  formatVolume,
  type Hanger,
  hangerOf,
  type LengthSystem,
  type Plan,
  POSES,
  type Pose,
  piecesText,
  usualFilling,
} from '@fennot/core';
import { Canvas } from '@react-three/fiber';
import { Lock, Scissors } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import type { Work } from '../madeup/MadeUpThreads.tsx';
import { Switcher } from '../ui/Switcher.tsx';
import type { FillHow } from '../workers/fill.worker.ts';
import { FilledScene } from './FilledScene.tsx';
import { VIEW_ANGLE } from './fit-view.ts';
import { type FillState, useFilling } from './use-filling.ts';

/** What a pose is called, by what the bag hangs by. */
const HUNG: Record<Hanger, string> = {
  straps: 'By its straps',
  handles: 'By its handles',
  shoulders: 'As it is worn',
  rim: 'Held by its rim',
};

const poseName = (pose: Pose, graph: BagGraph) =>
  pose === 'stand' ? 'Standing' : pose === 'lie' ? 'Lying' : HUNG[hangerOf(graph)];

/** The bag filled: it fills from how it lies pressed, stands, hangs or lies, turns, zooms, is cut open. */
export default function FilledView({
  plan,
  work,
}: {
  readonly plan: Plan;
  readonly work?: Work | undefined;
}) {
  const { system, hand } = useSettings();
  const usual = useMemo(() => usualFilling(plan.graph, plan.contents), [plan]);
  const [chosen, choose] = useState<Partial<FillHow>>({});
  const { pose, soft, closed, drawn } = { ...usual, closed: false, drawn: 0, ...chosen };
  const state = useFilling(plan, hand, { pose, soft, closed, drawn });
  const closes = closingOf(plan.closure) !== undefined;
  const draws = (plan.graph.trim?.eyelets ?? 0) > 0;
  const [scrub, setScrub] = useState<number | undefined>(undefined);
  const [open, setOpen] = useState(false);
  const still = useMemo(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new plan is shown from its start
  useEffect(() => setScrub(undefined), [plan.document, pose, soft, closed, drawn]);
  if (!state) return <p className="p-4 text-sm text-soft">Laying the net out ...</p>;
  if ('failed' in state)
    return (
      <p role="alert" className="p-4 text-sm text-loosestrife">
        This bag could not be filled: {state.failed} The pressed views still show it.
      </p>
    );
  const { start, frames, shape } = state;
  const last = frames.length - 1;
  // Who wants no motion sees the end only.
  const shown = Math.min(last, scrub ?? (still && !shape ? start.unfolding.length : last));
  return (
    <div className="flex size-full min-h-0 flex-col">
      <div className="relative min-h-0 grow max-sm:h-72">
        <Canvas
          dpr={[1, 2]}
          frameloop="demand"
          camera={{ fov: VIEW_ANGLE, position: [0, 200, 1200], near: 10, far: 20000 }}
          gl={{ localClippingEnabled: true }}
          aria-label={describe(state, system)}
          role="img"
        >
          <FilledScene state={state} frame={shown} open={open} work={work} />
        </Canvas>
      </div>
      <div className="flex flex-wrap items-center gap-2 px-3 pb-1">
        <Switcher
          label="How it is put"
          value={pose}
          options={POSES.map((value) => ({ value, label: poseName(value, plan.graph) }))}
          onChange={(next) => choose({ ...chosen, pose: next })}
        />
        <PercentSlider
          label="Soft filling"
          least={10}
          value={soft}
          onChange={(share) => choose({ ...chosen, soft: share })}
        />
        {draws && (
          <PercentSlider
            label="Drawn shut"
            least={0}
            value={drawn}
            onChange={(share) => choose({ ...chosen, drawn: share })}
          />
        )}
        {closes && (
          <button
            type="button"
            aria-pressed={closed}
            onClick={() => choose({ ...chosen, closed: !closed })}
            className="inline-flex min-h-8 items-center gap-1.5 rounded-sm border border-line bg-card px-2 text-xs font-medium text-soft hover:text-kingfisher aria-pressed:bg-kingfisher-pale aria-pressed:text-ink"
          >
            <Lock size={13} /> Closed
          </button>
        )}
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
          aria-label="From flat to filled"
          onChange={(event) => setScrub(Number(event.target.value))}
          className="min-w-0 grow accent-kingfisher"
        />
        filled
      </label>
      <p className="px-3 pt-1 text-xs text-soft" data-testid="filled">
        {shape ? saidOf(state, shape, system) : 'It fills ...'}
      </p>
    </div>
  );
}

/** A share in steps of ten percent. */
function PercentSlider({
  label,
  least,
  value,
  onChange,
}: {
  readonly label: string;
  readonly least: number;
  readonly value: number;
  readonly onChange: (share: number) => void;
}) {
  return (
    <label className="flex min-w-40 grow items-center gap-2 text-xs text-soft">
      {label}
      <input
        type="range"
        min={least}
        max={100}
        step={10}
        value={Math.round(100 * value)}
        aria-label={`${label}, percent`}
        onChange={(event) => onChange(Number(event.target.value) / 100)}
        className="min-w-0 grow accent-kingfisher"
      />
    </label>
  );
}

function saidOf({ plan, start }: FillState, shape: FilledShape, system: LengthSystem): string {
  const out = start.leftOut.map(({ id, why }) => {
    const name = nameOf(plan, id);
    return why === 'too large' ? `${name} does not go in.` : `${name} finds no room beside the others.`;
  });
  const through = shape.passesThrough === 1 ? 'one place' : `${shape.passesThrough} places`;
  return [
    ...out,
    ...(shape.passesThrough > 0
      ? [
          `This form is not to be trusted: its fabric goes through itself in ${through}. The pressed views hold.`,
        ]
      : []),
    `Holds about ${formatVolume(shape.volume, system)} up to its mouth, which is ${formatLength(shape.opening, system)} round; bulges to ${formatLength(shape.bulge, system)}.`,
    'A picture of a filled bag: sizes are on the tapes.',
  ].join(' ');
}

const nameOf = (plan: Plan, id: string) =>
  plan.contents.find(({ content }) => content.id === id)?.content.name ?? '';

function describe({ plan, start, shape }: FillState, system: LengthSystem): string {
  const named = (things: readonly { readonly id: string }[]) =>
    things.map(({ id }) => nameOf(plan, id)).join(', ');
  return [
    `${poseName(start.pose, plan.graph)}: ${plan.familyName} bag of ${piecesText(plan.tally)}, filled${
      shape ? `: about ${formatVolume(shape.volume, system)}` : ', still coming together'
    }.`,
    start.inside.length > 0 && `Inside: ${named(start.inside)}.`,
    start.leftOut.length > 0 && `Beside it: ${named(start.leftOut)}.`,
    'The pressed views name its faces.',
  ]
    .filter(Boolean)
    .join(' ');
}
