import { SAME_PLACE } from '../geometry/index.ts';
import type { BagGraph, Interval, Piece, Seam } from './graph.ts';
import { edgeOf, pieceIndex, stretchesOf } from './place.ts';

/** A place on the outline of a piece: so many mm along one of its edges. */
export interface EdgePlace {
  readonly piece: string;
  readonly edge: number;
  readonly at: number;
}

/** The fabric between two parts of the rim that meet in a corner of the bag. */
export interface FabricBetween {
  /** Where the rim goes on. */
  readonly next: EdgePlace;
  /** How much fabric lies round the corner, radians: 180 degrees where the rim goes straight on. */
  readonly angle: number;
  /** The seams that end there, in order. */
  readonly crossed: readonly Seam[];
}

/** One side of a seam as a stretch of an edge, low end first, with its partner's end that meets the low one. */
interface Side {
  readonly low: number;
  readonly seam: Seam;
  readonly partner: Interval;
  /** Which end of the partner lies on the low end. */
  readonly meets: number;
}

const sidesOf = (seams: BagGraph['seams']): Map<string, Side[]> => {
  const sides = new Map<string, Side[]>();
  const put = (seam: Seam, own: Interval, partner: Interval) => {
    const rising = own.from <= own.to;
    const side = {
      low: rising ? own.from : own.to,
      seam,
      partner,
      meets: rising ? partner.from : partner.to,
    };
    const key = `${own.piece}/${own.edge}`;
    const list = sides.get(key);
    if (list) list.push(side);
    else sides.set(key, [side]);
  };
  for (const seam of seams) {
    put(seam, seam.a, seam.b);
    put(seam, seam.b, seam.a);
  }
  return sides;
};

/**
 * The angle inside a piece at a place of its outline, radians: that of its corner or bend, half a turn on a straight
 * stretch.
 */
export function insideAngle(piece: Piece, edge: number, at: number): number {
  const { length } = edgeOf(piece, edge);
  const own = stretchesOf(piece, edge);
  const last = piece.edges.length - 1;
  const before =
    at < SAME_PLACE
      ? stretchesOf(piece, edge === 0 ? last : edge - 1).at(-1)
      : own.find(({ to }) => to > at - SAME_PLACE);
  const after =
    at > length - SAME_PLACE
      ? stretchesOf(piece, edge === last ? 0 : edge + 1)[0]
      : own.find(({ to }) => to > at + SAME_PLACE);
  if (!before || !after || before === after) return Math.PI;
  const [ax, ay] = [before.q.x - before.p.x, before.q.y - before.p.y];
  const [bx, by] = [after.q.x - after.p.x, after.q.y - after.p.y];
  return Math.PI - Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
}

/** Going once round a corner of the bag through its fabric, or from rim to rim. */
export interface Round {
  /** The ends of seams that are gone over, with the fabric before each, radians. */
  readonly ends: ReadonlyArray<{ readonly seam: Seam; readonly end: 'from' | 'to'; readonly at: number }>;
  /** Fabric all the way. */
  readonly all: number;
  /** It came back to where it began; otherwise it ended on the rim, at `next`. */
  readonly closed: boolean;
  readonly next: EdgePlace;
}

/** More pieces than this meet in no corner: it would be going round in circles. */
const MOST = 1000;

/**
 * Goes round a corner of the bag through its fabric, from a place where a piece's outline comes to it: over the seams
 * that end there, from piece to piece, until it comes back or to the rim. It looks at the pieces alone, so folds neither
 * hide a corner nor make one.
 *
 * @returns a function that gives nothing where the pieces do not lie side by side there (a seam that turns one of them
 *   over).
 */
export function goRound(graph: Pick<BagGraph, 'pieces' | 'seams'>): (start: EdgePlace) => Round | undefined {
  const piece = pieceIndex(graph);
  const sides = sidesOf(graph.seams);
  /** The same place as one where an edge begins. */
  const onward = ({ piece: id, edge, at }: EdgePlace): EdgePlace => {
    const own = piece(id);
    return at > edgeOf(own, edge).length - SAME_PLACE
      ? { piece: id, edge: (edge + 1) % own.edges.length, at: 0 }
      : { piece: id, edge, at };
  };
  return (start) => {
    const first = onward(start);
    let here = first;
    let all = 0;
    const ends: Array<Round['ends'][number]> = [];
    while (ends.length < MOST) {
      all += insideAngle(piece(here.piece), here.edge, here.at);
      const { at } = here;
      const side = sides
        .get(`${here.piece}/${here.edge}`)
        ?.find(({ low }) => Math.abs(low - at) < 2 * SAME_PLACE);
      if (!side) return { ends, all, closed: false, next: here };
      const { partner, meets, seam } = side;
      if (meets < Math.max(partner.from, partner.to)) return undefined;
      ends.push({ seam, end: meets === partner.from ? 'from' : 'to', at: all });
      here = onward({ piece: partner.piece, edge: partner.edge, at: meets });
      const back =
        here.piece === first.piece &&
        here.edge === first.edge &&
        Math.abs(here.at - first.at) < 2 * SAME_PLACE;
      if (back) return { ends, all, closed: true, next: here };
    }
    return undefined;
  };
}

/** The fabric between two parts of the rim that meet in a corner. */
export function fabricAt(
  graph: Pick<BagGraph, 'pieces' | 'seams'>,
): (end: EdgePlace) => FabricBetween | undefined {
  const round = goRound(graph);
  return (end) => {
    const between = round(end);
    return between && !between.closed
      ? { next: between.next, angle: between.all, crossed: between.ends.map(({ seam }) => seam) }
      : undefined;
  };
}
