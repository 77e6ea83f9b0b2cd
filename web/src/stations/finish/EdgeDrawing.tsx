import type { EdgeMark, EdgeStrip } from '@fennot/core';

const WIDTH = 300;
const STITCH = 15;
const COLOURS: Record<EdgeStrip['parts'][number]['face'], string> = {
  front: 'var(--reed)',
  back: 'var(--reed)',
  left: 'var(--soft)',
  right: 'var(--soft)',
  flap: 'var(--kingfisher)',
  handle: 'var(--kingfisher)',
};

/** The first edge round rolled out: a stroke for each stitch, corners above it, joins and closures above these, the faces below. */
export function EdgeDrawing({ strip }: { readonly strip: EdgeStrip }) {
  const { stitches, parts, marks } = strip;
  const x = (at: number) => (at * WIDTH) / stitches;
  const step = WIDTH / stitches;
  const count = (kind: EdgeMark['is']) => marks.filter(({ is }) => is === kind).length;
  const label = `The first edge round, ${stitches} stitches: ${parts
    .map(({ face, from, to }) => `${face} ${Math.round(to - from)}`)
    .join(', ')}. ${count('join')} joins, ${count('strap')} strap ends.`;
  const under = (at: number) =>
    marks.some((mark) => mark.is === 'strap' && at >= mark.at && at < mark.at + mark.wide);
  return (
    <svg viewBox={`-4 -8 ${WIDTH + 8} 70`} className="w-full" role="img" aria-label={label}>
      {parts.map(({ face, from, to }, i) => (
        <g key={i}>
          <path
            d={Array.from({ length: Math.max(0, Math.round(to) - Math.round(from)) }, (_, k) => {
              const at = Math.round(from) + k + 0.5;
              return `M${x(at)} ${22 + STITCH}v${-STITCH}`;
            }).join('')}
            stroke={COLOURS[face]}
            strokeWidth={Math.min(2.6, step * 0.55)}
            strokeLinecap="round"
          />
          <line x1={x(from)} x2={x(to)} y1={40} y2={40} stroke="var(--ink)" strokeWidth={1} />
          <path d={`M${x(from)} 37v6M${x(to)} 37v6`} stroke="var(--ink)" strokeWidth={1} />
          {x(to) - x(from) > 26 && (
            <text x={x((from + to) / 2)} y={54} textAnchor="middle" fontSize={10.5} fill="var(--ink)">
              {face} {Math.round(to - from)}
            </text>
          )}
        </g>
      ))}
      {marks.map(({ at, is, wide }, i) => {
        const middle = x(at + wide / 2);
        if (is === 'strap')
          return (
            <rect
              key={i}
              x={x(at)}
              y={4}
              width={Math.max(3, x(wide))}
              height={36}
              rx={1.5}
              fill="var(--marigold)"
              fillOpacity={0.75}
              stroke="var(--marigold-ink)"
            />
          );
        if (is === 'closure')
          return (
            <circle
              key={i}
              cx={x(at)}
              cy={0}
              r={4}
              fill="var(--card)"
              stroke="var(--loosestrife)"
              strokeWidth={1.8}
            />
          );
        if (is === 'join')
          return under(at) ? null : <path key={i} d={`M${middle} 5l-3 -7h6z`} fill="var(--kingfisher)" />;
        return (
          <path
            key={i}
            d={is === 'peak' ? `M${middle - 4} 18l4 -9l4 9` : `M${middle - 4} 9l4 9l4 -9`}
            fill="none"
            stroke="var(--loosestrife)"
            strokeWidth={1.8}
          />
        );
      })}
    </svg>
  );
}
