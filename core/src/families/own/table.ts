import type { Point } from '../../geometry/index.ts';
import type { Materials } from '../layout/materials.ts';
import type { CellEdge, NetFold, Own } from './schema.ts';

/** The grid on the table, in mm. */
export interface Table {
  /** Side of a cell, joins included. */
  readonly side: number;
  /** Half of what a cell is wide on the table: folds lie on multiples of it. */
  readonly half: number;
  readonly turn: number;
  /** The lower (or lowest) corner of a cell. */
  corner(cell: { x: number; y: number }): Point;
  outline(cell: { x: number; y: number }): readonly Point[];
  edge(edge: CellEdge): readonly [Point, Point];
}

export function tableOf({ motif, rounds, grid }: Own, materials: Materials): Table {
  const side = materials.joinedSide(motif, rounds);
  const turn = grid === 'point' ? Math.PI / 4 : 0;
  const [cos, sin] = [Math.cos(turn) * side, Math.sin(turn) * side];
  const at = (x: number, y: number): Point => ({ x: x * cos - y * sin, y: x * sin + y * cos });
  const outline = ({ x, y }: { x: number; y: number }) => [
    at(x, y),
    at(x + 1, y),
    at(x + 1, y + 1),
    at(x, y + 1),
  ];
  return {
    side,
    half: grid === 'point' ? (side * Math.SQRT2) / 2 : side / 2,
    turn,
    corner: ({ x, y }) => at(x, y),
    outline,
    edge: ({ side: edge, ...cell }) => {
      const corners = outline(cell);
      const [from, to] = [corners[edge], corners[(edge + 1) % 4]];
      if (!from || !to) throw new Error('A cell has four edges.');
      return [from, to];
    },
  };
}

/** The box round all cells, mm. */
export function tableBox(params: Own, table: Table) {
  const points = params.cells.flatMap((cell) => table.outline(cell));
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) };
}

/** Where a fold crosses the table, mm. */
export const foldAt = ({ at }: Pick<NetFold, 'at'>, { half }: Table): number => at * half;
