import { madeUpPlaces, pieceIndex, pointOnEdge } from '../bag/index.ts';
import type { Point3 } from '../geometry/index.ts';
import type { Run } from '../runs/index.ts';
import type { Plan } from './plan.ts';

/** Where a run begins and ends on the made-up bag. */
export function runEnds({ graph }: Plan, { passes }: Run): readonly [Point3, Point3] | undefined {
  const [head, tail] = [passes[0], passes.at(-1)];
  if (!head || !tail) return undefined;
  const piece = pieceIndex(graph);
  const place = madeUpPlaces(graph);
  const at = ({ link, forward }: typeof head, end: boolean) => {
    const { a } = link.seam;
    return place(a.piece, pointOnEdge(piece(a.piece), a.edge, forward === end ? a.to : a.from));
  };
  return [at(head, false), at(tail, true)];
}

/** How much one end must lie higher, or more to the side, to be called so, mm. */
const CLEAR = 8;

/** The end of a run in a word, against its beginning: `upper`, `lower`, `left`, `right`, `front`, `back`. */
export function endWord([from, to]: readonly [Point3, Point3]): string {
  if (Math.abs(to.y - from.y) > CLEAR) return to.y > from.y ? 'upper' : 'lower';
  if (Math.abs(to.x - from.x) > CLEAR) return to.x > from.x ? 'right' : 'left';
  return to.z >= from.z ? 'front' : 'back';
}
