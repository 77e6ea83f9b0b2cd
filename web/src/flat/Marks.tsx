import { edgeOf, inNet, type MarkedEdge, type Plan, pieceIndex, pointOnEdge } from '@fennot/core';
import { markRows } from './mark-rows.ts';

/** Of a number: how wide a figure of it is, how far it stands from its marker, how high its row is; px. */
const FIGURE = 7;
const BESIDE = 7;
const ROW = 14;
const GAP = 4;

/** Where the markers of an edge go, in the order of the net's x, and in which row each number stands. */
function marksOf({ graph }: Plan, edge: MarkedEdge, px: number) {
  const own = pieceIndex(graph)(edge.piece);
  // The way is walked along the net's x: an upper edge runs against it.
  const upper = edge.edge === 2;
  const placed = edge.marks
    .filter(({ kind }) => kind !== 'start' && kind !== 'end')
    .map(({ at, kind, count }) => {
      const position = upper ? edgeOf(own, edge.edge).length - at : at;
      return { kind, count, at: inNet(own, pointOnEdge(own, edge.edge, position)) };
    })
    .sort((a, b) => a.at.x - b.at.x);
  const rows = markRows(
    placed.map(({ at, count }) => {
      const from = at.x / px;
      return [from - BESIDE / 2, from + BESIDE + FIGURE * String(count).length] as const;
    }),
    GAP,
  );
  return placed.map((mark, i) => ({ ...mark, row: rows[i] ?? 0, outward: upper ? -1 : 1 }));
}

/** Stitch markers on the long edges of a strip, with the row or stitch they follow. */
export function Marks({ plan, px }: { readonly plan: Plan; readonly px: number }) {
  return (
    <g>
      {plan.marked.map((edge) =>
        marksOf(plan, edge, px).map(({ kind, count, at, row, outward }, i) => (
          <g
            key={`${edge.edge}/${i}`}
            transform={`translate(${at.x} ${-at.y}) scale(${px})`}
            stroke={kind === 'corner' ? 'var(--loosestrife)' : 'var(--marigold)'}
            strokeWidth={2}
            fill="none"
          >
            <path d={`M0 0v${(8 + ROW * row) * outward}`} />
            <circle cy={(12 + ROW * row) * outward} r={4} fill="var(--card)" />
            <text
              x={BESIDE}
              y={(12 + ROW * row) * outward + 4}
              fontSize={11}
              fontFamily="var(--font-tape)"
              fill="var(--ink)"
              stroke="none"
            >
              {count}
            </text>
          </g>
        )),
      )}
    </g>
  );
}
