import {
  type BriefMeasure,
  boundsOf,
  formatLength,
  lengthFigure,
  lengthSchema,
  MEASURE_NAMES,
  MM_PER_INCH,
  mm,
  type Tape as TapeReading,
} from '@fennot/core';
import { scaleLinear } from 'd3-scale';
import { useRef } from 'react';
import { useSettings } from '../api/queries.ts';
import type { BagStore } from '../open-bag/store.ts';
import { usePull } from '../open-bag/use-pull.ts';

const VERDICTS = {
  'no target': { text: '', mark: '', colour: 'text-soft' },
  reached: { text: 'reached', mark: '✓', colour: 'text-reed' },
  likely: { text: 'likely', mark: '≈', colour: 'text-marigold-ink' },
  under: { text: 'under', mark: '↓', colour: 'text-loosestrife' },
  over: { text: 'over', mark: '↑', colour: 'text-loosestrife' },
} as const;

interface TapeProps {
  readonly tape: TapeReading;
  /** The bag whose target its flag pulls; without it the flag stands still. */
  readonly store?: BagStore | undefined;
  /** Little room: the range stands under the figure. */
  readonly narrow?: boolean;
}

const WIDTH = 220;
const HEIGHT = 58;
const TICK = { named: 11, half: 8, fine: 5 } as const;
/** Room for a number and what is round it, and for two fine marks, of the tape's own width. */
const PER_NAME = 32;
const PER_MARK = 4;

interface TapeMark {
  /** In whole centimetres or inches. */
  readonly at: number;
  readonly size: keyof typeof TICK;
}

/** The marks of a stretch of tape, as many as can be told apart: numbers, halves between them, single ones. */
function tapeMarks(from: number, to: number): TapeMark[] {
  const stretch = scaleLinear([Math.max(0, from), to], [0, WIDTH]);
  const named = stretch.ticks(WIDTH / PER_NAME).filter(Number.isInteger);
  const [first = 0, second = first + 1] = named;
  const every = second - first;
  const marks = new Map<number, TapeMark['size']>(named.map((at) => [at, 'named']));
  const single = stretch(first + 1) - stretch(first) >= PER_MARK;
  for (let at = Math.ceil(Math.max(0, from)); at <= to; at++) {
    if (marks.has(at)) continue;
    const half = every % 2 === 0 && (at - first) % (every / 2) === 0;
    if (half) marks.set(at, 'half');
    else if (single) marks.set(at, 'fine');
  }
  return [...marks].map(([at, size]) => ({ at, size }));
}

