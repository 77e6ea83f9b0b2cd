import {
  type BagGraph,
  edgeOf,
  type Interval,
  intervalLength,
  type Piece,
  pieceIndex,
  type Seam,
  stretchesOf,
} from '../../bag/index.ts';
import { along, distance, NO_STRETCH, onBorder, type Point, UnionFind } from '../../geometry/index.ts';

/** A node of the mesh on an edge. */
export interface OnEdge {
  /** mm along the edge. */
  readonly position: number;
  /** Number of the node: the same for both sides of a seam. */
  readonly node: number;
  readonly at: Point;
}

/** Nodes along every edge of every piece, from its start to its end, with how nodes are still to be brought together. */
export interface EdgeNodes {
  of(piece: string, edge: number): readonly OnEdge[];
  readonly nodes: UnionFind;
}

/** Positions nearer than this, mm, are one. */
const SAME = NO_STRETCH;

/** A whole edge in its own direction. */
interface Way {
  readonly piece: Piece;
  readonly edge: number;
  readonly length: number;
  /** Where something happens: bends, ends of seams, corners of facets; mm. */
  readonly marks: number[];
  readonly on: OnEdge[];
}

/**
 * Divides every edge, both sides of a seam alike, so that what is sewn together has the same nodes: no seam stays open
 * by the mesh. An edge has nodes at its ends and bends, at the ends of seams, and where folds come to it; where one
 * side of a seam has one, so has the other.
 *
 * @param spacing wanted distance of nodes, mm.
 */
export function edgeNodes(graph: BagGraph, spacing: number): EdgeNodes {
  const nodes = new UnionFind();
  const pieceOf = pieceIndex(graph);
  const ways = new Map<string, Way>();
  const wayOf = (id: string, edge: number): Way => {
    const key = `${id}/${edge}`;
    const known = ways.get(key);
    if (known) return known;
    const piece = pieceOf(id);
    const { length } = edgeOf(piece, edge);
    const way: Way = { piece, edge, length, marks: stretchesOf(piece, edge).map(({ from }) => from), on: [] };
    way.marks.push(length);
    ways.set(key, way);
    return way;
  };
  for (const { id, edges } of graph.pieces) for (const edge of edges.keys()) wayOf(id, edge);
  for (const { a, b } of graph.seams)
    for (const { piece, edge, from, to } of [a, b]) wayOf(piece, edge).marks.push(from, to);
  markFolds(graph, wayOf);

  for (const seam of graph.seams) sewNodes(seam, wayOf, nodes, spacing);
  for (const way of ways.values()) fillFree(way, graph, nodes, spacing);
  for (const { id, edges } of graph.pieces) {
    edges.forEach((_, edge) => {
      const { on } = wayOf(id, edge);
      on.sort((p, q) => p.position - q.position);
      joinSame(on, nodes);
    });
    // Each edge ends where the next begins.
    edges.forEach((_, edge) => {
      const [end, start] = [wayOf(id, edge).on.at(-1), wayOf(id, (edge + 1) % edges.length).on[0]];
      if (end && start) nodes.join(end.node, start.node);
    });
  }
  return { nodes, of: (piece, edge) => wayOf(piece, edge).on };
}

/** Marks where the borders of facets come to the outline. */
function markFolds(graph: BagGraph, wayOf: (id: string, edge: number) => Way): void {
  for (const { piece: id, outline } of graph.facets) {
    const { piece } = wayOf(id, 0);
    if (outline === piece.outline) continue;
    piece.edges.forEach((_, edge) => {
      const { marks } = wayOf(id, edge);
      for (const { p, q, from, to } of stretchesOf(piece, edge)) {
        const shares = onBorder(outline, p, q);
        if (shares) marks.push(...shares.map((share) => from + (to - from) * share));
      }
    });
  }
}

/** Puts the same nodes on both sides of a seam. */
function sewNodes(
  { a, b }: Seam,
  wayOf: (id: string, edge: number) => Way,
  nodes: UnionFind,
  spacing: number,
): void {
  const sides = [a, b].map((interval) => ({ interval, way: wayOf(interval.piece, interval.edge) }));
  const shares = sides.flatMap(({ interval, way }) =>
    way.marks.flatMap((mark) => {
      const share = (mark - interval.from) / (interval.to - interval.from);
      return share > 0 && share < 1 ? [share] : [];
    }),
  );
  const length = (intervalLength(a) + intervalLength(b)) / 2;
  for (const share of divided([0, ...shares, 1], length, spacing)) {
    const node = nodes.add();
    for (const { interval, way } of sides) way.on.push(placedOn(way, positionAt(interval, share), node));
  }
}

const positionAt = ({ from, to }: Interval, share: number) => from + (to - from) * share;

function placedOn({ piece, edge }: Way, position: number, node: number): OnEdge {
  const stretches = stretchesOf(piece, edge);
  const on = stretches.find(({ to }) => position <= to) ?? stretches.at(-1);
  if (!on) throw new Error(`${piece.name} has no edge ${edge}.`);
  return { position, node, at: along(on.p, on.q, (position - on.from) / (on.to - on.from)) };
}

/** Puts nodes on what no seam takes. */
function fillFree(way: Way, { seams }: BagGraph, nodes: UnionFind, spacing: number): void {
  const { piece, edge, length, marks } = way;
  const taken = seams
    .flatMap(({ a, b }) => [a, b])
    .filter((side) => side.piece === piece.id && side.edge === edge)
    .map(({ from, to }) => [Math.min(from, to), Math.max(from, to)] as const)
    .sort((p, q) => p[0] - q[0]);
  let at = 0;
  for (const [low, high] of [...taken, [length, length] as const]) {
    if (low > at + SAME) {
      const shares = marks.map((mark) => (mark - at) / (low - at)).filter((share) => share > 0 && share < 1);
      for (const share of divided([0, ...shares, 1], low - at, spacing))
        way.on.push(placedOn(way, at + (low - at) * share, nodes.add()));
    }
    at = Math.max(at, high);
  }
}

/**
 * Shares of a way: at the given ones and evenly between them. One part has two in it at least, and so has the longer of
 * two: a mouth goes round, and two nodes cannot.
 */
function divided(marks: readonly number[], length: number, spacing: number): number[] {
  const stops: number[] = [];
  for (const mark of [...marks].sort((p, q) => p - q))
    if (stops.length === 0 || (mark - (stops.at(-1) ?? 0)) * length > SAME) stops.push(mark);
  // The end is where it is, whatever lies beside it.
  if (stops.length > 1) stops[stops.length - 1] = 1;
  else stops.push(1);
  const parts = stops.slice(1).map((to, i) => ({ to, share: to - (stops[i] ?? 0) }));
  const longest = Math.max(...parts.map(({ share }) => share));
  return [
    stops[0] ?? 0,
    ...parts.flatMap(({ to, share }) => {
      const least = parts.length <= 2 && share === longest ? 2 : 1;
      const many = Math.max(least, Math.round((share * length) / spacing));
      return Array.from({ length: many }, (_, k) => to - share + (share * (k + 1)) / many);
    }),
  ];
}

/** What lies at one place is one node. */
function joinSame(on: OnEdge[], nodes: UnionFind): void {
  for (let i = on.length - 1; i > 0; i--) {
    const [before, here] = [on[i - 1], on[i]];
    if (!before || !here || here.position - before.position > SAME) continue;
    if (distance(before.at, here.at) > SAME) continue;
    nodes.join(before.node, here.node);
    on.splice(i, 1);
  }
}
