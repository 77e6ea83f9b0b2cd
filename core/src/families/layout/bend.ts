import { type Face, type Facet, type Fold, inNet, type Motion, type Piece, placed } from '../../bag/index.ts';
import { clipHalf, contains, distance, NOTHING, type Point, ROUNDING } from '../../geometry/index.ts';

/** The half of the net where `normal . p <= limit`. */
export interface HalfPlane {
  readonly normal: Point;
  readonly limit: number;
}

/** A convex part of the net, and where it goes when the bag is made up. */
export interface Region {
  readonly face: Face;
  readonly within: readonly HalfPlane[];
  readonly motion: Motion;
  /** It is folded away inside the bag. */
  readonly tucked?: true;
  /** Which pieces it concerns; all when left out. */
  readonly holds?: ((piece: Piece) => boolean) | undefined;
}

/** Slivers smaller than this share of a piece are rounding, not fabric. */
const SLIVER = ROUNDING;

/** Back from the net into a piece's own coordinates. */
function fromNet({ at, turn }: Piece, p: Point): Point {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [x, y] = [p.x - at.x, p.y - at.y];
  return { x: x * cos + y * sin, y: -x * sin + y * cos };
}

const size = (outline: readonly Point[]) => {
  let twice = 0;
  outline.forEach((p, i) => {
    const q = outline[(i + 1) % outline.length] ?? p;
    twice += p.x * q.y - q.x * p.y;
  });
  return twice / 2;
};

/**
 * Folds a net: every piece is cut at the borders of the regions (those cuts are its folds), and each part
 * moves with its region.
 */
export function bend(
  pieces: readonly Piece[],
  regions: readonly Region[],
): { facets: Facet[]; folds: Fold[] } {
  const facets: Facet[] = [];
  const folds: Fold[] = [];
  for (const piece of pieces) {
    const net = piece.outline.map((p) => inNet(piece, p));
    const whole = size(net);
    const own: Facet[] = [];
    for (const { face, within, motion, holds, tucked } of regions) {
      if (holds && !holds(piece)) continue;
      const inside = within.every(({ normal, limit }) =>
        net.every((p) => normal.x * p.x + normal.y * p.y <= limit + NOTHING),
      );
      const part = inside
        ? net
        : within.reduce<readonly Point[]>((left, { normal, limit }) => clipHalf(left, normal, limit), net);
      if (part.length < 3 || size(part) < SLIVER * whole) continue;
      const outline = inside ? piece.outline : tidy(part.map((p) => fromNet(piece, p)));
      own.push({ piece: piece.id, outline, face, motion: placed(motion, piece), ...(tucked && { tucked }) });
    }
    facets.push(...own);
    if (own.length > 1) folds.push(...foldsOf(piece, own));
  }
  return { facets, folds };
}

/** Drops corners that fall on one another. */
const tidy = (outline: readonly Point[]) =>
  outline.filter((p, i) => distance(p, outline.at(i - 1) ?? p) > NOTHING);

/** The borders between a piece's facets: edges of a facet that lie inside the piece. */
function foldsOf(piece: Piece, facets: readonly Facet[]): Fold[] {
  const folds: Fold[] = [];
  const known = new Set<string>();
  for (const { outline } of facets) {
    outline.forEach((from, i) => {
      const to = outline[(i + 1) % outline.length];
      if (!to || !contains(piece.outline, middle(from, to), -1e-4)) return;
      const m = middle(from, to);
      const key = `${m.x.toFixed(2)} ${m.y.toFixed(2)}`;
      if (known.has(key)) return;
      known.add(key);
      folds.push({ piece: piece.id, from, to });
    });
  }
  return folds;
}

const middle = (p: Point, q: Point): Point => ({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 });
