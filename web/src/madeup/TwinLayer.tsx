import { area, type Neighbour, type SeenFacet } from '@fennot/core';
import { useArranging } from '../stations/arrange/arranging.ts';

interface TwinLayerProps {
  readonly seen: readonly SeenFacet[];
  readonly twins: readonly Neighbour[];
}

/** The middle of the largest part of a piece that is seen from outside, on the drawing, and how large it is there. */
function middles(seen: readonly SeenFacet[]) {
  const best = new Map<
    string,
    { readonly x: number; readonly y: number; readonly r: number; readonly much: number }
  >();
  for (const { facet, matrix, inside } of seen) {
    const [a, b, c, d, e, f] = matrix;
    const much = Math.abs(area(facet.outline) * (a * d - b * c));
    if (inside || much < 1 || much <= (best.get(facet.piece)?.much ?? 0)) continue;
    const n = facet.outline.length;
    const x = facet.outline.reduce((sum, p) => sum + p.x, 0) / n;
    const y = facet.outline.reduce((sum, p) => sum + p.y, 0) / n;
    best.set(facet.piece, { x: a * x + c * y + e, y: b * x + d * y + f, r: Math.sqrt(much) * 0.3, much });
  }
  return best;
}

const LINE = { fill: 'none', vectorEffect: 'non-scaling-stroke', pointerEvents: 'none' } as const;

/** Twins that touch, on the made-up bag: each ringed, with a line from one to the other where both are seen. */
export function TwinLayer({ seen, twins }: TwinLayerProps) {
  const walk = useArranging((state) => state.walk);
  const at = middles(seen);
  const ringed = [...new Set(twins.flatMap(({ a, b }) => [a, b]))].flatMap((id) => at.get(id) ?? []);
  return (
    <g stroke="var(--loosestrife)">
      {ringed.map(({ x, y, r }, i) => (
        <g key={i}>
          <circle cx={x} cy={y} r={r} stroke="var(--card)" strokeWidth={5} {...LINE} />
          <circle cx={x} cy={y} r={r} strokeWidth={2.5} {...LINE} />
        </g>
      ))}
      {twins.map(({ a, b }, i) => {
        const [p, q] = [at.get(a), at.get(b)];
        if (!p || !q) return null;
        const d = `M${p.x} ${p.y}L${q.x} ${q.y}`;
        return (
          <g key={`${a} ${b}`}>
            <path d={d} stroke="var(--card)" strokeWidth={i === walk ? 8 : 5} {...LINE} />
            <path d={d} strokeWidth={i === walk ? 5 : 2.5} {...LINE} />
          </g>
        );
      })}
    </g>
  );
}
