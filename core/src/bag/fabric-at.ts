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

/** More pieces than this meet in no corner: it would be going round in circles. */
const MOST = 1000;

/**
 * Goes round a corner of the bag through its fabric, from where a part of the rim ends to where the rim goes on: over
 * the seams that end there, from piece to piece. It looks at the pieces alone, so folds neither hide a corner nor make
 * one.
 *
 * @returns a function that gives nothing where the pieces do not lie side by side there (a seam that turns one of them
 *   over).
 */
export function fabricAt(
  graph: Pick<BagGraph, 'pieces' | 'seams'>,
): (end: EdgePlace) => FabricBetween | undefined {
  const piece = pieceIndex(graph);
  const sides = sidesOf(graph.seams);
  return (end) => {
    let here = end;
    let angle = 0;
    const crossed: Seam[] = [];
    while (crossed.length < MOST) {
      const own = piece(here.piece);
      const { length } = edgeOf(own, here.edge);
      angle += insideAngle(own, here.edge, here.at);
      const on = here.at > length - SAME_PLACE;
      const edge = on ? (here.edge + 1) % own.edges.length : here.edge;
      const at = on ? 0 : here.at;
      const side = sides.get(`${own.id}/${edge}`)?.find(({ low }) => Math.abs(low - at) < 2 * SAME_PLACE);
      if (!side) return { next: { piece: own.id, edge, at }, angle, crossed };
      const { partner, meets, seam } = side;
      if (meets < Math.max(partner.from, partner.to)) return undefined;
      crossed.push(seam);
      here = { piece: partner.piece, edge: partner.edge, at: meets };
    }
    return undefined;
  };
}
