import type { BagGraph, Interval, Piece } from '../../bag/index.ts';
import type { Vec } from './solid.ts';

/** A straight stretch of an outline, with the edge it is of and where on it it begins, mm. */
export interface Side {
  readonly edge: number;
  readonly from: number;
  readonly length: number;
  readonly p: readonly [number, number];
  readonly q: readonly [number, number];
}

/** The sides of an outline one after the other, told apart by edges. */
export function sidesOf({ outline, edges }: Piece): Side[] {
  const sides: Side[] = [];
  let corner = 0;
  edges.forEach(({ sides: many = 1 }, edge) => {
    let from = 0;
    for (let k = 0; k < many; k++, corner++) {
      const [p, q] = [outline[corner % outline.length], outline[(corner + 1) % outline.length]];
      if (!p || !q) continue;
      const length = Math.hypot(q.x - p.x, q.y - p.y);
      sides.push({ edge, from, length, p: [p.x, p.y], q: [q.x, q.y] });
      from += length;
    }
  });
  return sides;
}

/** Parts of edges that seams take, low end first, by piece and edge. */
export function takenParts({ seams }: BagGraph): Map<string, Array<readonly [number, number]>> {
  const taken = new Map<string, Array<readonly [number, number]>>();
  const put = ({ piece, edge, from, to }: Interval) => {
    const key = `${piece}/${edge}`;
    taken.set(key, [...(taken.get(key) ?? []), [Math.min(from, to), Math.max(from, to)]]);
  };
  for (const { a, b } of seams) {
    put(a);
    put(b);
  }
  return taken;
}

/** How near a place must lie to an outline to be on it, mm. */
const ON = 1e-6;

/** Says whether a place of a piece lies on a part of its outline that no seam takes. */
export function freePlaces(graph: BagGraph): (piece: string, at: Vec) => boolean {
  const taken = takenParts(graph);
  const sides = new Map(graph.pieces.map((piece) => [piece.id, sidesOf(piece)]));
  return (piece, [x, y]) =>
    (sides.get(piece) ?? []).some(({ edge, from, length, p, q }) => {
      const [dx, dy] = [(q[0] - p[0]) / length, (q[1] - p[1]) / length];
      const [along, off] = [(x - p[0]) * dx + (y - p[1]) * dy, (x - p[0]) * dy - (y - p[1]) * dx];
      if (Math.abs(off) > ON || along < ON || along > length - ON) return false;
      const at = from + along;
      return !(taken.get(`${piece}/${edge}`) ?? []).some(([low, high]) => at > low - ON && at < high + ON);
    });
}
