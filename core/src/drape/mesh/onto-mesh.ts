import { groupBy, type Point } from '../../geometry/index.ts';
import { at, nth } from '../cloth/at.ts';
import type { Mesh } from './mesh.ts';

/** A node of one mesh as shares of three nodes of another of the same bag. */
interface Seat {
  readonly nodes: readonly [number, number, number];
  readonly shares: readonly [number, number, number];
}

interface Triangle {
  readonly nodes: readonly [number, number, number];
  readonly flat: readonly [Point, Point, Point];
}

/** The shares of the corners of a triangle in a point of its plane; below nothing beyond a side. */
function sharesIn([a, b, c]: Triangle['flat'], p: Point): readonly [number, number, number] {
  const twice = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
  const second = ((p.x - a.x) * (c.y - a.y) - (p.y - a.y) * (c.x - a.x)) / twice;
  const third = ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / twice;
  return [1 - second - third, second, third];
}

/** The triangle of a facet a point lies in, or sticks out of least: borders are cut into straight sides. */
function seatIn(triangles: readonly Triangle[], p: Point): Seat | undefined {
  let best: Seat | undefined;
  let inside = -Infinity;
  for (const { nodes, flat } of triangles) {
    const shares = sharesIn(flat, p);
    const least = Math.min(...shares);
    // A sliver has no shares: it says nothing.
    if (!(least > inside)) continue;
    best = { nodes, shares };
    inside = least;
  }
  return best;
}

/** The triangles of every facet, and of every piece. */
function trianglesOf({ vertices, corners, triangles, facets }: Mesh) {
  const flat = (t: number, k: number): Point => vertices[nth(corners, 3 * t + k)] ?? { x: 0, y: 0 };
  const all = facets.map((facet, t) => ({
    facet,
    nodes: [nth(triangles, 3 * t), nth(triangles, 3 * t + 1), nth(triangles, 3 * t + 2)] as const,
    flat: [flat(t, 0), flat(t, 1), flat(t, 2)] as const,
  }));
  return {
    ofFacet: groupBy(all, ({ facet }) => facet),
    ofPiece: groupBy(all, ({ facet }) => facet.piece),
  };
}

/**
 * Carries the form of a bag from one mesh onto another of the same bag: every node lies where its place on its facet
 * lies on the other mesh.
 *
 * @returns a function from places of the nodes of the one to places of those of the other, three numbers each.
 */
export function ontoMesh(from: Mesh, onto: Mesh): (p: Float64Array, into: Float64Array) => void {
  const { ofFacet, ofPiece } = trianglesOf(from);
  const seats: Array<Seat | undefined> = new Array(onto.count);
  onto.facets.forEach((facet, t) => {
    for (let k = 0; k < 3; k++) {
      const node = nth(onto.triangles, 3 * t + k);
      const place = onto.vertices[nth(onto.corners, 3 * t + k)];
      // A facet so small that the other mesh has none of it goes on from what it is folded onto.
      const near = ofFacet.get(facet) ?? ofPiece.get(facet.piece) ?? [];
      if (!seats[node] && place) seats[node] = seatIn(near, place);
    }
  });
  return (p, into) => {
    seats.forEach((seat, node) => {
      if (!seat) return;
      const [a, b, c] = seat.nodes;
      const [sa, sb, sc] = seat.shares;
      for (let axis = 0; axis < 3; axis++)
        into[3 * node + axis] =
          sa * at(p, 3 * a + axis) + sb * at(p, 3 * b + axis) + sc * at(p, 3 * c + axis);
    });
  };
}
