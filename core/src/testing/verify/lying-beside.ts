import { type BagGraph, cornersOf, type Facet, move, pieceIndex, stretchesOf } from '../../bag/index.ts';
import { distance3, type Point3 } from '../../geometry/index.ts';

/** A part of a piece's edge on the made-up bag. */
interface Border {
  readonly piece: string;
  readonly face: string;
  readonly from: Point3;
  readonly to: Point3;
  readonly edge: number;
  /** Position along the edge at `from` and `to`, mm. */
  readonly span: readonly [number, number];
}

/** Along one another for less, mm, nothing meets. */
const LEAST = 1;

/** The borders of all facets that are borders of their pieces, not folds. */
function bordersOf(graph: BagGraph): Border[] {
  const find = pieceIndex(graph);
  return graph.facets.flatMap((facet: Facet): Border[] => {
    const piece = find(facet.piece);
    return facet.outline.flatMap((p, i): Border[] => {
      const q = facet.outline[(i + 1) % facet.outline.length] ?? p;
      for (const edge of piece.edges.keys())
        for (const stretch of stretchesOf(piece, edge)) {
          const length = Math.hypot(stretch.q.x - stretch.p.x, stretch.q.y - stretch.p.y);
          const along = ({ x, y }: { x: number; y: number }) =>
            ((x - stretch.p.x) * (stretch.q.x - stretch.p.x) +
              (y - stretch.p.y) * (stretch.q.y - stretch.p.y)) /
            length;
          const off = ({ x, y }: { x: number; y: number }) =>
            Math.abs(
              (x - stretch.p.x) * (stretch.q.y - stretch.p.y) -
                (y - stretch.p.y) * (stretch.q.x - stretch.p.x),
            ) / length;
          if (off(p) > 0.01 || off(q) > 0.01 || along(q) - along(p) < 0.5) continue;
          if (along(p) < -0.01 || along(q) > length + 0.01) continue;
          return [
            {
              piece: piece.id,
              face: facet.face,
              edge,
              from: move(facet.motion, p),
              to: move(facet.motion, q),
              span: [stretch.from + along(p), stretch.from + along(q)],
            },
          ];
        }
      return [];
    });
  });
}

/** Where two borders run along one another in space: the parts of the first, as shares of it. */
function together(a: Border, b: Border): readonly [number, number] | undefined {
  const length = distance3(a.from, a.to);
  const way = {
    x: (a.to.x - a.from.x) / length,
    y: (a.to.y - a.from.y) / length,
    z: (a.to.z - a.from.z) / length,
  };
  const at = (p: Point3) => {
    const [x, y, z] = [p.x - a.from.x, p.y - a.from.y, p.z - a.from.z];
    const s = x * way.x + y * way.y + z * way.z;
    return { s, off: Math.hypot(x - s * way.x, y - s * way.y, z - s * way.z) };
  };
  const [p, q] = [at(b.from), at(b.to)];
  if (p.off > 0.5 || q.off > 0.5) return undefined;
  const [low, high] = [Math.max(0, Math.min(p.s, q.s)), Math.min(length, Math.max(p.s, q.s))];
  return high - low > LEAST ? [low / length, high / length] : undefined;
}

/**
 * Who lies beside whom, by nothing but where the made-up bag's facets lie: borders of one face that run along one another
 * meet; what is then still without a partner meets what it lies on of another face, unless it is the opening's.
 */
export function lyingBeside(graph: BagGraph): Set<string> {
  const borders = bordersOf(graph);
  const open = cornersOf(graph).rims().flat();
  const pairs = new Set<string>();
  const motif = new Set(graph.pieces.filter(({ make }) => make.of === 'motif').map(({ id }) => id));
  const taken = new Map<Border, Array<readonly [number, number]>>();
  const key = (p: string, q: string) => [p, q].sort().join(' ');
  const free = (border: Border, [low, high]: readonly [number, number]) => {
    const middle = (low + high) / 2;
    if ((taken.get(border) ?? []).some(([from, to]) => from < middle && middle < to)) return false;
    // A side may be open over a part of it, beside a slit: what is left must be some stretch.
    const at = (share: number) => border.span[0] + share * (border.span[1] - border.span[0]);
    const [from, to] = [at(low), at(high)];
    const left = open.reduce(
      (sum, { interval }) =>
        interval.piece === border.piece && interval.edge === border.edge
          ? sum - Math.max(0, Math.min(to, interval.to) - Math.max(from, interval.from))
          : sum,
      to - from,
    );
    return left > LEAST;
  };
  for (const same of [true, false])
    for (const a of borders)
      for (const b of borders) {
        if (a === b || (a.face === b.face) !== same) continue;
        const [part, other] = [together(a, b), together(b, a)];
        if (!part || !other || !free(a, part) || !free(b, other)) continue;
        // What is folded lies on itself along its fold: that is no meeting.
        taken.set(a, [...(taken.get(a) ?? []), part]);
        taken.set(b, [...(taken.get(b) ?? []), other]);
        if (a.piece !== b.piece && motif.has(a.piece) && motif.has(b.piece)) pairs.add(key(a.piece, b.piece));
      }
  return pairs;
}
