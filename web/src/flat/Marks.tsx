import { edgeOf, inNet, type Plan, pieceIndex, pointOnEdge } from '@fennot/core';

/** Stitch markers on the long edges of a strip, with the row or stitch they follow. */
export function Marks({ plan, px }: { readonly plan: Plan; readonly px: number }) {
  const piece = pieceIndex(plan.graph);
  return (
    <g>
      {plan.marked.map((edge) =>
        edge.marks
          .filter(({ kind }) => kind !== 'start' && kind !== 'end')
          .map((mark, i) => {
            const own = piece(edge.piece);
            // The way is walked along the net's x: an upper edge runs against it.
            const position = edge.edge === 2 ? edgeOf(own, edge.edge).length - mark.at : mark.at;
            const at = inNet(own, pointOnEdge(own, edge.edge, position));
            const outward = edge.edge === 2 ? -1 : 1;
            const colour = mark.kind === 'corner' ? 'var(--loosestrife)' : 'var(--marigold)';
            return (
              <g
                key={`${edge.edge}/${i}`}
                transform={`translate(${at.x} ${-at.y}) scale(${px})`}
                stroke={colour}
                strokeWidth={2}
                fill="none"
              >
                <path d={`M0 0v${8 * outward}`} />
                <circle cy={12 * outward} r={4} fill="var(--card)" />
                <text
                  x={7}
                  y={12 * outward + 4}
                  fontSize={11}
                  fontFamily="var(--font-tape)"
                  fill="var(--ink)"
                  stroke="none"
                >
                  {mark.count}
                </text>
              </g>
            );
          }),
      )}
    </g>
  );
}
