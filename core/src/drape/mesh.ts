import {
  type BagGraph,
  cornersOf,
  type Interval,
  inNet,
  madeUpPlaces,
  type Piece,
  type RimPart,
  type Seam,
  type Waist,
  waistOf,
} from '../bag/index.ts';
import { along, type Point } from '../geometry/index.ts';
import { heldAlong, type VertexHold } from './hold.ts';
import { gridOn, onEdge, type PieceGrid, SAME, type Stops } from './piece-grid.ts';
import { type TakenIn, takenIn } from './take-in.ts';
import { tuckedAway, tuckHolds } from './tuck.ts';

/** The bag's pieces as one mesh in the open net. Lengths in mm. */
export interface Mesh {
  /** x, y of every vertex in the net, two numbers each. */
  readonly net: Float64Array;
  readonly count: number;
  /** Height of every vertex on the made-up bag, mm; told only where a waist is drawn in. */
  readonly heights: Float64Array | undefined;
  readonly waist: Waist | undefined;
  /** Where fabric is gathered onto a shorter edge. */
  readonly takenIn: readonly TakenIn[];
  readonly grids: readonly PieceGrid[];
  /** Corner triples, counter-clockwise as seen from the right side. */
  readonly triangles: Int32Array;
  /** Those of them that hold the filling, and those tucked away inside. */
  readonly holding: Int32Array;
  readonly tucked: Int32Array;
  readonly holds: readonly VertexHold[];
  /** Vertices round each opening, in the direction of the outlines; the mouth, which is the longest, first. */
  readonly rims: readonly (readonly number[])[];
}

/**
 * Lays a grid over every piece, with lines through its folds and the ends of its seams, and joins what is
 * joined flat.
 *
 * @param spacing wanted distance of lines, mm.
 */
export function meshOf(graph: BagGraph, spacing: number): Mesh {
  const stops = stopsOf(graph);
  const grids: PieceGrid[] = [];
  const net: number[] = [];
  for (const piece of graph.pieces) {
    const first = net.length / 2;
    const grid = gridOn(piece, stops(piece), spacing, first);
    for (const point of grid.points) {
      const p = inNet(piece, point);
      net.push(p.x, p.y);
    }
    grids.push(grid);
  }
  const byId = new Map(grids.map((grid) => [grid.piece.id, grid]));
  const gridOf = (id: string) => {
    const grid = byId.get(id);
    if (!grid) throw new Error(`The bag has no piece ${id}.`);
    return grid;
  };
  const holds = [
    ...graph.seams.flatMap((seam) => holdsOf(seam, gridOf)),
    ...tuckHolds(graph, gridOf, SAME * spacing),
  ];

  const isTucked = tuckedAway(graph);
  const holding = trianglesOf(grids, (piece, middle) => !isTucked(piece, middle));
  const tucked = trianglesOf(grids, isTucked);
  return {
    net: Float64Array.from(net),
    count: net.length / 2,
    heights: graph.trim?.waist && heightsOf(graph, grids),
    waist: waistOf(graph),
    takenIn: takenIn(graph),
    grids,
    triangles: Int32Array.of(...holding, ...tucked),
    holding,
    tucked,
    holds,
    rims: cornersOf(graph)
      .rims()
      .sort((p, q) => lengthOf(q) - lengthOf(p))
      .map((rim) =>
        rim.flatMap(({ interval }) =>
          onEdge(gridOf(interval.piece), interval)
            .slice(1)
            .map((v) => v.vertex),
        ),
      ),
  };
}

/** How high each vertex lies on the made-up bag. */
function heightsOf(graph: BagGraph, grids: readonly PieceGrid[]): Float64Array {
  const place = madeUpPlaces(graph);
  return Float64Array.from(grids.flatMap(({ piece, points }) => points.map((p) => place(piece.id, p).y)));
}

const lengthOf = (rim: readonly RimPart[]) =>
  rim.reduce((sum, { interval }) => sum + interval.to - interval.from, 0);

function stopsOf(graph: BagGraph): (piece: Piece) => Stops {
  const marks = new Map<string, Stops>();
  const of = (id: string) => {
    const found = marks.get(id) ?? { edges: new Map<number, number[]>(), folds: [] };
    marks.set(id, found);
    return found;
  };
  for (const { a, b } of graph.seams) {
    for (const { piece, edge, from, to } of [a, b]) {
      const { edges } = of(piece);
      edges.set(edge, [...(edges.get(edge) ?? []), from, to]);
    }
  }
  for (const fold of graph.folds) of(fold.piece).folds.push(fold);
  return (piece) => of(piece.id);
}

/** Holds the vertices of either side of a seam onto the other side. */
function holdsOf(seam: Seam, gridOf: (id: string) => PieceGrid): VertexHold[] {
  const share = (interval: Interval, position: number) =>
    (position - interval.from) / (interval.to - interval.from);
  const way = (interval: Interval) =>
    onEdge(gridOf(interval.piece), interval).map((v) => ({ ...v, t: share(interval, v.position) }));
  return heldAlong(way(seam.a), way(seam.b), seam.kind);
}

/** Two triangles a cell (of the cells that are wanted), with diagonals through the piece's centre, so that diagonal folds lie on them. */
function trianglesOf(
  grids: readonly PieceGrid[],
  wanted: (piece: string, middle: Point) => boolean,
): Int32Array {
  const corners: number[] = [];
  for (const { piece, w, h, at, points } of grids) {
    const [midX, midY] = [(w - 1) / 2, (h - 1) / 2];
    for (let j = 0; j < h - 1; j++) {
      for (let i = 0; i < w - 1; i++) {
        const [low, high] = [points[j * w + i], points[(j + 1) * w + i + 1]];
        if (low && high && !wanted(piece.id, along(low, high, 0.5))) continue;
        const [p, q, r, s] = [at[j * w + i], at[j * w + i + 1], at[(j + 1) * w + i + 1], at[(j + 1) * w + i]];
        if (p === undefined || q === undefined || r === undefined || s === undefined) continue;
        const rising = i + 0.5 < midX === j + 0.5 < midY;
        if (rising) corners.push(p, q, r, p, r, s);
        else corners.push(p, q, s, q, r, s);
      }
    }
  }
  return Int32Array.from(corners);
}
