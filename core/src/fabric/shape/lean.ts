import { along, distance, type Point } from '../../geometry/index.ts';
import type { WorkedPiece } from './piece.ts';

/** How a panel stands to its middle: mm, the first row level below. */
export interface Lean {
  /** How far the middle of its last row lies to the right of that of its first; below zero, to the left. */
  readonly right: number;
  /** How much lower its last row ends at the left than at the right; below zero, at the right. */
  readonly leftLower: number;
  /** By how much its left and right are no mirror images, at the place where they differ most. */
  readonly uneven: number;
}

/** The lean of a panel that stands on its first row; nothing of what begins in a ring or is worked round. */
export function leanOf({
  sides,
  laid,
  rows,
}: Pick<WorkedPiece, 'sides' | 'laid' | 'rows'>): Lean | undefined {
  const [left, right] = [laid.base[0], laid.base.at(-1)];
  const last = rows.at(-1)?.line;
  const [a, b] = [last?.[0], last?.at(-1)];
  const panel = sides.some(({ at }) => at === 'bottom') && rows.every(({ layer }) => !layer.round);
  if (!panel || !left || !right || !a || !b || distance(left, right) === 0) return undefined;
  const level = Math.atan2(right.y - left.y, right.x - left.x);
  const [cos, sin] = [Math.cos(level), Math.sin(level)];
  const foot = along(left, right, 0.5);
  const seen = ({ x, y }: Point): Point => ({
    x: (x - foot.x) * cos + (y - foot.y) * sin,
    y: (y - foot.y) * cos - (x - foot.x) * sin,
  });
  const [p, q] = [seen(a), seen(b)];
  const uneven = rows.reduce((most, { line }) => {
    const [from, to] = [line[0], line.at(-1)];
    if (!from || !to) return most;
    const [own, other] = [seen(from), seen(to)];
    // A mirror image of the one end would lie at the other.
    return Math.max(most, Math.hypot(own.x + other.x, own.y - other.y));
  }, 0);
  return { right: (p.x + q.x) / 2, leftLower: q.y - p.y, uneven };
}

/** What is less is lost in the hand, mm. */
const SEEN = 3;

/**
 * The lean of a panel in sentences; nothing where nobody would see any.
 *
 * @param length writes a length, mm.
 */
export function leanText({ right, leftLower, uneven }: Lean, length: (mm: number) => string): string {
  const said: string[] = [];
  if (Math.abs(right) >= SEEN)
    said.push(
      `It leans: its last row lies ${length(Math.abs(right))} to the ${right > 0 ? 'right' : 'left'}.`,
    );
  if (Math.abs(leftLower) >= SEEN)
    said.push(
      `Its ${leftLower > 0 ? 'left' : 'right'} side ends ${length(Math.abs(leftLower))} lower than its ${leftLower > 0 ? 'right' : 'left'}.`,
    );
  if (said.length === 0 && uneven >= 2 * SEEN) said.push('Its left and right side are no mirror images.');
  return said.join(' ');
}
