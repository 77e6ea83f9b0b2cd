import { inNet, type Plan, pathOn, pieceIndex } from '@fennot/core';
import { useMemo } from 'react';

interface SmallNetProps {
  readonly plan: Plan;
  /** Pieces that what is shown belongs to. */
  readonly pieces?: ReadonlySet<string>;
  /** Seams that are joined now, and those that are joined. */
  readonly now?: ReadonlySet<string>;
  readonly done?: ReadonlySet<string>;
  readonly className?: string;
}

const NONE: ReadonlySet<string> = new Set();

/** The bag laid flat, small: where the piece at hand goes, and which seam is worked. */
export function SmallNet({ plan, pieces = NONE, now = NONE, done = NONE, className = '' }: SmallNetProps) {
  const { outlines, seams, box } = useMemo(() => drawn(plan), [plan]);
  const pad = box.size * 0.05;
  return (
    <svg
      viewBox={`${box.x - pad} ${box.y - pad} ${box.width + 2 * pad} ${box.height + 2 * pad}`}
      aria-hidden="true"
      className={className}
    >
      {outlines.map(({ id, path }) => (
        <path
          key={id}
          d={path}
          fill={pieces.has(id) ? 'var(--kingfisher)' : 'var(--card)'}
          fillOpacity={pieces.has(id) ? 0.75 : 1}
          stroke="var(--soft)"
          strokeOpacity={0.6}
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {seams.map(({ id, path }) =>
        now.has(id) || done.has(id) ? (
          <path
            key={id}
            d={path}
            fill="none"
            stroke={now.has(id) ? 'var(--loosestrife)' : 'var(--reed)'}
            strokeWidth={now.has(id) ? 5 : 3}
            strokeLinecap="round"
            vectorEffect="non-scaling-stroke"
          />
        ) : null,
      )}
    </svg>
  );
}

interface Point {
  readonly x: number;
  readonly y: number;
}

const pathOf = (points: readonly Point[]) =>
  `M${points.map(({ x, y }) => `${x.toFixed(1)} ${(-y).toFixed(1)}`).join('L')}`;

function drawn({ graph }: Plan) {
  const piece = pieceIndex(graph);
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  const outlines = graph.pieces.map((own) => {
    const points = own.outline.map((p) => inNet(own, p));
    for (const { x, y } of points) {
      left = Math.min(left, x);
      right = Math.max(right, x);
      low = Math.min(low, -y);
      high = Math.max(high, -y);
    }
    return { id: own.id, path: `${pathOf(points)}Z` };
  });
  const seams = graph.seams.map(({ id, a, b }) => ({
    id,
    path: [a, b]
      .map((side) => {
        const own = piece(side.piece);
        return pathOf(pathOn(own, side).map((p) => inNet(own, p)));
      })
      .join(''),
  }));
  const [width, height] = [right - left, high - low];
  return { outlines, seams, box: { x: left, y: low, width, height, size: Math.max(width, height) } };
}
