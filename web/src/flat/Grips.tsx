import { type Construction, type Control, formatLength } from '@fennot/core';
import { type PointerEvent, useRef, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { beginGesture } from '../open-bag/gesture.ts';
import type { BagStore } from '../open-bag/store.ts';

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

interface Pull {
  readonly start: number;
  readonly value: number;
  readonly set: CountControl['set'];
  readonly perStep: number;
  readonly finish: () => void;
}

function Grip({ control, px, store }: { control: CountControl; px: number; store: BagStore }) {
  const pull = useRef<Pull | undefined>(undefined);
  const [held, setHeld] = useState(false);
  const { system } = useSettings();
  const { grip } = control;
  if (!grip) return null;
  const across = grip.axis === 'x';
  const shown = control.kind === 'length' ? formatLength(control.value, system) : String(control.value);
  const place = { x: grip.at.x, y: -grip.at.y };

  const position = (event: PointerEvent) => (across ? event.clientX : -event.clientY) * px;
  const begin = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    pull.current = {
      start: position(event),
      value: control.value,
      set: control.set,
      perStep: grip.perStep,
      finish: beginGesture(store),
    };
    setHeld(true);
  };
  const move = (event: PointerEvent) => {
    const from = pull.current;
    if (!from) return;
    const steps = Math.round((position(event) - from.start) / from.perStep) * control.step;
    const value = Math.min(control.max, Math.max(control.min, from.value + steps));
    if (value === control.value) return;
    const construction = from.set(value);
    store.getState().change((document) => ({ ...document, construction }));
  };
  const end = () => {
    pull.current?.finish();
    pull.current = undefined;
    setHeld(false);
  };
  return (
    <g
      transform={`translate(${place.x} ${place.y}) scale(${px})`}
      className={`touch-none ${across ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
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
