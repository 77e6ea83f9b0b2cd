import type { Face, Facet, Fold, Piece } from '../../bag/index.ts';
import { type Point, type Point3, pathLength, SAME_PLACE } from '../../geometry/index.ts';
import { bend, type Region } from '../layout/bend.ts';
import type { FaceSide, LaidFace } from '../layout/laid-face.ts';
import { scaled, X, Y } from '../layout/wrap.ts';

/** Puts a face up in front or behind, its middle over 0 and its lowest point at height 0. */
export function standing({ pieces, at, width }: LaidFace, face: 'front' | 'back', z: number): Facet[] {
  const u = scaled(X, face === 'front' ? 1 : -1);
  const origin = { x: -u.x * (width / 2 + at.x), y: -at.y, z };
  return bend(pieces, [{ face, within: [], motion: { origin, u, v: Y } }]).facets;
}

/** Which face of the bag a stretch of wall is, by the way it runs along the front: outwards lies to its right. */
export const faceOf = ({ x, y }: Point): Face => (x > 0.71 ? 'bottom' : y <= 0 ? 'left' : 'right');

/**
 * Bends a strip along the sewn sides of a face: stretch by stretch it stands on the outline, eased where its
 * marks say so.
 *
 * @param marks where along the strip each side begins, and where the last one ends, mm.
 * @param width of the face, whose middle is over 0.
 * @param z where the strip's lower and upper edge lie, from behind to the front.
 */
export function wallAlong(
  strip: Piece,
  sides: readonly FaceSide[],
  marks: readonly number[],
  width: number,
  [low, high]: readonly [number, number],
): { facets: Facet[]; folds: Fold[] } {
  const depth = strip.outline[2]?.y ?? 1;
  const v: Point3 = { x: 0, y: 0, z: (high - low) / depth };
  const regions = sides.flatMap(({ path }, i): Region[] => {
    const [start = 0, end = 0] = [marks[i], marks[i + 1]];
    const ease = (end - start) / pathLength(path);
    let at = start;
    return path.slice(1).flatMap((q, k): Region[] => {
      const p = path[k];
      if (!p) return [];
      const length = Math.hypot(q.x - p.x, q.y - p.y);
      const way = { x: (q.x - p.x) / length, y: (q.y - p.y) / length };
      const u: Point3 = { x: way.x / ease, y: way.y / ease, z: 0 };
      const from = strip.at.x + at;
      at += length * ease;
      const to = strip.at.x + at;
      return [
        {
          face: faceOf(way),
          within: [
            { normal: { x: 1, y: 0 }, limit: to },
            { normal: { x: -1, y: 0 }, limit: -from },
          ],
          motion: {
            origin: {
              x: p.x - width / 2 - from * u.x,
              y: p.y - from * u.y,
              z: low - strip.at.y * v.z,
            },
            u,
            v,
          },
        },
      ];
    });
  });
  const { facets, folds } = bend([strip], regions);
  // A strip bends round a curve; it folds only at the corners.
  const corner = (x: number) => marks.slice(1, -1).some((mark) => Math.abs(mark - x) < SAME_PLACE);
  return { facets, folds: folds.filter(({ from }) => corner(from.x)) };
}
