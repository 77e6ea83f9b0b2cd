import {
  type BagGraph,
  edgeOf,
  type Interval,
  inNet,
  intervalLength,
  type Piece,
  pathOn,
  pieceIndex,
  type Seam,
  wholeLoops,
} from '../bag/index.ts';
import { distance, groupBy, NOTHING, whole } from '../geometry/index.ts';
import { nearestMultiple } from '../panel/index.ts';

/** A place to put a stitch marker along the edge of a panel. */
export interface Mark {
  readonly kind: 'start' | 'corner' | 'quarter' | 'half' | 'end';
  /** Row or stitch number after which it lies, counted from the panel's beginning of that edge. */
  readonly count: number;
  /** mm from the start of the way. */
  readonly at: number;
  /** Where it meets its partner: the piece, and how many of its loops into the seam. */
  readonly partner: { readonly piece: string; readonly loop: number; readonly of: number } | undefined;
  /**
   * Which way the partner turns there: a crocheted seam takes three insertions into a corner that stands out, and
   * three together in an inner one.
   */
  readonly turn?: 'out' | 'in';
  /** How many rows that stand out, bobble rows say, lie up to there: a maker counts by them. */
  readonly standing?: number;
}

/** An edge of a panel that runs along several sides of its partner, with the marks that keep it true. */
export interface MarkedEdge {
  readonly piece: string;
  readonly name: string;
  readonly edge: number;
  /** What stands out in some of its rows, and in how many. */
  readonly standing?: { readonly word: string; readonly total: number };
  /** What the marks count. */
  readonly counts: 'rows' | 'stitches';
  /** mm, along the panel's own edge and along its partners. */
  readonly length: number;
  readonly wayLength: number;
  readonly total: number;
  /** mm of one row or stitch. */
  readonly unit: number;
  readonly lines: readonly string[];
  /** How many it takes by length, each side to the next whole one at its corner, and by count, one for each loop. */
  readonly byLength: number;
  readonly byCount: number;
  readonly marks: readonly Mark[];
}

/** How an edge stands to the way it must go, in whole rows or stitches. */
export interface StripVerdict {
  /** So many too few by length; below zero, too many. */
  readonly missing: number;
  /** The same by count. */
  readonly missingByCount: number;
  /** By how much it is eased onto its way, per cent; below zero where it is stretched. */
  readonly ease: number;
}

export const stripVerdict = ({ byLength, byCount, total, length, wayLength }: MarkedEdge): StripVerdict => ({
  missing: byLength - total,
  missingByCount: byCount - total,
  ease: 100 * (length / wayLength - 1),
});

interface Stretch {
  readonly seam: Seam;
  readonly own: Interval;
  readonly partner: Interval;
}

/** The rows of a piece that stand out, where some do. */
export type StandingRows = (
  piece: Piece,
) => { readonly word: string; readonly upTo: (rows: number) => number } | undefined;

/**
 * Every panel edge that meets more than one line, or runs along a curve, with corner, half and quarter marks.
 *
 * @param standingOf rows to count by, of a panel whose fabric has such.
 */
