import { type Construction, type Control, formatLength } from '@fennot/core';
import { useSettings } from '../api/queries.ts';
import type { BagStore } from '../open-bag/store.ts';
import { usePull } from '../open-bag/use-pull.ts';
import { stepsOf } from './grip-steps.ts';

interface GripsProps {
  readonly controls: readonly Control<Construction>[];
  readonly px: number;
  readonly store: BagStore;
}

type CountControl = Exclude<Control<Construction>, { kind: 'choice' }>;

/** Handles on the net: pull to change a count. One pull is one step of undo. */
export function Grips({ controls, px, store }: GripsProps) {
  return (
    <g>
      {controls.map((control) =>
        control.kind !== 'choice' && control.grip ? (
          <Grip key={control.id} control={control} px={px} store={store} />
        ) : null,
      )}
    </g>
  );
}

function Grip({ control, px, store }: { control: CountControl; px: number; store: BagStore }) {
  const { system } = useSettings();
  const { grip } = control;
  const across = grip?.axis === 'x';
  const { bind, held } = usePull(store, () => {
    if (!grip) return undefined;
    const { value: from, set, min, max, step } = control;
    return ({ x, y }) => {
      const steps = stepsOf(across ? x : -y, grip.perStep, px) * step;
      const value = Math.min(max, Math.max(min, from + steps));
      return (document) => (value === from ? document : { ...document, construction: set(value) });
    };
  });
  if (!grip) return null;
  const shown = control.kind === 'length' ? formatLength(control.value, system) : String(control.value);
  const place = { x: grip.at.x, y: -grip.at.y };
  return (
    <g
      {...bind()}
      transform={`translate(${place.x} ${place.y}) scale(${px})`}
      className={`touch-none ${across ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
      data-grip={control.id}
    >
      <circle r={18} fill="transparent" />
      <circle r={10} fill="var(--kingfisher)" stroke="var(--card)" strokeWidth={2} />
      <path
        d={
          across
            ? 'M-5 0H5M-5 0l2.5-2.5M-5 0l2.5 2.5M5 0l-2.5-2.5M5 0l-2.5 2.5'
            : 'M0-5V5M0-5l-2.5 2.5M0-5l2.5 2.5M0 5l-2.5-2.5M0 5l2.5-2.5'
        }
        stroke="var(--card)"
        strokeWidth={1.6}
        fill="none"
        strokeLinecap="round"
      />
      <title>{`${control.label}: ${shown}`}</title>
      {held && (
        <g transform="translate(0 -26)">
          <rect x={-26} y={-13} width={52} height={20} rx={4} fill="var(--ink)" />
          <text textAnchor="middle" y={2} fontSize={13} fontWeight={700} fill="var(--card)">
            {shown}
          </text>
        </g>
      )}
    </g>
  );
}
