import {
  clipHalf,
  type Face,
  type Facet,
  type Fold,
  move,
  type Piece,
  type Point,
  type Point3,
} from '../../bag/index.ts';

/** A stretch of a sheet, between two folds, and where it lies on the made-up bag. */
export interface Section {
  /** Where it begins and ends along the wrapped axis, in net coordinates. */
  readonly from: number;
  readonly to: number;
  readonly face: Face;
  /** Where the net point (from, 0) goes, or (0, from) when wrapped along y. */
  readonly start: Point3;
  readonly u: Point3;
  readonly v: Point3;
}

export const X: Point3 = { x: 1, y: 0, z: 0 };
export const Y: Point3 = { x: 0, y: 1, z: 0 };
export const Z: Point3 = { x: 0, y: 0, z: 1 };
export const scaled = (p: Point3, by: number): Point3 => ({ x: p.x * by, y: p.y * by, z: p.z * by });

/**
 * Bends a flat arrangement of pieces round the bag: cuts every piece at the borders of the sections
 * (those cuts are its folds) and moves each part with its section.
 */
export function wrap(
  pieces: readonly Piece[],
  axis: 'x' | 'y',
  sections: readonly Section[],
): { facets: Facet[]; folds: Fold[] } {
  const normal = axis === 'x' ? { x: 1, y: 0 } : { x: 0, y: 1 };
  const back = axis === 'x' ? { x: -1, y: 0 } : { x: 0, y: -1 };
  const cut = (outline: readonly Point[], from: number, to: number) =>
    clipHalf(clipHalf(outline, normal, to), back, -from);
  const facets: Facet[] = [];
  const folds: Fold[] = [];
  for (const piece of pieces) {
    const offset = piece.at[axis];
    const ends = piece.outline.map((p) => p[axis] + offset);
    const [low, high] = [Math.min(...ends), Math.max(...ends)];
    for (const section of sections) {
      if (section.from > high - 1e-6 || section.to < low + 1e-6) continue;
      const inside = section.from < low + 1e-6 && section.to > high - 1e-6;
      const outline = inside ? piece.outline : cut(piece.outline, section.from - offset, section.to - offset);
      if (outline.length < 3) continue;
      // The section's motion is given for net coordinates; a piece's own start at its `at`.
      const along = axis === 'x' ? section.u : section.v;
      const net = {
        origin: {
          x: section.start.x - section.from * along.x,
          y: section.start.y - section.from * along.y,
          z: section.start.z - section.from * along.z,
        },
        u: section.u,
        v: section.v,
      };
      const motion = { origin: move(net, piece.at), u: section.u, v: section.v };
      facets.push({ piece: piece.id, outline, face: section.face, motion });
      if (section.to < high - 1e-6) {
        const border = section.to - offset;
        const onCut = outline.filter((p) => Math.abs(p[axis] - border) < 1e-6);
        const [from, to] = onCut;
        if (from && to) folds.push({ piece: piece.id, from, to });
      }
    }
  }
  return { facets, folds };
}
