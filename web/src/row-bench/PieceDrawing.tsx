import { type Point, stitchPlaces, type WorkedPiece } from '@fennot/core';
import { shade } from '../drawing/shade.ts';

interface PieceDrawingProps {
  readonly piece: WorkedPiece;
  readonly colour: string;
  /** Number of the row that is lit. */
  readonly lit: number | undefined;
  readonly label: string;
}

/** More stitches than this are no longer told apart: rows are drawn as lines. */
const MOST_STITCHES = 5000;
/** Room round the piece, as a share of its size. */
const ROOM = 0.06;

const pathOf = (points: readonly Point[], closed = false) =>
  points.length === 0
    ? ''
    : `M${points.map(({ x, y }) => `${x.toFixed(1)} ${(-y).toFixed(1)}`).join('L')}${closed ? 'Z' : ''}`;

/** The piece at its true shape, each stitch where it stands, the row at hand lit. */
export function PieceDrawing({ piece, colour, lit, label }: PieceDrawingProps) {
  const { outline, rows, laid } = piece;
  const xs = outline.map(({ x }) => x);
  const ys = outline.map(({ y }) => -y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const room = ROOM * Math.max(width, height);
  const many = rows.reduce((sum, { layer }) => sum + layer.many, 0);
  const pitch = rows[0] ? rows[0].layer.length / rows[0].layer.many : 1;
  // The lit row is drawn last: no other lies over it.
  const order = rows.map((_, i) => i).sort((i, j) => Number(isLit(i)) - Number(isLit(j)));
  function isLit(i: number): boolean {
    return rows[i]?.layer.number === lit;
  }
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${left - room} ${top - room} ${width + 2 * room} ${height + 2 * room}`}
      className="size-full"
    >
      <path
        d={pathOf(outline, true)}
        fill={shade(colour, -0.42)}
        stroke={shade(colour, -0.5)}
        strokeWidth={pitch / 5}
        strokeLinejoin="round"
      />
      {order.map((i) => {
        const row = rows[i];
        if (!row) return null;
        const below = rows[i - 1]?.line ?? laid.base;
        const line = row.layer.round ? [...row.line, ...row.line.slice(0, 1)] : row.line;
        // Rows are turned: every other one is seen from its wrong side.
        const own = isLit(i) ? 'var(--marigold)' : shade(colour, i % 2 === 0 ? 0.12 : -0.08);
        const lines = many > MOST_STITCHES;
        return (
          <path
            key={row.layer.number}
            d={
              lines
                ? pathOf(line)
                : stitchPlaces(row, below)
                    .map(({ top: head, foot }) => stitch(head, foot, pitch))
                    .join('')
            }
            fill="none"
            stroke={own}
            strokeWidth={lines ? pitch / (isLit(i) ? 1 : 3) : 0.34 * pitch}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        );
      })}
    </svg>
  );
}

/** A stitch as it is seen from the right side: a V, its point on what it is worked into. */
function stitch(top: Point, foot: Point, pitch: number): string {
  const [dx, dy] = [top.x - foot.x, top.y - foot.y];
  const long = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / long, dy / long];
  const half = 0.36 * pitch;
  const at = (along: number, aside: number): Point => ({
    x: foot.x + ux * along - uy * aside,
    y: foot.y + uy * along + ux * aside,
  });
  return pathOf([at(0.92 * long, half), at(0.18 * long, 0), at(0.92 * long, -half)]);
}
