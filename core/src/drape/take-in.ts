import { type BagGraph, inNet, intervalLength, pieceIndex, pointOnEdge } from '../bag/index.ts';
import { groupBy, type Point } from '../geometry/index.ts';

/** A part of the net that is taken in towards one of its edges. Lengths in mm. */
export interface TakenIn {
  /** The sheet it concerns. */
  readonly sheet: string;
  /** Where the edge begins, the way along it, and the way into the fabric; unit vectors. */
  readonly start: Point;
  readonly along: Point;
  /** mm */
  readonly length: number;
  readonly inward: Point;
  /** How long the edge becomes, as a share of what it is, and how far in from it that is felt, mm. */
  readonly share: number;
  readonly reach: number;
}

/** Edges worked onto a much shorter one: less than this share of their length. */
const GATHERED = 0.9;
/** How far in the taking-in is felt, by the way the corners move. */
const REACH = 1.6;

const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);

/** The lines of a bag along which fabric is worked together onto something shorter. */
export function takenIn(graph: BagGraph): TakenIn[] {
  const piece = pieceIndex(graph);
  const grown = graph.seams.filter(({ kind }) => kind === 'grown');
  return [...groupBy(grown, ({ line }) => line).values()].flatMap((seams): TakenIn[] => {
    const [a, b] = [sum(seams.map((s) => intervalLength(s.a))), sum(seams.map((s) => intervalLength(s.b)))];
    const share = Math.min(a, b) / Math.max(a, b);
    if (share > GATHERED) return [];
    const side = a > b ? 'a' : 'b';
    const chain = seams.map((seam) => seam[side]);
    const [first, last] = [chain[0], chain.at(-1)];
    if (!first || !last) return [];
    const at = ({ piece: id, edge }: typeof first, position: number) => {
      const own = piece(id);
      return inNet(own, pointOnEdge(own, edge, position));
    };
    const [from, to] = [at(first, first.from), at(last, last.to)];
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    const way = first.from <= first.to ? 1 : -1;
    const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
    return [
      {
        sheet: piece(first.piece).cell.sheet,
        start: from,
        along,
        length,
        // Left of an edge lies its piece.
        inward: { x: -along.y * way, y: along.x * way },
        share,
        reach: (REACH * length * (1 - share)) / 2,
      },
    ];
  });
}

/**
 * The length of a thread from p to q of the net once gathered edges have been worked together: towards such an
 * edge the fabric along it shrinks evenly to the edge's new length.
 */
export function takenLength(edges: readonly TakenIn[], sheet: string, p: Point, q: Point): number {
  let [x, y] = [q.x - p.x, q.y - p.y];
  for (const edge of edges) {
    if (edge.sheet !== sheet) continue;
    const [dx, dy] = [(p.x + q.x) / 2 - edge.start.x, (p.y + q.y) / 2 - edge.start.y];
    const off = dx * edge.along.x + dy * edge.along.y;
    if (off < 0 || off > edge.length) continue;
    const far = dx * edge.inward.x + dy * edge.inward.y;
    const lost = Math.max(0, 1 - far / edge.reach) * (1 - edge.share);
    const run = (x * edge.along.x + y * edge.along.y) * lost;
    x -= edge.along.x * run;
    y -= edge.along.y * run;
  }
  return Math.hypot(x, y);
}
