import { BUNCHES } from '../../fabric/index.ts';
import { along, type Point } from '../../geometry/index.ts';
import type { Stitch } from '../../stitches/index.ts';
import type { MotifKind } from '../counts.ts';
import type { Stroke } from '../strokes.ts';
import { type LaidTop, laidTops } from './laid-tops.ts';
import type { WorkedRounds } from './work-rounds.ts';

/** Posts of what is closed as one, by how far each bulges aside, in half widths. */
const BULGES = [-0.95, -0.35, 0.35, 0.95];

const isBunch = (kind: LaidTop['kind']) => BUNCHES.some((bunch) => bunch === kind);

/** The stitches of a motif of one's own as strokes, from the ring outwards. */
export function ownStrokes(rounds: WorkedRounds, kind: MotifKind, by: Stitch): Stroke[] {
  return laidTops(rounds, kind, by).flatMap(strokesOf);
}

function strokesOf({ kind, round, foot, head, half, over }: LaidTop): Stroke[] {
  const from = (part: Stroke['part'], a: Point, b: Point): Stroke => ({
    round,
    part,
    x1: a.x,
    y1: a.y,
    x2: b.x,
    y2: b.y,
    ...(over && { over }),
  });
  const beside = (p: Point, by: number): Point => ({ x: p.x + half.x * by, y: p.y + half.y * by });
  if (kind === 'chain') return [from('chain', beside(head, -0.9), beside(head, 0.9))];
  const top = from('top', beside(head, -1), beside(head, 1));
  if (!isBunch(kind)) return [from('post', foot, head), top];
  const middle = along(foot, head, 0.55);
  return [
    ...BULGES.flatMap((by) => [
      from('post', foot, beside(middle, by)),
      from('post', beside(middle, by), beside(head, by * 0.3)),
    ]),
    top,
  ];
}
