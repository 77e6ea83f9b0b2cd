import { type Facet, move, type Piece } from '../../bag/index.ts';
import { along, distance, distance3, NO_STRETCH, type Point, type Point3 } from '../../geometry/index.ts';

/** A straight border between facets of a piece, with the same places divided whichever facet asks. */
export interface FacetBorder {
  readonly from: Point;
  readonly to: Point;
  readonly beside: readonly Facet[];
}

const SAME = NO_STRETCH;

/** How far a point lies from a segment, and the share of it at which it lies. */
export function offSegment(
  p: Point,
  from: Point,
  to: Point,
): { readonly off: number; readonly share: number } {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const square = dx * dx + dy * dy;
  const share = square === 0 ? 0 : ((p.x - from.x) * dx + (p.y - from.y) * dy) / square;
  const nearest = along(from, to, Math.min(1, Math.max(0, share)));
  return { off: distance(p, nearest), share };
}

const sidesOf = (outline: readonly Point[]) =>
  outline.map((from, i) => ({ from, to: outline[(i + 1) % outline.length] ?? from }));

/** The borders between the facets of a piece, each from one corner of a facet to the next. */
export function facetBorders(piece: Piece, facets: readonly Facet[]): FacetBorder[] {
  const outer = sidesOf(piece.outline);
  const corners = facets.flatMap(({ outline }) => outline);
  const found: FacetBorder[] = [];
  for (const { outline } of facets) {
    for (const { from, to } of sidesOf(outline)) {
      const inner = corners
        .map((p) => ({ p, ...offSegment(p, from, to) }))
        .filter(({ off, share }) => off < SAME && share > 0 && share < 1)
        .sort((a, b) => a.share - b.share)
        .map(({ p }) => p);
      [from, ...inner, to].forEach((p, i, way) => {
        const q = way[i + 1];
        if (!q || distance(p, q) < SAME) return;
        const middle = along(p, q, 0.5);
        if (outer.some((side) => offSegment(middle, side.from, side.to).off < SAME)) return;
        const known = found.some(
          (other) =>
            (distance(other.from, p) < SAME && distance(other.to, q) < SAME) ||
            (distance(other.from, q) < SAME && distance(other.to, p) < SAME),
        );
        if (known) return;
        const beside = facets.filter((facet) =>
          sidesOf(facet.outline).some((side) =>
            // By both ends: two borders that meet at a sharp angle are near one another far beyond their corner.
            [p, q].every((end) => offSegment(end, side.from, side.to).off < SAME),
          ),
        );
        found.push({ from: p, to: q, beside });
      });
    }
  }
  return found;
}

/** Where the bag is sewn across a corner that is folded away: its border as it lies on the made-up bag. */
export interface SewnAcross {
  readonly from: Point3;
  readonly to: Point3;
}

/** The border of what is tucked away, on the made-up bag; nothing for other borders. */
export function sewnAcross({ from, to, beside }: FacetBorder): SewnAcross | undefined {
  const kept = beside.find(({ tucked }) => !tucked);
  if (!kept || beside.every(({ tucked }) => !tucked)) return undefined;
  return { from: move(kept.motion, from), to: move(kept.motion, to) };
}

/** Whether two of them are sewn to one another, and whether they run against one another. */
export function meeting(a: SewnAcross, b: SewnAcross): 'along' | 'against' | undefined {
  const near = (p: Point3, q: Point3) => distance3(p, q) < 1;
  if (near(a.from, b.from) && near(a.to, b.to)) return 'along';
  return near(a.from, b.to) && near(a.to, b.from) ? 'against' : undefined;
}
