import type { BagGraph, Interval, Seam } from './graph.ts';
import { edgeOf, pieceIndex } from './place.ts';

/** A stretch of an edge that no seam takes, from one corner of the bag to the next. */
export interface RimPart {
  readonly interval: Interval;
  readonly from: number;
  readonly to: number;
}

/** The bag as corners (points of pieces that come together) with the seams and rim parts between them. */
export interface Corners {
  /** Corner at the start and end of each seam, by seam id. */
  readonly ends: ReadonlyMap<string, readonly [number, number]>;
  /** Rim parts joined into loops; each loop runs along the pieces' outlines. */
  readonly rims: readonly (readonly RimPart[])[];
  /** How many corners there are; they are numbered from 0. */
  readonly count: number;
}

/** Positions nearer than this (mm) on one edge are the same point. */
const GRAIN = 1e-3;

function unionFind() {
  const parent: number[] = [];
  const find = (i: number): number => {
    let root = i;
    for (let up = parent[root]; up !== undefined && up !== root; up = parent[root]) root = up;
    parent[i] = root;
    return root;
  };
  return {
    add: () => parent.push(parent.length) - 1,
    find,
    join: (a: number, b: number) => {
      parent[find(a)] = find(b);
    },
  };
}

/**
 * Identifies the points of all pieces that seams bring together, and chains what is left of the outlines
 * into rims. Linear in the number of seams up to sorting the marks on each edge.
 */
export function cornersOf(graph: BagGraph): Corners {
  const piece = pieceIndex(graph);
  const sets = unionFind();
  const points = new Map<string, number>();
  /** Marks on each edge, by their position in grains. */
  const marks = new Map<string, Map<number, number>>();

  /** The set element for a position on an edge; an edge's end is the next edge's start. */
  const element = (id: string, edge: number, position: number): number => {
    const { outline, edges } = piece(id);
    const atEnd = Math.abs(position - (edges[edge]?.length ?? 0)) < GRAIN;
    const [onEdge, grains] = atEnd ? [(edge + 1) % outline.length, 0] : [edge, Math.round(position / GRAIN)];
    const key = `${id}/${onEdge}/${grains}`;
    let found = points.get(key);
    if (found === undefined) {
      found = sets.add();
      points.set(key, found);
    }
    return found;
  };
  const mark = (id: string, edge: number, position: number): number => {
    const at = element(id, edge, position);
    const key = `${id}/${edge}`;
    const list = marks.get(key) ?? new Map<number, number>();
    if (!marks.has(key)) marks.set(key, list);
    list.set(Math.round(position / GRAIN), at);
    return at;
  };

  for (const { id, outline } of graph.pieces) {
    for (let edge = 0; edge < outline.length; edge++) mark(id, edge, 0);
  }
  for (const { a, b } of graph.seams) {
    sets.join(mark(a.piece, a.edge, a.from), mark(b.piece, b.edge, b.from));
    sets.join(mark(a.piece, a.edge, a.to), mark(b.piece, b.edge, b.to));
  }

  const numbers = new Map<number, number>();
  const corner = (at: number): number => {
    const root = sets.find(at);
    const known = numbers.get(root);
    if (known !== undefined) return known;
    numbers.set(root, numbers.size);
    return numbers.size - 1;
  };
  const cornerAt = (i: Interval, position: number) => corner(element(i.piece, i.edge, position));

  const ends = new Map<string, readonly [number, number]>(
    graph.seams.map(({ id, a }: Seam) => [id, [cornerAt(a, a.from), cornerAt(a, a.to)]]),
  );
  return { ends, rims: chainRims(freeParts(graph, marks, cornerAt)), count: numbers.size };
}

/** The stretches between neighbouring marks that no seam covers. */
function freeParts(
  graph: BagGraph,
  marks: ReadonlyMap<string, ReadonlyMap<number, number>>,
  cornerAt: (interval: Interval, position: number) => number,
): RimPart[] {
  const taken = new Map<string, Array<readonly [number, number]>>();
  for (const { a, b } of graph.seams) {
    for (const { piece, edge, from, to } of [a, b]) {
      const key = `${piece}/${edge}`;
      const list = taken.get(key) ?? [];
      list.push([Math.min(from, to), Math.max(from, to)]);
      taken.set(key, list);
    }
  }
  const free: RimPart[] = [];
  for (const piece of graph.pieces) {
    for (let edge = 0; edge < piece.edges.length; edge++) {
      const key = `${piece.id}/${edge}`;
      const { length } = edgeOf(piece, edge);
      const stops = [...(marks.get(key)?.keys() ?? [])].map((grains) => grains * GRAIN).sort((p, q) => p - q);
      const covered = taken.get(key) ?? [];
      let start = 0;
      for (const stop of [...stops.filter((s) => s > GRAIN && s < length - GRAIN), length]) {
        const middle = (start + stop) / 2;
        if (!covered.some(([low, high]) => low < middle && middle < high)) {
          const interval = { piece: piece.id, edge, from: start, to: stop };
          free.push({ interval, from: cornerAt(interval, start), to: cornerAt(interval, stop) });
        }
        start = stop;
      }
    }
  }
  return free;
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
