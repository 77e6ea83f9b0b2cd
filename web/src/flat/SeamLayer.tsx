import { inNet, type Plan, pieceIndex, pointOnEdge } from '@fennot/core';
import { useMemo } from 'react';
import { usePointed } from '../drawing/pointed.ts';
import { taggedSides } from '../drawing/tags.ts';

interface SeamLayerProps {
  readonly plan: Plan;
  /** mm of one pixel. */
  readonly px: number;
}

/** Flat joins as rows of small stitches, closing edges dashed with their letters, folds dash-dotted. */
export function SeamLayer({ plan, px }: SeamLayerProps) {
  const pointed = usePointed();
  const { graph, document } = plan;
  const colour = document.yarns.find(({ id }) => id === document.joins.yarn)?.colour ?? '#444444';
  const { flat, tagged, folds } = useMemo(() => {
    const piece = pieceIndex(graph);
    return {
      flat: graph.seams
        .filter(({ kind }) => kind === 'flat')
        .map(({ id, line, a }) => {
          const own = piece(a.piece);
          const at = (position: number) => inNet(own, pointOnEdge(own, a.edge, position));
          return { id, line, from: at(a.from), to: at(a.to) };
        }),
      tagged: taggedSides(graph),
      folds: graph.folds.map((fold) => {
        const own = piece(fold.piece);
        return { from: inNet(own, fold.from), to: inNet(own, fold.to) };
      }),
    };
  }, [graph]);
  return (
    <g>
      {flat.map(({ id, line, from, to }) => (
        <g key={id}>
          <line
            x1={from.x}
            y1={-from.y}
            x2={to.x}
            y2={-to.y}
            stroke={pointed.line === line ? 'var(--kingfisher)' : colour}
            strokeWidth={(pointed.line === line ? 5 : 3) * px}
            strokeDasharray={`${4.5 * px} ${2.4 * px}`}
            strokeLinecap="round"
          />
          <line
            x1={from.x}
            y1={-from.y}
            x2={to.x}
            y2={-to.y}
            stroke="transparent"
            strokeWidth={12 * px}
            onPointerEnter={() => pointed.point({ line })}
            onPointerLeave={() => pointed.point({})}
          />
        </g>
      ))}
      {folds.map(({ from, to }, i) => (
        <line
          key={i}
          x1={from.x}
          y1={-from.y}
          x2={to.x}
          y2={-to.y}
          stroke="var(--card)"
          strokeWidth={2.4 * px}
          strokeDasharray={`${9 * px} ${4 * px} ${2 * px} ${4 * px}`}
          style={{ paintOrder: 'stroke' }}
        />
      ))}
      {tagged.map(({ line, tag, stretches, at, inward }, i) => {
        const lit = pointed.line === line;
        const [x, y] = [at.x + inward.x * 14 * px, -at.y - inward.y * 14 * px];
        return (
          <g key={i} onPointerEnter={() => pointed.point({ line })} onPointerLeave={() => pointed.point({})}>
            {stretches.map(([from, to], k) => (
              <g key={k}>
                <line
                  x1={from.x}
                  y1={-from.y}
                  x2={to.x}
                  y2={-to.y}
                  stroke="var(--loosestrife)"
                  strokeWidth={(lit ? 6 : 3) * px}
                  strokeDasharray={lit ? undefined : `${7 * px} ${4 * px}`}
                />
                <line
                  x1={from.x}
                  y1={-from.y}
                  x2={to.x}
                  y2={-to.y}
                  stroke="transparent"
                  strokeWidth={14 * px}
                />
              </g>
            ))}
            <circle
              cx={x}
              cy={y}
              r={9 * px}
              fill={lit ? 'var(--loosestrife)' : 'var(--card)'}
              stroke="var(--loosestrife)"
              strokeWidth={1.5 * px}
            />
            <text
              x={x}
              y={y + 4 * px}
              textAnchor="middle"
              fontSize={12 * px}
              fontWeight={700}
              fill={lit ? 'var(--card)' : 'var(--loosestrife)'}
            >
              {tag}
            </text>
          </g>
        );
      })}
    </g>
  );
}
