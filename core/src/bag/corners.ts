import { must, SAME_PLACE, UnionFind } from '../geometry/index.ts';
import type { BagGraph, Interval, Seam } from './graph.ts';

/** A stretch of an edge that no seam takes, from one corner of the bag to the next. */
export interface RimPart {
  readonly interval: Interval;
  readonly from: number;
  readonly to: number;
}

/** The bag as corners (points of pieces that seams bring together) with the seams between them. */
export interface Corners {
  /** Corner at the start and end of each seam, by seam id; corners are any distinct whole numbers. */
  readonly ends: ReadonlyMap<string, readonly [number, number]>;
  /** The same of the flat seams while the net lies open: corners that only folding brings together are apart. */
  readonly lying: ReadonlyMap<string, readonly [number, number]>;
  /** The free parts of all outlines joined into loops; each loop runs along the outlines. */
  rims(): RimPart[][];
}

/** Positions nearer than this (mm) on one edge are the same point. */
const GRAIN = SAME_PLACE;

/** An edge with the points that seams mark on it, by position in grains. */
interface MarkedEdge {
  readonly piece: string;
  readonly edge: number;
  readonly length: number;
  /** Its own two corners, and where the second one lies. */
  readonly start: number;
  readonly end: number;
  readonly grains: number;
  /** Marks between them; few edges have any. */
  inner: Map<number, number> | undefined;
  /** Covered stretches, low and high in turn; an edge of the rim has none. */
  taken: number[] | undefined;
}

/** Worked out once for each set of seams: several readouts walk the same corners. */
const known = new WeakMap<
  BagGraph['seams'],
  { readonly pieces: BagGraph['pieces']; readonly corners: Corners }
>();

/** The corners of a bag, made up as far as its seams say. */
export function cornersOf(graph: Pick<BagGraph, 'pieces' | 'seams'>): Corners {
  const before = known.get(graph.seams);
  if (before && before.pieces === graph.pieces) return before.corners;
  const corners = findCorners(graph);
  known.set(graph.seams, { pieces: graph.pieces, corners });
  return corners;
}

/**
 * Identifies the points of all pieces that seams bring together, and chains what is left of the outlines
 * into rims. Linear in pieces and seams up to sorting the marks on each edge.
 */
function findCorners({ pieces, seams }: Pick<BagGraph, 'pieces' | 'seams'>): Corners {
  const points = new UnionFind();
  const edgesOf = new Map<string, MarkedEdge[]>();
  for (const { id, edges } of pieces) {
    const corners = edges.map(() => points.add());
    edgesOf.set(
      id,
      edges.map(({ length }, edge) => ({
        piece: id,
        edge,
        length,
        start: must(corners[edge], 'corner'),
        end: must(corners[(edge + 1) % edges.length], 'corner'),
        grains: Math.round(length / GRAIN),
        inner: undefined,
        taken: undefined,
      })),
    );
  }
  const markedEdge = ({ piece, edge }: Interval): MarkedEdge => {
    const found = edgesOf.get(piece)?.[edge];
    if (!found) throw new Error(`The bag has no edge ${edge} of piece ${piece}.`);
    return found;
  };
  const mark = (edge: MarkedEdge, position: number): number => {
    const at = Math.round(position / GRAIN);
    // An end computed another way may fall into the next grain.
    if (Math.abs(at) <= 1) return edge.start;
    if (Math.abs(at - edge.grains) <= 1) return edge.end;
    edge.inner ??= new Map();
    const known = edge.inner.get(at) ?? edge.inner.get(at - 1) ?? edge.inner.get(at + 1);
    if (known !== undefined) return known;
    const fresh = points.add();
    edge.inner.set(at, fresh);
    return fresh;
  };

  // Most edges are taken once: a list that grows would be the dearest thing here.
  const take = (edge: MarkedEdge, { from, to }: Interval) => {
    const [low, high] = from < to ? [from, to] : [to, from];
    if (edge.taken) edge.taken.push(low, high);
    else edge.taken = [low, high];
  };

  const sew = ({ id, a, b }: Seam): readonly [string, number, number] => {
    const [edgeA, edgeB] = [markedEdge(a), markedEdge(b)];
    const [from, to] = [mark(edgeA, a.from), mark(edgeA, a.to)];
    points.join(from, mark(edgeB, b.from));
    points.join(to, mark(edgeB, b.to));
    take(edgeA, a);
    take(edgeB, b);
    return [id, from, to];
  };
  const endsOf = (starts: ReadonlyArray<readonly [string, number, number]>) =>
    new Map(starts.map(([id, from, to]) => [id, [points.find(from), points.find(to)] as const]));
  const flat = seams.filter(({ kind }) => kind === 'flat').map(sew);
  const lying = endsOf(flat);
  const others = seams.filter(({ kind }) => kind !== 'flat').map(sew);
  let rims: RimPart[][] | undefined;
  return {
    ends: endsOf([...flat, ...others]),
    lying,
    rims: () => {
      if (rims) return rims;
      const free: RimPart[] = [];
      for (const edges of edgesOf.values())
        for (const edge of edges) if (!wholeTaken(edge)) free.push(...freeParts(edge, points));
      rims = chainRims(free);
      return rims;
    },
  };
}

/** Whether one seam takes all of an edge, as most do. */
function wholeTaken({ length, taken }: MarkedEdge): boolean {
  if (taken?.length !== 2) return false;
  const [low = 0, high = 0] = taken;
  return high - low > length - 2 * GRAIN;
}

/** The stretches between neighbouring marks that no seam covers. */
function freeParts(own: MarkedEdge, points: UnionFind): RimPart[] {
  const { piece, edge, length, start, end, grains: last, inner = [], taken = [] } = own;
  const covered = (at: number) =>
    taken.some((from, i) => i % 2 === 0 && from < at && at < must(taken[i + 1], 'end of what is taken'));
  const stops = [[0, start] as const, ...[...inner].sort(([p], [q]) => p - q), [last, end] as const];
  return stops.flatMap(([grains, point], i) => {
    const before = stops[i - 1];
    if (!before) return [];
    // The last mark of an edge is its end, however the grains fall.
    const [from, to] = [before[0] * GRAIN, i === stops.length - 1 ? length : grains * GRAIN];
    if (to - from < 2 * GRAIN || covered((from + to) / 2)) return [];
    return [{ interval: { piece, edge, from, to }, from: points.find(before[1]), to: points.find(point) }];
  });
}

/**
 * Chains rim parts into loops. Outlines all run counter-clockwise, so at every corner of the rim as many
 * parts arrive as leave, and following any unused one closes a loop.
 */
function chainRims(parts: readonly RimPart[]): RimPart[][] {
  const leaving = new Map<number, RimPart[]>();
  for (const part of parts) {
    const list = leaving.get(part.from);
    if (list) list.push(part);
    else leaving.set(part.from, [part]);
  }
  const rims: RimPart[][] = [];
  const used = new Set<RimPart>();
  for (const first of parts) {
    if (used.has(first)) continue;
    const loop: RimPart[] = [];
    let next: RimPart | undefined = first;
    while (next && !used.has(next)) {
      used.add(next);
      loop.push(next);
      next = leaving.get(next.to)?.find((part) => !used.has(part));
    }
    rims.push(loop);
  }
  return rims;
}
