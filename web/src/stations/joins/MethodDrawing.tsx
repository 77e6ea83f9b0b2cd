import type { JoinMethodId } from '@fennot/core';

/** Stitch pitch and middle of the drawing. */
const PITCH = 13;
const MIDDLE = 60;
const ROWS = [8, 8 + PITCH, 8 + 2 * PITCH, 8 + 3 * PITCH];

/** A chain of stitch tops down an edge: little Vs, one under the other. */
function Edge({ x, colour }: { readonly x: number; readonly colour: string }) {
  return (
    <g stroke={colour} strokeWidth={4} fill="none" strokeLinecap="round" strokeLinejoin="round">
      {ROWS.map((y) => (
        <path key={y} d={`M${x - 5} ${y - 5}L${x} ${y + 4}L${x + 5} ${y - 5}`} />
      ))}
    </g>
  );
}

/** What each join looks like from the right side, as strokes of the joining yarn between two edges. */
const JOINS: Record<JoinMethodId, string> = {
  // Slanting stitches over the gap.
  whip: ROWS.map((y) => `M${MIDDLE - 12} ${y - 4}L${MIDDLE + 12} ${y + 4}`).join(''),
  // A ladder that is pulled shut: only specks show.
  mattress: ROWS.map((y) => `M${MIDDLE - 3} ${y}h6`).join(''),
  // One flat chain down the gap.
  'flat-slip': ROWS.map((y) => `M${MIDDLE - 4} ${y - 6}L${MIDDLE} ${y + 4}L${MIDDLE + 4} ${y - 6}`).join(''),
  // Nothing from outside; the loops lie behind.
  'slip-through': `M${MIDDLE} 2V54`,
  // Stitches standing up, their tops a chain of their own.
  ridge: ROWS.map(
    (y) => `M${MIDDLE - 7} ${y + 5}V${y - 3}M${MIDDLE + 7} ${y + 5}V${y - 3}M${MIDDLE - 7} ${y - 4}h14`,
  ).join(''),
  // Loops drawn from either side in turn.
  'zip-slip': ROWS.map((y) => `M${MIDDLE - 10} ${y - 5}L${MIDDLE} ${y + 3}L${MIDDLE + 10} ${y - 5}`).join(''),
};

interface MethodDrawingProps {
  readonly method: JoinMethodId;
  /** Colours of the edges and of the joining yarn. */
  readonly edge: string;
  readonly yarn: string;
}

/** Two edges and the join between them, a small drawing each. */
export function MethodDrawing({ method, edge, yarn }: MethodDrawingProps) {
  const hidden = method === 'slip-through';
  const gap = method === 'mattress' ? 9 : 17;
  return (
    <svg viewBox="0 0 120 58" className="h-14 w-full rounded-sm bg-table" aria-hidden="true">
      {[-1, 1].map((side) => (
        <g key={side}>
          <rect
            x={side < 0 ? 0 : MIDDLE + gap}
            y={0}
            width={MIDDLE - gap}
            height={58}
            fill={edge}
            opacity={0.35}
          />
          <Edge x={MIDDLE + side * gap} colour={edge} />
          <Edge x={MIDDLE + side * (gap + 14)} colour={edge} />
        </g>
      ))}
      <path
        d={JOINS[method]}
        fill="none"
        stroke="#16211d"
        strokeOpacity={0.4}
        strokeWidth={method === 'ridge' ? 8 : 6}
        strokeLinecap="round"
      />
      <path
        d={JOINS[method]}
        fill="none"
        stroke={yarn}
        strokeWidth={method === 'ridge' ? 6 : 4}
        strokeLinecap="round"
        strokeDasharray={hidden ? '2 7' : undefined}
        opacity={hidden ? 0.6 : 1}
      />
    </svg>
  );
}
