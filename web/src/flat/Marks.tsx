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
  // Above the strip lie the faces: where the numbers take a second row, they stand below the strip and in the table only.
  const told = !upper || rows.every((row) => row === 0);
  return placed.map((mark, i) => ({
    ...mark,
    told,
    row: told ? (rows[i] ?? 0) : 0,
    outward: upper ? -1 : 1,
  }));
}

/** Stitch markers on the long edges of a strip, with the row or stitch they follow. */
export function Marks({ plan, px }: { readonly plan: Plan; readonly px: number }) {
  const marks = plan.marked.flatMap((edge) =>
    marksOf(plan, edge, px).map(({ at, row, outward, ...mark }, i) => ({
      ...mark,
      key: `${edge.edge}/${i}`,
      outward,
      away: (12 + ROW * row) * outward,
      transform: `translate(${at.x} ${-at.y}) scale(${px})`,
    })),
  );
  return (
    <g>
      {marks.map(({ key, kind, transform, away, outward }) => (
        <g
          key={key}
          transform={transform}
          stroke={kind === 'corner' ? 'var(--loosestrife)' : 'var(--marigold)'}
          strokeWidth={2}
          fill="none"
        >
          <path d={`M0 0V${away - 4 * outward}`} />
          <circle cy={away} r={4} fill="var(--card)" />
        </g>
      ))}
      {/* The numbers last: the stem of a neighbour does not run through them. */}
      <g
        fontSize={11}
        fontFamily="var(--font-tape)"
        fill="var(--ink)"
        stroke="var(--table)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {marks
          .filter(({ told }) => told)
          .map(({ key, count, transform, away }) => (
            <text key={key} transform={transform} x={BESIDE} y={away + 4}>
              {count}
            </text>
          ))}
      </g>
    </g>
  );
}
