import { edgeEnds, edgeOf, type Facet, type Interval, inNet, move, type Piece } from '../../bag/index.ts';
import { along, clipSegment, groupBy, NO_STRETCH, NOTHING, type Point3 } from '../../geometry/index.ts';

/** Part of an edge as it lies in space. */
export interface Border {
  readonly interval: Interval;
  readonly from: Point3;
  readonly to: Point3;
  /** The facet it borders; absent in the open net. */
  readonly facet?: Facet | undefined;
}

/** Two borders that lie on one another, cut to the stretch they share. */
export interface Meeting {
  readonly a: Border;
  readonly b: Border;
}

/** Every edge of every piece as it lies in the open net. */
export const netBorders = (pieces: readonly Piece[]): Border[] =>
  pieces.flatMap((piece) =>
    piece.edges.map((edge, i): Border => {
      const [start, end] = edgeEnds(piece, i);
      const flat = (p: typeof start): Point3 => ({ ...inNet(piece, p), z: 0 });
      return {
        interval: { piece: piece.id, edge: i, from: 0, to: edge.length },
        from: flat(start),
        to: flat(end),
      };
    }),
  );

/** What is left of the edges after `taken`, cut at the folds, as it lies on the made-up bag. */
export function freeBorders(
  pieces: readonly Piece[],
  facets: readonly Facet[],
  taken: readonly Interval[],
): Border[] {
  const byPiece = groupBy(facets, (facet) => facet.piece);
  const takenOn = groupBy(taken, ({ piece, edge }) => `${piece}/${edge}`);
  return pieces.flatMap((piece) =>
    piece.edges.flatMap((_, i) => {
      const { length } = edgeOf(piece, i);
      const [start, end] = edgeEnds(piece, i);
      const gaps = complement(takenOn.get(`${piece.id}/${i}`) ?? [], length);
      return (byPiece.get(piece.id) ?? []).flatMap((facet): Border[] => {
        const shares = clipSegment(facet.outline, start, end);
        if (!shares) return [];
        return gaps.flatMap(([low, high]) => {
          const from = Math.max(low, shares[0] * length);
          const to = Math.min(high, shares[1] * length);
          if (to - from < NO_STRETCH) return [];
          const at = (position: number) => move(facet.motion, along(start, end, position / length));
          return [{ interval: { piece: piece.id, edge: i, from, to }, from: at(from), to: at(to), facet }];
        });
      });
    }),
  );
}

function complement(taken: readonly Interval[], length: number): Array<readonly [number, number]> {
  const spans = taken
    .map(({ from, to }) => [Math.min(from, to), Math.max(from, to)] as const)
    .sort(([p], [q]) => p - q);
  const free: Array<readonly [number, number]> = [];
  let at = 0;
  for (const [low, high] of spans) {
    if (low > at + NO_STRETCH) free.push([at, low]);
    at = Math.max(at, high);
  }
  if (length > at + NO_STRETCH) free.push([at, length]);
  return free;
}

/** A border on the line it lies on: where along it starts and stops. */
interface OnLine {
  readonly border: Border;
  readonly low: number;
  readonly high: number;
  /** Whether the border runs with the line. */
  readonly forward: boolean;
}

/** Lines nearer than this are one, mm; their names are rounded off the grid so that no value sits on it. */
const GRAIN = 0.05;
const OFF_GRID = 0.0123;

/** A name for the line through two points, the same for every pair of points on it. */
function lineOf(from: Point3, to: Point3) {
  const length = Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z);
  let d = { x: (to.x - from.x) / length, y: (to.y - from.y) / length, z: (to.z - from.z) / length };
  const first = Math.abs(d.x) > NOTHING ? d.x : Math.abs(d.y) > NOTHING ? d.y : d.z;
  const forward = first > 0;
  if (!forward) d = { x: -d.x, y: -d.y, z: -d.z };
  const t = from.x * d.x + from.y * d.y + from.z * d.z;
  // The foot of the origin on the line does not depend on where on it one starts.
  const foot = { x: from.x - t * d.x, y: from.y - t * d.y, z: from.z - t * d.z };
  const grid = (value: number, grain: number) => Math.round(value / grain + OFF_GRID);
  const name = [
    grid(d.x, 1e-4),
    grid(d.y, 1e-4),
    grid(d.z, 1e-4),
    grid(foot.x, GRAIN),
    grid(foot.y, GRAIN),
    grid(foot.z, GRAIN),
  ].join(' ');
  return { name, low: t, high: forward ? t + length : t - length, forward };
}

/**
 * Finds the stretches where two borders lie on one another, whatever their lengths. Each stretch of a
 * border is used once; where more than two lie together the first two that `may` allows are taken.
 */
export function meetings(borders: readonly Border[], may: (a: Border, b: Border) => boolean): Meeting[] {
  const lines = new Map<string, OnLine[]>();
  for (const border of borders) {
    const { name, low, high, forward } = lineOf(border.from, border.to);
    const list = lines.get(name);
    const on = { border, low: Math.min(low, high), high: Math.max(low, high), forward };
    if (list) list.push(on);
    else lines.set(name, [on]);
  }
  const found: Meeting[] = [];
  for (const list of lines.values()) {
    list.sort((p, q) => p.low - q.low);
    const used = new Map<OnLine, Array<readonly [number, number]>>();
    for (const [i, a] of list.entries()) {
      for (let j = i + 1; j < list.length; j++) {
        const b = list[j];
        if (!b || b.low > a.high - NO_STRETCH) break;
        const [low, high] = [Math.max(a.low, b.low), Math.min(a.high, b.high)];
        if (high - low < NO_STRETCH || !may(a.border, b.border)) continue;
        const taken = [...(used.get(a) ?? []), ...(used.get(b) ?? [])];
        if (taken.some(([l, h]) => Math.min(h, high) - Math.max(l, low) > NO_STRETCH)) continue;
        for (const one of [a, b]) used.set(one, [...(used.get(one) ?? []), [low, high]]);
        found.push({ a: cut(a, low, high), b: cut(b, low, high) });
      }
    }
  }
  return found;
}

/** The part of a border between two places of its line, walked with the line. */
function cut({ border, low, high, forward }: OnLine, from: number, to: number): Border {
  const { interval } = border;
  const at = (t: number) => {
    const share = (t - low) / (high - low);
    return forward
      ? interval.from + (interval.to - interval.from) * share
      : interval.to + (interval.from - interval.to) * share;
  };
  return { ...border, interval: { ...interval, from: at(from), to: at(to) } };
}
