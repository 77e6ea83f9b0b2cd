import { type BagGraph, type Facet, move, type Piece, pointOnEdge } from '../bag/index.ts';
import { along, contains, distance, distance3, groupBy, type Point, type Point3 } from '../geometry/index.ts';
import { heldAlong, type VertexHold } from './hold.ts';
import type { PieceGrid } from './piece-grid.ts';

/** A stretch of the border of what is tucked away, with where it lies on the made-up bag. */
interface Border {
  readonly grid: PieceGrid;
  readonly from: Point;
  readonly to: Point;
  readonly start: Point3;
  readonly end: Point3;
}

/** Borders that meet on the made-up bag differ by less than this, mm. */
const SAME = 1e-3;

const isTucked = ({ tucked }: Facet) => tucked === true;

/** The sides of tucked facets, but for those between two of them and those that are closed with the bag. */
function bordersOf(graph: BagGraph, gridOf: (id: string) => PieceGrid): Border[] {
  const tucked = groupBy(graph.facets.filter(isTucked), ({ piece }) => piece);
  const closing = graph.seams.filter(({ kind }) => kind === 'closing').flatMap(({ a, b }) => [a, b]);
  /** Whether a point of a piece lies on an edge that a closing seam takes. */
  const closed = (piece: Piece, p: Point) =>
    closing.some((side) => {
      if (side.piece !== piece.id) return false;
      const [from, to] = [pointOnEdge(piece, side.edge, side.from), pointOnEdge(piece, side.edge, side.to)];
      return distance(from, p) + distance(p, to) < distance(from, to) + SAME;
    });
  return [...tucked].flatMap(([piece, facets]) => {
    const grid = gridOf(piece);
    return facets.flatMap((facet) =>
      facet.outline.flatMap((from, i): Border[] => {
        const to = facet.outline[(i + 1) % facet.outline.length] ?? from;
        const middle = along(from, to, 0.5);
        if (facets.some((other) => other !== facet && contains(other.outline, middle, SAME))) return [];
        if (closed(grid.piece, middle)) return [];
        return [{ grid, from, to, start: move(facet.motion, from), end: move(facet.motion, to) }];
      }),
    );
  });
}

/** The vertices along a border, with the share of the way at which each lies. */
function verticesOn({ grid, from, to }: Border, near: number) {
  const length = distance(from, to);
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  return grid.points
    .flatMap((p, k) => {
      const [dx, dy] = [p.x - from.x, p.y - from.y];
      const [way, off] = [dx * ux + dy * uy, Math.abs(dx * uy - dy * ux)];
      const vertex = grid.at[k];
      if (vertex === undefined || off > near || way < -near || way > length + near) return [];
      return [{ vertex, t: way / length }];
    })
    .sort((p, q) => p.t - q.t);
}

/**
 * Holds that sew the bag across where a corner of it is tucked away: the borders of what is tucked away meet as
 * they do on the made-up bag, and it lies folded.
 *
 * @param near vertices this near (mm) to a border lie on it.
 */
export function tuckHolds(graph: BagGraph, gridOf: (id: string) => PieceGrid, near: number): VertexHold[] {
  const borders = bordersOf(graph, gridOf);
  const meets = (p: Point3, q: Point3) => distance3(p, q) < SAME;
  return borders.flatMap((a, i) =>
    borders.slice(i + 1).flatMap((b): VertexHold[] => {
      if (a.grid.piece.cell.sheet !== b.grid.piece.cell.sheet) return [];
      const same = meets(a.start, b.start) && meets(a.end, b.end);
      const turned = meets(a.start, b.end) && meets(a.end, b.start);
      if (!same && !turned) return [];
      const other = turned ? { ...b, from: b.to, to: b.from } : b;
      return heldAlong(verticesOn(a, near), verticesOn(other, near), 'closing');
    }),
  );
}

/** Finds out whether a triangle of a piece lies in what is tucked away. */
export function tuckedAway(graph: BagGraph): (piece: string, middle: Point) => boolean {
  const tucked = groupBy(graph.facets.filter(isTucked), ({ piece }) => piece);
  return (piece, middle) => (tucked.get(piece) ?? []).some(({ outline }) => contains(outline, middle));
}