export function markedEdges(graph: BagGraph, standingOf: StandingRows = () => undefined): MarkedEdge[] {
  const piece = pieceIndex(graph);
  const loops = wholeLoops(graph);
  const stretches = new Map<string, Stretch[]>();
  for (const seam of graph.seams) {
    if (seam.kind === 'grown') continue;
    for (const [own, partner] of [
      [seam.a, seam.b],
      [seam.b, seam.a],
    ] as const) {
      if (piece(own.piece).make.of !== 'panel' || own.piece === partner.piece) continue;
      const key = `${own.piece}/${own.edge}`;
      const list = stretches.get(key) ?? [];
      list.push({ seam, own, partner });
      stretches.set(key, list);
    }
  }
  return [...stretches.values()].flatMap((list) => {
    const lines = [...new Set(list.map(({ seam }) => seam.line))];
    const [head] = list;
    const alongCurve = list.some(
      ({ partner }) => (edgeOf(piece(partner.piece), partner.edge).sides ?? 1) > 1,
    );
    return !head || (lines.length < 2 && !alongCurve)
      ? []
      : [markEdge(piece(head.own.piece), head.own.edge, list, lines)];
  });

  function markEdge(own: Piece, edge: number, way: readonly Stretch[], lines: readonly string[]): MarkedEdge {
    const { id, name, make } = own;
    const { kind, length } = edgeOf(own, edge);
    const rowEnds = kind === 'row-ends';
    const total = make.of === 'panel' ? (rowEnds ? make.rows : make.stitches) : 0;
    const unit = length / total;
    const standing = rowEnds ? standingOf(own) : undefined;
    const ownWay = way.reduce((sum, { own }) => sum + intervalLength(own), 0);
    const at = (target: number, kindOf: Mark['kind']): Mark => {
      let walked = 0;
      for (const { own, partner } of way) {
        const here = intervalLength(own);
        if (target <= walked + here + NOTHING) {
          const of = loops(partner);
          const share = (target - walked) / here;
          return {
            kind: kindOf,
            count: whole(target / unit),
            at: target,
            partner: { piece: piece(partner.piece).name, loop: whole(of * share), of },
          };
        }
        walked += here;
      }
      return { kind: kindOf, count: whole(target / unit), at: target, partner: undefined };
    };
    // One side of the way is one line.
    const sides = [...groupBy(way, ({ seam }) => seam.line).values()];
    const perUnit = edgeOf(own, edge).loops / total;
    const fitted = (sizeOf: (stretch: Stretch) => number, unitOf: number) => {
      const sum = sides.reduce(
        (all, side) =>
          all + Math.max(1, whole(side.reduce((way, stretch) => way + sizeOf(stretch), 0) / unitOf)),
        0,
      );
      return make.of === 'panel' && make.multiple ? nearestMultiple(sum, make.multiple) : sum;
    };
    const corners = cornersAlong(way, piece).map(
      ({ at: place, turn }): Mark => ({ ...at(place, 'corner'), ...(turn && { turn }) }),
    );
    const marks = [
      at(0, 'start'),
      ...corners,
      at(ownWay / 4, 'quarter'),
      at(ownWay / 2, 'half'),
      at((3 * ownWay) / 4, 'quarter'),
      at(ownWay, 'end'),
    ].sort((p, q) => p.at - q.at);
    return {
      piece: id,
      name,
      edge,
      ...(standing ? { standing: { word: standing.word, total: standing.upTo(total) } } : {}),
      counts: rowEnds ? 'rows' : 'stitches',
      length: ownWay,
      wayLength: way.reduce((sum, { partner }) => sum + intervalLength(partner), 0),
      total,
      unit,
      lines,
      byLength: fitted(({ partner }) => intervalLength(partner), unit),
      byCount: fitted(({ partner }) => loops(partner), perUnit),
      marks: standing ? marks.map((mark) => ({ ...mark, standing: standing.upTo(mark.count) })) : marks,
    };
  }
}

/** A partner's outline bends by this much at least (30 degrees) to be a corner. */
const CORNER = Math.PI / 6;

/** Where the partners of a panel's edge turn, in mm along the panel's way: at bends, and from line to line. */
function cornersAlong(
  way: readonly Stretch[],
  piece: (id: string) => Piece,
): Array<{ at: number; turn: Mark['turn'] }> {
  const corners: Array<{ at: number; turn: Mark['turn'] }> = [];
  let walked = 0;
  let before: { readonly angle: number; readonly line: string } | undefined;
  for (const { seam, own, partner } of way) {
    const face = piece(partner.piece);
    const path = pathOn(face, partner).map((p) => inNet(face, p));
    const share = intervalLength(own) / intervalLength(partner);
    // Walked along its outline, a corner that stands out turns to the left.
    const left = partner.from <= partner.to ? 1 : -1;
    for (const [i, q] of path.slice(1).entries()) {
      const p = path[i] ?? q;
      const angle = Math.atan2(q.y - p.y, q.x - p.x);
      const by = before ? left * turnFrom(before.angle, angle) : 0;
      const turned = Math.abs(by) >= CORNER;
      if (before && (turned || before.line !== seam.line))
        corners.push({ at: walked, turn: turned ? (by > 0 ? 'out' : 'in') : undefined });
      before = { angle, line: seam.line };
      walked += distance(p, q) * share;
    }
  }
  return corners;
}

/** From one direction to another, in -π .. π. */
function turnFrom(from: number, to: number): number {
  const turn = to - from;
  return turn - 2 * Math.PI * Math.round(turn / (2 * Math.PI));
}
