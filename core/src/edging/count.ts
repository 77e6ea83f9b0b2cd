import {
  type BagGraph,
  fromFrontLeft,
  type RimFace,
  type RimStretch,
  rimFace,
  rimWalk,
} from '../bag/index.ts';
import { whole } from '../geometry/index.ts';

/** Some stitches of the first edge round along one part of the bag: from this one up to that one. */
export interface EdgePart {
  readonly face: RimFace;
  readonly from: number;
  readonly to: number;
}

/** What the round meets on its way: a join takes a stitch more, a peak two, and a notch gives two back. */
export interface EdgeEvent {
  readonly is: 'join' | 'peak' | 'notch';
  /** Stitches before it. */
  readonly at: number;
}

/** Some stitches of the round, from this one up to that one. */
type Span = Pick<EdgePart, 'from' | 'to'>;

/** Where a flap is lowest: along an edge that lies level, or at one point, with the stitches worked into it. */
export interface FlapTip extends Span {
  readonly is: 'edge' | 'point';
}

/** What the first edge round does along one rim, and what every round then counts. */
export interface EdgeCount {
  /** Stitches found along the edges themselves. */
  readonly along: number;
  /** Joins the rim crosses; each takes one more so that no gap shows. */
  readonly joins: number;
  /** Corners that stand out take two more, inner ones are worked three together. */
  readonly peaks: number;
  readonly notches: number;
  /** Stitches of the first round. */
  readonly first: number;
  /** Stitches of every round, the first included. */
  readonly rounds: readonly number[];
  /** The first round cut up by the parts of the bag it runs along, from the left end of the front on. */
  readonly parts: readonly EdgePart[];
  readonly events: readonly EdgeEvent[];
  /** The part of it where a flap that hangs down is lowest. */
  readonly tip: FlapTip | undefined;
}

const MORE: Record<EdgeEvent['is'], number> = { join: 1, peak: 2, notch: -2 };

/** The events at the end of a stretch. */
const eventsAfter = ({ after }: RimStretch): Array<EdgeEvent['is']> => [
  ...(after.joined ? (['join'] as const) : []),
  ...(after.turns === 'straight' ? [] : [after.turns]),
];

/** Edges this close in height, mm, lie level. */
const LEVEL = 1;

/** Where a flap that hangs down is lowest, the corners of a level edge left out. */
function tipOf(round: readonly RimStretch[], spans: readonly Span[]): FlapTip | undefined {
  const hanging = round.flatMap((stretch, i) =>
    rimFace(stretch) === 'flap' ? [{ i, from: stretch.from.y, to: stretch.to.y }] : [],
  );
  const heights = hanging.flatMap(({ from, to }) => [from, to]);
  const [lowest, highest] = [Math.min(...heights), Math.max(...heights)];
  if (hanging.length === 0 || highest - lowest < LEVEL) return undefined;
  const level = hanging.filter(({ from, to }) => Math.max(from, to) < lowest + LEVEL);
  const down = hanging.find(({ to }) => to < lowest + LEVEL);
  const [first, last] = [level[0], level.at(-1)].map((one) => one && spans[one.i]);
  if (first && last) return { is: 'edge', from: first.from, to: last.to };
  const [before, after] = down ? [spans[down.i], spans[down.i + 1]] : [];
  return before && after && { is: 'point', from: before.to, to: after.from };
}

function countAlong(loop: readonly RimStretch[], rounds: number, growth: number): EdgeCount {
  const round = fromFrontLeft(loop);
  const parts: Array<{ face: RimFace; from: number; to: number }> = [];
  const events: EdgeEvent[] = [];
  let [loops, extra] = [0, 0];
  /** Stitches so far: a round has no halves, whatever the folds cut through. */
  const sofar = () => Math.max(0, whole(loops) + extra);
  const spans = round.map((stretch, i): Span => {
    const face = rimFace(stretch);
    const next = round[(i + 1) % round.length] ?? stretch;
    const from = sofar();
    if (parts.at(-1)?.face !== face) parts.push({ face, from, to: from });
    loops += stretch.loops;
    const span = { from, to: Math.max(from, sofar()) };
    const part = parts.at(-1);
    if (part) part.to = Math.max(part.from, sofar());
    for (const is of eventsAfter(stretch)) {
      events.push({ is, at: sofar() });
      extra += MORE[is];
    }
    // What lies at a corner of one part belongs to it; between two parts it belongs to neither.
    if (part && rimFace(next) === face && i < round.length - 1) part.to = Math.max(part.from, sofar());
    return span;
  });
  const first = Math.max(1, sofar());
  const many = (kind: EdgeEvent['is']) => events.filter(({ is }) => is === kind).length;
  return {
    along: whole(loops),
    joins: many('join'),
    peaks: many('peak'),
    notches: many('notch'),
    first,
    rounds: Array.from({ length: rounds }, (_, k) =>
      whole(first * (1 + (rounds > 1 ? (growth * k) / (rounds - 1) : growth))),
    ),
    parts,
    events,
    tip: tipOf(round, spans),
  };
}

/**
 * Counts the edge rounds along every rim of the bag, the longest first: one stitch in each loop of what no seam takes,
 * round flaps and handles too, one more at every join, two more at a peak, two fewer at a notch (three worked
 * together). Later rounds change evenly from the first to first x (1 + growth).
 */
export function edgeCounts(graph: BagGraph): EdgeCount[] {
  const { rounds = 0, growth = 0 } = graph.trim?.edging ?? {};
  return rimWalk(graph).map((loop) => countAlong(loop, rounds, growth));
}

/** Stitches of all edge rounds of the bag together. */
export const edgeStitches = (counts: readonly EdgeCount[]): number =>
  counts.reduce((sum, { rounds }) => sum + rounds.reduce((all, round) => all + round, 0), 0);

/** Stitches of the first edge round on the front and on the back: what is fixed along the rim is counted in them. */
export function faceStitches([mouth]: readonly EdgeCount[]): {
  readonly front: number;
  readonly back: number;
} {
  const on = (face: RimFace) =>
    (mouth?.parts ?? [])
      .filter((part) => part.face === face)
      .reduce((sum, { from, to }) => sum + to - from, 0);
  return { front: on('front'), back: on('back') };
}
