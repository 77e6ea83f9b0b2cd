import { area, distance, distance3, extent, NOTHING, type Point3, SAME_PLACE } from '../geometry/index.ts';
import { cornersOf } from './corners.ts';
import type { BagGraph, Interval, Piece } from './graph.ts';
import {
  edgeOf,
  edgePath,
  inNet,
  intervalLength,
  madeUpPlaces,
  pieceIndex,
  pointOnEdge,
  stretchesOf,
} from './place.ts';

/** Something a bag graph should not do, in words a maker understands. */
export interface GraphProblem {
  readonly kind: 'mismatch' | 'gap' | 'edge' | 'overlap' | 'rim' | 'area' | 'apart';
  readonly text: string;
  /** Seam or piece it concerns, where there is one. */
  readonly seam?: string;
  readonly piece?: string;
  /** How far it is off, mm (or mm² for an area). */
  readonly by: number;
}

const SLACK = SAME_PLACE;

/** Shares of a seam's way at which its sides are held against each other: its ends, and the bends of a curve. */
function heldPlaces(piece: Piece, { edge, from, to }: Interval): number[] {
  const bends = stretchesOf(piece, edge)
    .map((stretch) => (stretch.to - from) / (to - from))
    .filter((share) => share > NOTHING && share < 1 - NOTHING);
  return [0, ...bends, 1];
}

/** Where the length of two joined intervals differs. Not a fault of the graph: the maker is told. */
export function mismatches(graph: BagGraph): GraphProblem[] {
  return graph.seams.flatMap(({ id, a, b }) => {
    const by = intervalLength(a) - intervalLength(b);
    if (Math.abs(by) < SLACK) return [];
    return [{ kind: 'mismatch', seam: id, by, text: `One side of the seam is ${by.toFixed(1)} mm longer.` }];
  });
}

/**
 * Holds a graph against the invariants every family must keep: edges as long as their outline, each part
 * of an edge in one seam at most, flat seams touching in the net, seams closed on the made-up bag, area
 * kept by the folds, and as many rims as intended. A seam whose sides differ in length is eased, not
 * wrong: `mismatches` reports it.
 */
export function checkGraph(graph: BagGraph): GraphProblem[] {
  const piece = pieceIndex(graph);
  const place = madeUpPlaces(graph);
  const problems: GraphProblem[] = [];

  for (const one of graph.pieces) {
    one.edges.forEach((edge, index) => {
      const path = edgePath(one, index);
      const by = path.reduce((left, q, i) => left - distance(path[i - 1] ?? q, q), edge.length as number);
      if (Math.abs(by) > SLACK)
        problems.push({ kind: 'edge', piece: one.id, by, text: `${one.name}: edge length is off.` });
    });
    const facets = graph.facets.filter((facet) => facet.piece === one.id);
    const by = area(one.outline) - facets.reduce((sum, facet) => sum + area(facet.outline), 0);
    if (Math.abs(by) > SLACK * area(one.outline))
      problems.push({ kind: 'area', piece: one.id, by, text: `${one.name}: folding changes its area.` });
  }

  const somewhere = new Set(graph.facets.map((facet) => facet.piece));
  // Without a place for every piece there is nothing to hold the seams against.
  if (graph.pieces.some(({ id }) => !somewhere.has(id))) return problems;

  const taken = new Map<string, Array<readonly [number, number]>>();
  const take = ({ piece: id, edge, from, to }: Interval) => {
    const low = Math.min(from, to);
    const high = Math.max(from, to);
    const list = taken.get(`${id}/${edge}`) ?? [];
    const { length } = edgeOf(piece(id), edge);
    if (low < -SLACK || high > length + SLACK)
      problems.push({ kind: 'edge', piece: id, by: high - length, text: 'A seam runs past its edge.' });
    if (list.some(([l, h]) => Math.min(h, high) - Math.max(l, low) > SLACK))
      problems.push({ kind: 'overlap', piece: id, by: high - low, text: 'Two seams share part of an edge.' });
    list.push([low, high]);
    taken.set(`${id}/${edge}`, list);
  };

  // Where the two sides of a line differ, the difference adds up along it.
  const eased = new Map<string, number>();
  for (const { line, a, b } of graph.seams)
    eased.set(line, (eased.get(line) ?? 0) + Math.abs(intervalLength(a) - intervalLength(b)));

  // What is eased onto its place as a whole lies at its own size in the net.
  const looseOf = new Map(
    graph.facets.map(({ piece: id, motion: { u, v } }) => {
      const box = extent(piece(id).outline);
      const off = (axis: Point3, way: number) => Math.abs(Math.hypot(axis.x, axis.y, axis.z) - 1) * way;
      return [id, off(u, box.width) + off(v, box.height)] as const;
    }),
  );
  const loose = (id: string) => looseOf.get(id) ?? 0;

  for (const { id, a, b, kind, line } of graph.seams) {
    take(a);
    take(b);
    const [pa, pb] = [piece(a.piece), piece(b.piece)];
    const pairs = heldPlaces(pa, a).map((share) => {
      const at = (p: Piece, { edge, from, to }: Interval, s: number) =>
        pointOnEdge(p, edge, from + (to - from) * s);
      const inside = share < 0.5 ? share + NOTHING : share - NOTHING;
      return {
        a: at(pa, a, share),
        b: at(pb, b, share),
        // A little further along the seam: where a fold crosses it, the facet the seam runs on.
        aOn: at(pa, a, inside),
        bOn: at(pb, b, inside),
      };
    });
    if (kind === 'flat') {
      const by = Math.max(...pairs.map((pair) => distance(inNet(pa, pair.a), inNet(pb, pair.b))));
      if (by > (eased.get(line) ?? 0) + loose(a.piece) + loose(b.piece) + SLACK)
        problems.push({ kind: 'apart', seam: id, by, text: 'A flat seam lies open in the net.' });
    }
    const by = Math.max(
      ...pairs.map((pair) => distance3(place(a.piece, pair.a, pair.aOn), place(b.piece, pair.b, pair.bOn))),
    );
    if (by > SLACK)
      problems.push({ kind: 'gap', seam: id, by, text: 'A seam stays open on the made-up bag.' });
  }

  const rims = cornersOf(graph).rims();
  const closed = rims.every((loop) => loop[0]?.from === loop.at(-1)?.to);
  if (rims.length !== graph.rims || !closed) {
    const by = rims.length - graph.rims;
    problems.push({
      kind: 'rim',
      by,
      text: `The bag should have ${graph.rims} opening, it has ${rims.length}.`,
    });
  }
  return problems;
}
