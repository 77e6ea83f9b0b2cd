import { type Point, whole } from '../../geometry/index.ts';
import type { Materials } from '../layout/materials.ts';
import type { CellEdge, NetFold, Own } from './schema.ts';

/** The grid on the table, in mm. */
export interface Table {
  /** Sides of a cell, joins included: those of a square, or, where all is of panels, of a panel. */
  readonly wide: number;
  readonly tall: number;
  /** Half of what a cell is wide and high on the table: folds lie on multiples of it. */
  readonly half: Readonly<Record<NetFold['lies'], number>>;
  readonly turn: number;
  /** The lower (or lowest) corner of a cell. */
  corner(cell: { x: number; y: number }): Point;
  outline(cell: { x: number; y: number }): readonly Point[];
  edge(edge: CellEdge): readonly [Point, Point];
}

/** What a panel of so many stitches and rows measures with its joins, and its counts: as near a square as they come. */
export interface PanelSize {
  readonly stitches: number;
  readonly rows: number;
  readonly wide: number;
  readonly tall: number;
}

export function panelSize({ motif, rounds, swatch }: Own, materials: Materials): PanelSize {
  const { nominal } = materials;
  const side = nominal.motifSide(motif, rounds);
  const stitches = Math.max(1, whole(side / nominal.pitch(swatch)));
  const rows = Math.max(1, whole(side / nominal.rowHeight(swatch)));
  const [pitch, row, join] = [materials.pitch(swatch), materials.rowHeight(swatch), materials.join()];
  return { stitches, rows, wide: stitches * pitch + join, tall: rows * row + join };
}

export function tableOf(params: Own, materials: Materials): Table {
  const { motif, rounds, grid, cells } = params;
  const side = materials.joinedSide(motif, rounds);
  // On point the folds go through corners: only squares come to lie on one another.
  const panels = grid === 'straight' && cells.length > 0 && cells.every(({ of }) => of === 'panel');
  const { wide, tall } = panels ? panelSize(params, materials) : { wide: side, tall: side };
  const turn = grid === 'point' ? Math.PI / 4 : 0;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const at = (x: number, y: number): Point => ({
    x: x * wide * cos - y * tall * sin,
    y: x * wide * sin + y * tall * cos,
  });
  const outline = ({ x, y }: { x: number; y: number }) => [
    at(x, y),
    at(x + 1, y),
    at(x + 1, y + 1),
    at(x, y + 1),
  ];
  const diagonal = (side * Math.SQRT2) / 2;
  return {
    wide,
    tall,
    half: grid === 'point' ? { upright: diagonal, level: diagonal } : { upright: wide / 2, level: tall / 2 },
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
export const foldAt = ({ at, lies }: Pick<NetFold, 'at' | 'lies'>, { half }: Table): number =>
  at * half[lies];
