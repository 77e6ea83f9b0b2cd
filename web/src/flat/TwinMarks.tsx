import { extent, type Neighbour, type Plan, pieceIndex } from '@fennot/core';
import { centreOf } from './walk.ts';

interface TwinMarksProps {
  readonly plan: Plan;
  readonly twins: readonly Neighbour[];
  readonly px: number;
  readonly walk: number | undefined;
}

/** Twins that touch: a ring about each, and a line from one to the other, dashed where only folding brings them together. */
export function TwinMarks({ plan, twins, px, walk }: TwinMarksProps) {
  const find = pieceIndex(plan.graph);
  const flat = new Set(plan.graph.seams.filter(({ kind }) => kind === 'flat').map(({ id }) => id));
  const ringed = new Set(twins.flatMap(({ a, b }) => [a, b]));
  return (
    <g fill="none" stroke="var(--loosestrife)" strokeWidth={3 * px} pointerEvents="none">
      {[...ringed].map((id) => {
        const piece = find(id);
        const at = centreOf(piece);
        const { width, height } = extent(piece.outline);
        const r = Math.min(width, height) * 0.3;
        return (
          <g key={id}>
            <circle cx={at.x} cy={-at.y} r={r} stroke="var(--card)" strokeWidth={6 * px} />
            <circle cx={at.x} cy={-at.y} r={r} data-twin={piece.name} />
          </g>
        );
      })}
      {twins.map((pair, i) => {
        const [p, q] = [centreOf(find(pair.a)), centreOf(find(pair.b))];
        const beside = pair.seams.some((seam) => flat.has(seam));
        const middle = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
        const away = Math.hypot(q.x - p.x, q.y - p.y);
        // What lies far apart is joined by a bow, so that it is not taken for a row.
        const bow = beside ? 0 : away * 0.16;
        const bend = {
          x: middle.x - ((q.y - p.y) / (away || 1)) * bow,
          y: middle.y + ((q.x - p.x) / (away || 1)) * bow,
        };
        const d = `M${p.x} ${-p.y}Q${bend.x} ${-bend.y} ${q.x} ${-q.y}`;
        return (
          <g key={`${pair.a} ${pair.b}`}>
            <path d={d} stroke="var(--card)" strokeWidth={(i === walk ? 9 : 6) * px} />
            <path
              d={d}
              strokeWidth={(i === walk ? 6 : 3) * px}
              strokeDasharray={beside ? undefined : `${7 * px} ${5 * px}`}
            />
          </g>
        );
      })}
    </g>
  );
}
