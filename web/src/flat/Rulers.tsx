import { type LengthSystem, MM_PER_INCH } from '@fennot/core';
import type { Frame } from './frame.ts';

interface RulersProps {
  readonly frame: Frame;
  readonly system: LengthSystem;
  /** Where zero lies, mm in the net, y up. */
  readonly origin: { readonly x: number; readonly y: number };
  readonly width: number;
  readonly height: number;
}

/** A ruler along the upper and the left edge of the net, in the maker's unit. */
export function Rulers({ frame, system, origin, width, height }: RulersProps) {
  const { px } = frame;
  const unit = system === 'cm' ? 10 : MM_PER_INCH;
  const every = [1, 2, 5, 10, 20].find((n) => (n * unit) / px >= 34) ?? 50;
  const ticks = (length: number) =>
    Array.from({ length: Math.floor(length / unit + 0.001) + 1 }, (_, i) => i);
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
