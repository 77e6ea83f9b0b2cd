import { type LengthSystem, MM_PER_INCH } from '@fennot/core';
import { scaleLinear } from 'd3-scale';
import type { Frame } from './frame.ts';

interface RulersProps {
  readonly frame: Frame;
  readonly system: LengthSystem;
  /** Where zero lies, mm in the net, y up. */
  readonly origin: { readonly x: number; readonly y: number };
  readonly width: number;
  readonly height: number;
}

/** Room for a number and what is round it, and between two marks, px. */
const PER_NAME = 42;
const PER_MARK = 4;

/** A ruler along the upper and the left edge of the net, in the maker's unit. */
export function Rulers({ frame, system, origin, width, height }: RulersProps) {
  const { px } = frame;
  const unit = system === 'cm' ? 10 : MM_PER_INCH;
  // Numbers as far apart as they can be read; one step for both rulers.
  const longest = Math.max(width, height);
  const [first = 0, second = 1] = scaleLinear([0, longest / unit], [0, longest / px])
    .ticks(longest / px / PER_NAME)
    .filter(Number.isInteger);
  const every = Math.max(1, second - first);
  const single = unit / px >= PER_MARK;
  const ticks = (length: number) =>
    Array.from({ length: Math.floor(length / unit + 0.001) + 1 }, (_, i) => i).filter(
      (i) => single || i % every === 0,
    );
  const y = -(origin.y + height) - 12 * px;
  const x = origin.x - 12 * px;
  const text = { fontSize: 11 * px, fill: 'var(--soft)', fontFamily: 'var(--font-tape)' };
  return (
    <g stroke="var(--soft)" strokeWidth={px}>
      <path d={`M${origin.x} ${y}H${origin.x + width}`} />
      {ticks(width).map((i) => (
        <g key={`x${i}`}>
          <path d={`M${origin.x + i * unit} ${y}v${-(i % every === 0 ? 8 : 4) * px}`} />
          {i % every === 0 && (
            <text x={origin.x + i * unit} y={y - 11 * px} textAnchor="middle" stroke="none" {...text}>
              {i}
            </text>
          )}
        </g>
      ))}
      <path d={`M${x} ${-origin.y}V${-(origin.y + height)}`} />
      {ticks(height).map((i) => (
        <g key={`y${i}`}>
          <path d={`M${x} ${-(origin.y + i * unit)}h${-(i % every === 0 ? 8 : 4) * px}`} />
          {i % every === 0 && (
            <text
              x={x - 11 * px}
              y={-(origin.y + i * unit) + 4 * px}
              textAnchor="end"
              stroke="none"
              {...text}
            >
              {i}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}
