import { type Gauge, type LengthSystem, MM_PER_INCH } from '@fennot/core';
import { useId } from 'react';
import type { ClothTile } from '../../drawing/cloth-tile.ts';

interface SwatchDrawingProps {
  readonly tile: ClothTile;
  readonly gauge: Gauge;
  readonly system: LengthSystem;
}

/** Side of the drawn window: ten centimetres, or four inches. */
const WINDOW = { cm: 100, in: 4 * MM_PER_INCH };

/** The swatch in its real stitch size under a ruler of 10 cm or 4 in. */
export function SwatchDrawing({ tile, gauge, system }: SwatchDrawingProps) {
  const id = useId();
  const across = WINDOW[system];
  const up = across * 0.42;
  const unit = system === 'cm' ? 10 : MM_PER_INCH;
  const ticks = Array.from({ length: Math.round(across / unit) + 1 }, (_, i) => i);
  const [w, h] = [gauge.pitch.value * tile.columns, gauge.row.value * tile.rows];
  const stitches = (across / gauge.pitch.value).toFixed(1);
  const rows = (across / gauge.row.value).toFixed(1);
  const unitName = system === 'cm' ? '10 cm' : '4 in';
  return (
    <figure>
      <svg
        viewBox={`-3 -12 ${across + 6} ${up + 13}`}
        className="w-full"
        role="img"
        aria-label={`Swatch: ${stitches} stitches and ${rows} rows to ${unitName}.`}
      >
        <pattern id={id} width={w} height={h} patternUnits="userSpaceOnUse">
          <image href={tile.href} width={w} height={h} preserveAspectRatio="none" />
        </pattern>
        <rect width={across} height={up} rx={1.5} fill={`url(#${id})`} />
        <rect
          x={-2}
          y={-11}
          width={across + 4}
          height={9}
          rx={1}
          fill="var(--marigold-pale)"
          stroke="var(--line)"
          strokeWidth={0.3}
        />
        {ticks.map((i) => (
          <g key={i}>
            <line
              x1={i * unit}
              x2={i * unit}
              y1={-2}
              y2={i % 5 === 0 ? -6 : -4}
              stroke="var(--ink)"
              strokeWidth={0.35}
            />
            {i > 0 && i < ticks.length - 1 && (
              <text
                x={i * unit}
                y={-6.4}
                textAnchor="middle"
                fontSize={3.6}
                fontFamily="var(--font-tape)"
                fill="var(--ink)"
              >
                {i}
              </text>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="text-xs text-soft">
        {stitches} stitches and {rows} rows to {unitName}
      </figcaption>
    </figure>
  );
}