/** One tape measure: ticks, the predicted 90 % band with its middle, and a flag at the target. */
export function Tape({ tape, store, narrow }: TapeProps) {
  const { system } = useSettings();
  const svg = useRef<SVGSVGElement>(null);
  const { finished, target } = tape;
  const unit = system === 'cm' ? 10 : MM_PER_INCH;
  // The window of the tape shows target and prediction with room on both sides.
  const low = Math.min(finished.range.low, target ? target.value - target.tolerance : Infinity);
  const high = Math.max(finished.range.high, target ? target.value + target.tolerance : 0);
  const span = Math.max((high - low) * 1.5, 10 * unit);
  const start = Math.max(-0.5 * unit, (low + high) / 2 - span / 2);
  const scale = scaleLinear([start, start + span], [0, WIDTH]);
  const x = (length: number) => scale(length);
  const marks = tapeMarks(start / unit, (start + span) / unit);
  const verdict = VERDICTS[tape.verdict];
  const band =
    tape.verdict === 'under' || tape.verdict === 'over'
      ? 'var(--loosestrife)'
      : tape.verdict === 'likely'
        ? 'var(--marigold)'
        : 'var(--reed)';

  const name = MEASURE_NAMES[tape.measure];
  const range = `${lengthFigure(finished.range.low, system)} to ${formatLength(finished.range.high, system)}`;
  const aim = target
    ? `, wanted ${formatLength(target.value, system)} within ${formatLength(target.tolerance, system)}: ${verdict.text}`
    : '';
  return (
    <figure
      className="flex min-w-0 flex-col justify-between"
      aria-label={`${name}: ${formatLength(finished.value, system)}, range ${range}${aim}`}
    >
      <figcaption className={`flex items-baseline justify-between gap-1 ${narrow ? 'tracking-tight' : ''}`}>
        <span className="text-xs font-medium whitespace-nowrap text-soft">{name}</span>
        <span className={`text-xs font-semibold whitespace-nowrap ${verdict.colour}`}>
          {verdict.mark} {verdict.text}
        </span>
      </figcaption>
      <p
        className={`flex items-baseline gap-x-1.5 whitespace-nowrap ${narrow ? 'flex-col leading-none' : ''}`}
        data-testid={`tape-${tape.measure}`}
      >
        <span className="font-head text-xl font-semibold tabular-nums">
          {formatLength(finished.value, system)}
        </span>
        <span className="font-tape text-[12px] tracking-tighter text-soft">
          {finished.sd > 0.05
            ? `${lengthFigure(finished.range.low, system)}–${lengthFigure(finished.range.high, system)}`
            : 'pressed flat'}
        </span>
      </p>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full overflow-visible"
        preserveAspectRatio="none"
        style={{ height: HEIGHT }}
        aria-hidden="true"
      >
        <rect
          x={0}
          y={22}
          width={WIDTH}
          height={34}
          rx={3}
          fill="var(--marigold-pale)"
          stroke="var(--line)"
        />
        {target && (
          <rect
            x={x(target.value - target.tolerance)}
            y={22}
            width={Math.max(1, x(target.value + target.tolerance) - x(target.value - target.tolerance))}
            height={34}
            fill="var(--marigold)"
            fillOpacity={0.28}
          />
        )}
        {marks.map(({ at, size }) => (
          <g key={at}>
            <line
              x1={x(at * unit)}
              x2={x(at * unit)}
              y1={56}
              y2={56 - TICK[size]}
              stroke="var(--ink)"
              strokeOpacity={0.75}
              strokeWidth={0.8}
            />
            {size === 'named' && x(at * unit) > 6 && x(at * unit) < WIDTH - 6 && (
              <text
                x={x(at * unit)}
                y={42}
                textAnchor="middle"
                fontSize={9.5}
                fontFamily="var(--font-tape)"
                fill="var(--ink)"
              >
                {at}
              </text>
            )}
          </g>
        ))}
        <rect
          x={x(finished.range.low)}
          y={24}
          width={Math.max(2, x(finished.range.high) - x(finished.range.low))}
          height={7}
          rx={2}
          fill={band}
          fillOpacity={0.55}
        />
        <path
          d={`M${x(finished.value)} 35l-4-5v-8h8v8Z`}
          fill={band}
          stroke="var(--card)"
          strokeWidth={0.8}
        />
        {target &&
          (store ? (
            <PulledFlag
              measure={tape.measure}
              store={store}
              x={x(target.value)}
              value={target.value}
              /** mm a pixel of the screen, now. */
              perPixel={() => span / (svg.current?.getBoundingClientRect().width || WIDTH)}
            />
          ) : (
            <Flag x={x(target.value)} />
          ))}
      </svg>
    </figure>
  );
}

/** The flag at the target. */
function Flag({ x }: { readonly x: number }) {
  return (
    <>
      <rect x={x - 10} y={0} width={30} height={58} fill="transparent" />
      <line x1={x} x2={x} y1={2} y2={56} stroke="var(--marigold-ink)" strokeWidth={1.6} />
      <path
        d={`M${x} 2h17l-4.5 5.5 4.5 5.5h-17Z`}
        fill="var(--marigold)"
        stroke="var(--marigold-ink)"
        strokeWidth={0.8}
      />
    </>
  );
}

interface PulledFlagProps {
  readonly measure: BriefMeasure;
  readonly store: BagStore;
  readonly x: number;
  readonly value: number;
  readonly perPixel: () => number;
}

/** A flag that is pulled to another target, to whole half centimetres or quarter inches. */
function PulledFlag({ measure, store, x, value, perPixel }: PulledFlagProps) {
  const { system } = useSettings();
  const { bind } = usePull(store, () => {
    const scale = perPixel();
    const step = system === 'cm' ? 5 : MM_PER_INCH / 4;
    const { max } = boundsOf(lengthSchema);
    return ({ x: by }) => {
      const wanted = Math.min(max, Math.max(step, Math.round((value + by * scale) / step) * step));
      return (document) => {
        const target = document.brief[measure];
        if (by === 0 || !target) return document;
        return { ...document, brief: { ...document.brief, [measure]: { ...target, value: mm(wanted) } } };
      };
    };
  });
  return (
    <g {...bind()} className="cursor-ew-resize touch-none" data-flag={measure}>
      <Flag x={x} />
    </g>
  );
}
