import type { Strap } from '../../bag/index.ts';
import { distance3, type Point, type Point3 } from '../../geometry/index.ts';
import { at } from '../cloth/at.ts';
import { commonSides, type Side } from '../cloth/common-sides.ts';
import type { Crease, Fabric, Patch } from '../cloth/fabric.ts';

/** How straps lie at first: over the opening (and those of a back beside it), or down one side of the bag. */
export type Laid = 'up' | 'front' | 'behind';

/** A strap in the fabric of a bag. */
export interface StrapNodes {
  readonly strap: Strap;
  /** The two nodes across it, at every place along it, from its one end to the other. */
  readonly rows: ReadonlyArray<readonly [number, number]>;
}

/** A strap wants less to be straight than a panel. */
const STIFF = 0.03;
/** A strap lies so far outside the pressed bag at first, mm. */
const CLEAR = 6;

/** The line is drawn so many times finer than it is divided in the end. */
const FINE = 4;
/** A strap that hangs down goes up from its ends first, so far, mm. */
const HUMP = 40;
/** From side to side it is laid wider than it is sewn on, by this share, so that it goes round the sides. */
const WIDER = 0.08;

/** How a strap is laid: the plane of its bow, and how it lies across. Unit vectors. */
interface Bow {
  /** The way out of the middle between its ends, to its middle. */
  readonly out: Point3;
  /** The way across at its ends. */
  readonly across: Point3;
  /** Whether it turns, from flat on a face to flat over a hand. */
  readonly turns: boolean;
}

const UP = { x: 0, y: 1, z: 0 };

function bowOf({ from, to, on, free }: Strap, laid: Laid): Bow {
  const way = laid === 'front' ? 1 : -1;
  // A free end lies straight out at first.
  if (free) return { out: { x: 0, y: 0, z: way }, across: UP, turns: false };
  // From the top of the back to its bottom it stands out behind.
  if (Math.abs(to.y - from.y) > Math.abs(to.x - from.x))
    return laid === 'up'
      ? { out: { x: Math.sign(from.x + to.x), y: 0, z: 0 }, across: { x: 0, y: 0, z: 1 }, turns: false }
      : { out: { x: 0, y: 0, z: way }, across: { x: 1, y: 0, z: 0 }, turns: false };
  const down = { x: 0, y: -0.8, z: 0.6 * way };
  // From side to side it is flat on the sides; on a face, flat on the face.
  if (on === 'sides') return { out: laid === 'up' ? UP : down, across: { x: 0, y: 0, z: 1 }, turns: false };
  return { out: laid === 'up' ? UP : { x: 0, y: -1, z: 0 }, across: { x: 1, y: 0, z: 0 }, turns: true };
}

/** The line of a strap as it is laid at first: half an ellipse over its ends, as long as the strap. */
function laidPath(strap: Strap, { out }: Bow, many: number, clear: Point3, floor: number): Point3[] {
  const { from, to, length } = strap;
  const bowed = (rise: number): Point3[] =>
    Array.from({ length: FINE * many + 1 }, (_, i) => {
      const angle = (Math.PI * i) / (FINE * many);
      const [t, bow] = [(1 - Math.cos(angle)) / 2, rise * Math.sin(angle)];
      const off = Math.sin(angle) ** 0.5;
      const y = from.y + (to.y - from.y) * t + bow * out.y;
      // What would hang lower than the table lies on it.
      const below = Math.max(0, floor - y);
      return {
        x: from.x + (to.x - from.x) * t + bow * out.x + clear.x * off * Math.cos(angle),
        y: y + below + (out.y < 0 ? HUMP * off * (1 - Math.sin(angle)) : 0),
        z: from.z + (to.z - from.z) * t + bow * out.z + clear.z * off + below * Math.sign(out.z),
      };
    });
  let [low, high] = [0, length];
  for (let k = 0; k < 30; k++) {
    const middle = (low + high) / 2;
    if ((wayAlong(bowed(middle)).at(-1) ?? 0) < length) low = middle;
    else high = middle;
  }
  return evenly(bowed(low), many);
}

/** How far along a path each of its places lies. */
function wayAlong(path: readonly Point3[]): number[] {
  let way = 0;
  return path.map((p, i) => {
    way += i === 0 ? 0 : distance3(p, path[i - 1] ?? p);
    return way;
  });
}

/** Places along a path at even distances. */
function evenly(path: readonly Point3[], many: number): Point3[] {
  const way = wayAlong(path);
  const all = way.at(-1) ?? 0;
  let k = 1;
  return Array.from({ length: many + 1 }, (_, i) => {
    const wanted = (all * i) / many;
    while (k < path.length - 1 && (way[k] ?? 0) < wanted) k++;
    const [p, q, from, to] = [path[k - 1], path[k], way[k - 1] ?? 0, way[k] ?? 0];
    if (!p || !q) throw new Error('A strap without length.');
    const t = Math.min(1, (wanted - from) / Math.max(1e-9, to - from));
    return { x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t, z: p.z + (q.z - p.z) * t };
  });
}

