import type { Face, Facet, Fold, Piece } from '../../bag/index.ts';
import type { Point3 } from '../../geometry/index.ts';
import { bend, type Region } from './bend.ts';

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
 * Bends a flat arrangement of pieces round the bag along one axis: each section is the part of the net
 * between two lines across that axis.
 */
export function wrap(
  pieces: readonly Piece[],
  axis: 'x' | 'y',
  sections: readonly Section[],
): { facets: Facet[]; folds: Fold[] } {
  const onward = axis === 'x' ? { x: 1, y: 0 } : { x: 0, y: 1 };
  const backward = axis === 'x' ? { x: -1, y: 0 } : { x: 0, y: -1 };
  return bend(
    pieces,
    sections.map(({ from, to, face, start, u, v }): Region => {
      const along = axis === 'x' ? u : v;
      const origin = {
        x: start.x - from * along.x,
        y: start.y - from * along.y,
        z: start.z - from * along.z,
      };
      return {
        face,
        within: [
          { normal: onward, limit: to },
          { normal: backward, limit: -from },
        ],
        motion: { origin, u, v },
      };
    }),
  );
}
