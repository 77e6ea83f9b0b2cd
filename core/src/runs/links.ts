import {
  type BagGraph,
  type Corners,
  cornersOf,
  edgeEnds,
  inNet,
  joinedSeams,
  type Piece,
  pieceIndex,
  pointOnEdge,
  type Seam,
} from '../bag/index.ts';
import { distance, must, NOTHING, type Point, SAME_PLACE } from '../geometry/index.ts';
import type { Link } from './trails.ts';

/** A seam as a link of the joining graph, with how it lies in the net. */
export interface SeamLink extends Link {
  readonly seam: Seam;
  /** Which of the net's two directions it runs in, as its first side lies there. */
  readonly lie: 'level' | 'upright';
  /** Its ends in the net, on the first side. */
  readonly net: readonly [Point, Point];
  /** Of a seam that is worked in parts: all of it, and which shares of it this is. */
  readonly part?: { readonly of: Seam; readonly from: number; readonly to: number };
}

/**
 * Which of the net's two directions a seam runs in. A net on point has rising lines for its level ones and falling lines
 * for its upright ones: just between, rounding must not decide.
 */
function lieOf(from: Point, to: Point): SeamLink['lie'] {
  const [x, y] = [to.x - from.x, to.y - from.y];
  const between = Math.abs(x) - Math.abs(y);
  if (Math.abs(between) < SAME_PLACE) return x * y > 0 ? 'level' : 'upright';
  return between > 0 ? 'level' : 'upright';
}

/** Compass words for a direction in the net. */
export function compass({ x, y }: Point): string {
  const level = Math.abs(x) > 0.4 * Math.hypot(x, y) ? (x > 0 ? 'right' : 'left') : '';
  const upright = Math.abs(y) > 0.4 * Math.hypot(x, y) ? (y > 0 ? 'upper' : 'lower') : '';
  return [upright, level].filter(Boolean).join(' ');
}

/** What a piece's edge is called by the way it faces in the net: `upper`, `left`, `lower right`. */
export function edgeNames(graph: BagGraph): (piece: string, edge: number) => string {
  const piece = pieceIndex(graph);
  const known = new Map<Piece, string[]>();
  return (id, edge) => {
    const own = piece(id);
    const names =
      known.get(own) ??
      own.edges.map((_, i) => {
        const [start, end] = edgeEnds(own, i);
        const [p, q] = [inNet(own, start), inNet(own, end)];
        // An edge that comes back to its start looks every way.
        return distance(p, q) < NOTHING ? 'round' : compass({ x: q.y - p.y, y: p.x - q.x });
      });
    known.set(own, names);
    return must(names[edge], `edge ${edge}`);
  };
}

/** The joins of a bag as a graph, lying flat and made up. What is grown needs no joining. */
export interface JoiningGraph {
  /** All seams, with the corners of the made-up bag. */
  readonly all: readonly SeamLink[];
  /** The flat seams while the net lies open: corners that only folding brings together are still apart. */
  readonly flat: readonly SeamLink[];
  /** The closing seams; a part of `all`. */
  readonly closing: readonly SeamLink[];
  /** The same seam in `all`. */
  madeUp(flat: SeamLink): SeamLink;
  /** The corner of the made-up bag that a corner of the open net becomes. */
  corner(flat: number): number;
  /** Corners of the made-up bag that lie on its rim. */
  readonly onRim: ReadonlySet<number>;
}

export function joiningGraph(graph: BagGraph): JoiningGraph {
  const piece = pieceIndex(graph);
  const link = (seam: Seam, ends: Corners['ends']): SeamLink => {
    const own = piece(seam.a.piece);
    const from = inNet(own, pointOnEdge(own, seam.a.edge, seam.a.from));
    const to = inNet(own, pointOnEdge(own, seam.a.edge, seam.a.to));
    const [start, end] = must(ends.get(seam.id), 'seam');
    return { id: seam.id, from: start, to: end, way: seam.line, seam, lie: lieOf(from, to), net: [from, to] };
  };
  const madeUp = cornersOf(graph);
  const all = joinedSeams(graph).map((seam) => link(seam, madeUp.ends));
  const byId = new Map(all.map((one) => [one.id, one]));
  // In the open net a flat seam lies as it does in the made-up bag, but between other corners.
  const corners = new Map<number, number>();
  const flat = all
    .filter(({ seam }) => seam.kind === 'flat')
    .map((folded): SeamLink => {
      const [from, to] = must(madeUp.lying.get(folded.id), 'flat seam');
      corners.set(from, folded.from).set(to, folded.to);
      return { ...folded, from, to };
    });
  return {
    all,
    flat,
    closing: all.filter(({ seam }) => seam.kind === 'closing'),
    madeUp: (one) => must(byId.get(one.id), 'seam'),
    corner: (one) => must(corners.get(one), 'corner'),
    onRim: new Set(
      madeUp
        .rims()
        .flat()
        .flatMap(({ from, to }) => [from, to]),
    ),
  };
}
