import { describe, expect, test } from 'vitest';
import { inNet, type Piece, pathOn } from '../bag/index.ts';
import { area } from '../geometry/index.ts';
import { built, panel, squares } from '../testing/built.ts';
import { gridOn, onEdge } from './piece-grid.ts';

const none = { edges: new Map<number, number[]>(), folds: [] };
const pieceOf = (face: Parameters<typeof built>[0], name: string): Piece => {
  const found = built(face).graph.pieces.find((piece) => piece.name === name);
  if (!found) throw new Error(`no ${name}`);
  return found;
};
const square = pieceOf({ family: 'two-faces', face: squares(1, 1), tuck: 0 }, 'Front A1');
const motif = (kind: string) =>
  pieceOf({ family: 'two-faces', face: { of: 'one', motif: kind, rounds: 6, open: 20 }, tuck: 0 }, 'Front');
const waisted = pieceOf(
  {
    family: 'two-faces',
    face: {
      of: 'shaped',
      swatch: 's2',
      chain: 40,
      parts: [
        { rows: 12, stitches: 24 },
        { rows: 12, stitches: 40 },
      ],
    },
    tuck: 0,
  },
  'Front',
);

describe('a grid over a piece', () => {
  test.each([
    ['a square', square],
    ['a panel', pieceOf({ family: 'two-faces', face: panel(30, 20), tuck: 0 }, 'Front')],
    ['a disc', motif('disc')],
    ['a half disc', motif('half-disc')],
    ['a hexagon', motif('hexagon')],
    ['a triangle', motif('triangle')],
    ['a panel with a waist', waisted],
  ])('%s: its cells cover it, and its border follows every edge', (_, piece) => {
    const { w, h, at, points } = gridOn(piece, none, 12, 5);
    expect(at).toHaveLength(w * h);
    expect([...at]).toEqual(Array.from({ length: w * h }, (_x, i) => 5 + i));
    let covered = 0;
    for (let j = 0; j + 1 < h; j++) {
      for (let i = 0; i + 1 < w; i++) {
        const corners = [j * w + i, j * w + i + 1, (j + 1) * w + i + 1, (j + 1) * w + i].flatMap(
          (k) => points[k] ?? [],
        );
        covered += area(corners);
      }
    }
    // Cells are quadrilaterals: along a curve between two vertices they cut a little off.
    expect(covered / area(piece.outline)).toBeGreaterThan(0.985);
    expect(covered / area(piece.outline)).toBeLessThan(1 + 1e-6);
    const grid = gridOn(piece, none, 12, 5);
    piece.edges.forEach(({ length }, edge) => {
      const vertices = onEdge(grid, { piece: piece.id, edge, from: 0, to: length });
      expect(vertices[0]?.position).toBeCloseTo(0, 6);
      expect(vertices.at(-1)?.position).toBeCloseTo(length, 6);
      for (const { position, vertex } of vertices) {
        const on = grid.points[vertex - 5];
        const [, place] = pathOn(piece, { edge, from: 0, to: Math.max(position, 1e-6) }).slice(-2);
        expect(Math.hypot((on?.x ?? 0) - (place?.x ?? 0), (on?.y ?? 0) - (place?.y ?? 0))).toBeLessThan(0.01);
      }
    });
  });

  test('has a line through every stop on an edge that is not next to another', () => {
    const stops = { edges: new Map([[0, [33, 61]]]), folds: [] };
    const grid = gridOn(square, stops, 12, 0);
    const positions = onEdge(grid, {
      piece: square.id,
      edge: 0,
      from: 0,
      to: square.edges[0]?.length ?? 0,
    }).map(({ position }) => position);
    for (const stop of [33, 61]) expect(positions.some((at) => Math.abs(at - stop) < 1e-9)).toBe(true);
  });

  test('part of an edge is walked in the direction it is asked for', () => {
    const grid = gridOn(square, none, 12, 0);
    const forth = onEdge(grid, { piece: square.id, edge: 1, from: 20, to: 80 });
    const back = onEdge(grid, { piece: square.id, edge: 1, from: 80, to: 20 });
    expect(back).toEqual([...forth].reverse());
  });

  test('a part shorter than a cell gets the line next to it', () => {
    const grid = gridOn(square, none, 30, 0);
    expect(onEdge(grid, { piece: square.id, edge: 0, from: 9, to: 10 })).toHaveLength(1);
  });

  test('lies where the piece does once it is put into the net', () => {
    const [first] = gridOn(square, none, 30, 0).points;
    expect(inNet(square, first ?? { x: 1, y: 1 })).toEqual(square.at);
  });
});
