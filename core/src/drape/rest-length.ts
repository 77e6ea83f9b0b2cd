import { drawnInAt } from '../bag/index.ts';
import type { Mesh } from './mesh.ts';
import type { PieceGrid } from './piece-grid.ts';
import { takenLength } from './take-in.ts';

/**
 * The lengths that threads of the fabric keep, in units of `unit` mm: as they lie in the net, shorter round a
 * drawn-in waist and where they are gathered onto a shorter edge.
 */
export function restLengths(mesh: Mesh, unit: number): (grid: PieceGrid, a: number, b: number) => number {
  const { net, heights, waist, takenIn } = mesh;
  const point = (v: number) => ({ x: net[2 * v] ?? 0, y: net[2 * v + 1] ?? 0 });
  return ({ piece }, a, b) => {
    const [p, q] = [point(a), point(b)];
    const length = Math.hypot(q.x - p.x, q.y - p.y) / unit;
    const kept = takenIn.length > 0 ? takenLength(takenIn, piece.cell.sheet, p, q) / unit : length;
    if (!waist || !heights) return kept;
    const [from, to] = [heights[a] ?? 0, heights[b] ?? 0];
    // Only what runs round the bag is drawn in at a waist, not what runs up it.
    const rise = Math.min(1, Math.abs(from - to) / (length * unit));
    return kept * (1 - drawnInAt(waist, (from + to) / 2) * (1 - rise * rise));
  };
}
