import { expect, test } from 'vitest';
import { mm } from '../units/index.ts';
import { type Piece, pointOnEdge } from './index.ts';

test('a path that stands still at its beginning has its first place there, and its other places behind', () => {
  // Along an edge of three stretches, the first of no length: 0, then 30 to the right, then 40 up.
  const outline = [
    { x: 0, y: 0 },
    { x: 0, y: 0 },
    { x: 30, y: 0 },
    { x: 30, y: 40 },
  ];
  const piece: Piece = {
    id: 'p',
    name: 'Panel',
    make: { of: 'panel', swatch: 's', stitches: 1, rows: 1, rowsRun: 'across' },
    outline,
    edges: [
      { kind: 'row-ends', loops: 9, length: mm(70), sides: 3 },
      { kind: 'tops', loops: 5, length: mm(50) },
    ],
    at: { x: 0, y: 0 },
    turn: 0,
    cell: { sheet: 'p', row: 0, column: 0 },
  };
  expect(pointOnEdge(piece, 0, 0)).toEqual({ x: 0, y: 0 });
  expect(pointOnEdge(piece, 0, 15)).toEqual({ x: 15, y: 0 });
  expect(pointOnEdge(piece, 0, 50)).toEqual({ x: 30, y: 20 });
});
