import { extent, type Piece } from '@fennot/core';

/**
 * From places of a panel's rows (u along a row from its left end, v up from the first row, mm) to its drawing: x = a u +
 * c v + e, y = b u + d v + f, in the order a picture wants them.
 */
export type RowsPlace = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/** How the rows of a panel lie in its drawing: up from the edge that is its chain, whichever side that is. */
export function rowsPlace({ outline, edges, make }: Piece): RowsPlace {
  const { width, height } = extent(outline);
  const chain = edges.findIndex(({ kind }) => kind === 'chain');
  const before = edges.slice(0, Math.max(0, chain)).reduce((sum, { sides = 1 }) => sum + sides, 0);
  const [p, q] = [outline[before], outline[(before + 1) % outline.length]];
  // Without a chain it is drawn as its rows run.
  const upright = make.of === 'panel' && make.rowsRun === 'upright';
  const [dx, dy] = chain >= 0 && p && q ? [q.x - p.x, q.y - p.y] : upright ? [0, -1] : [1, 0];
  if (Math.abs(dx) >= Math.abs(dy)) return dx >= 0 ? [1, 0, 0, 1, 0, 0] : [1, 0, 0, -1, 0, height];
  // Walked upwards the chain is at the right, and rows run to the left.
  return dy < 0 ? [0, 1, 1, 0, 0, 0] : [0, 1, -1, 0, width, 0];
}

/** The place of a panel's rows that lies at a point of its drawing. */
export function placeInRows([a, b, c, d, e, f]: RowsPlace, x: number, y: number): { u: number; v: number } {
  const determinant = a * d - b * c;
  return {
    u: (d * (x - e) - c * (y - f)) / determinant,
    v: (a * (y - f) - b * (x - e)) / determinant,
  };
}