/**
 * Hangs straps onto the fabric of a bag as bands of their own length and width, two nodes across. Their ends are the
 * nodes of the bag that lie nearest to where they are sewn on.
 *
 * @param onto nodes of the bag to which a strap can be sewn.
 * @param spacing wanted distance of nodes along a strap, mm.
 */
export function withStraps(
  bag: Fabric,
  straps: readonly Strap[],
  onto: readonly number[],
  laid: (strap: Strap) => Laid,
  spacing: number,
): { readonly fabric: Fabric; readonly straps: readonly StrapNodes[] } {
  const patches: Patch[] = [...bag.patches];
  const start: number[] = [...bag.start];
  const floor = Math.min(...bag.start.filter((_, k) => k % 3 === 1)) + CLEAR;
  const placeOf = (node: number): Point3 => ({
    x: at(bag.start, 3 * node),
    y: at(bag.start, 3 * node + 1),
    z: at(bag.start, 3 * node + 2),
  });
  const nearest = (p: Point3) =>
    onto.reduce((a, b) => (distance3(placeOf(b), p) < distance3(placeOf(a), p) ? b : a), onto[0] ?? 0);
  const hung = straps.map((strap): StrapNodes => {
    const many = Math.max(4, Math.round(strap.length / spacing));
    const bow = bowOf(strap, laid(strap));
    const half = strap.width / 2;
    // Down a face it lies in front of it, with room for its own width where it has turned.
    const way = strap.on === 'back' ? -1 : strap.on === 'front' ? 1 : 0;
    const aside = way * (bow.out.y < -0.9 ? half + CLEAR : 0);
    const path = laidPath(
      strap,
      bow,
      many,
      { x: strap.on === 'sides' ? -CLEAR - WIDER * Math.abs(strap.to.x - strap.from.x) : 0, y: 0, z: aside },
      floor,
    );
    const rows = path.map((p, i): readonly [number, number] => {
      const end = i === 0 || i === many;
      // From flat on its face it turns until it lies over a hand, and on.
      const turn = bow.turns ? (Math.PI * i) / many : 0;
      const [cos, sin] = [half * Math.cos(turn), half * Math.sin(turn)];
      const places = [-1, 1].map((side) => ({
        x: p.x + side * cos * bow.across.x,
        y: p.y + side * cos * bow.across.y,
        z: p.z + side * (cos * bow.across.z + sin),
      }));
      const [left, right] = places.map((place) => {
        // Of a bag that is pressed flat, the layers lie a little apart.
        if (end && !(strap.free && i === many)) return nearest({ ...place, z: place.z + way });
        start.push(place.x, place.y, place.z);
        return start.length / 3 - 1;
      });
      return [left ?? 0, right ?? 0];
    });
    const step = strap.length / many;
    for (let i = 0; i < many; i++) {
      const [p, q] = [rows[i], rows[i + 1]];
      if (!p || !q) continue;
      const wide = ([a, b]: readonly [number, number], k: number) =>
        k === 0 || (k === many && !strap.free)
          ? Math.min(strap.width, distance3(placeOf(a), placeOf(b)))
          : strap.width;
      const [low, high] = [wide(p, i) / 2, wide(q, i + 1) / 2];
      const flatAt: Point[] = [
        { x: -low, y: i * step },
        { x: low, y: i * step },
        { x: high, y: (i + 1) * step },
        { x: -high, y: (i + 1) * step },
      ];
      const nodes = [p[0], p[1], q[1], q[0]];
      const put = (corners: readonly [number, number, number]) => {
        const [a, b, c] = corners.map((k) => nodes[k] ?? 0);
        const [f, g, h] = corners.map((k) => flatAt[k]);
        if (a === undefined || b === undefined || c === undefined || !f || !g || !h) return;
        if (a === b || b === c || c === a) return;
        patches.push({ nodes: [a, b, c], flat: [f, g, h], holds: false });
      };
      put([0, 1, 2]);
      put([0, 2, 3]);
    }
    return { strap, rows };
  });
  const first = bag.patches.length;
  const shifted = ({ triangle, corner }: Side): Side => ({ triangle: triangle + first, corner });
  const creases = commonSides(patches.slice(first).map(({ nodes }) => nodes)).map(
    ([one, other]): Crease => ({ sides: [shifted(one), shifted(other)], stiff: STIFF }),
  );
  return {
    fabric: {
      count: start.length / 3,
      patches,
      creases: [...bag.creases, ...creases],
      start: Float64Array.from(start),
    },
    straps: hung,
  };
}
