import type { Strap } from '../../bag/index.ts';
import { distance3, type Point, type Point3 } from '../../geometry/index.ts';
import { commonSides, type Side } from '../cloth/common-sides.ts';
import type { Crease, Fabric, Patch } from '../cloth/fabric.ts';
import { type Sewn, seatOf } from './sewn.ts';

/**
 * How straps lie at first: over the opening, down one side of the bag, or, where they are sewn on above and below, flat
 * under a bag that lies on them.
 */
export type Laid = 'up' | 'front' | 'behind' | 'under';

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
  /**
   * Whether it stays as it begins, turns from flat on a face to flat over a hand, or lies flat all the way, its curve in
   * its own plane.
   */
  readonly lies: 'alike' | 'turning' | 'flat';
}

const UP = { x: 0, y: 1, z: 0 };
const ACROSS = { x: 1, y: 0, z: 0 };

function bowOf({ from, to, on, free }: Strap, laid: Laid): Bow {
  const way = laid === 'front' ? 1 : -1;
  // A free end lies straight out at first.
  if (free) return { out: { x: 0, y: 0, z: way }, across: UP, lies: 'alike' };
  // From the top of the back to its bottom it stands out behind, or beside what lies on it.
  if (Math.abs(to.y - from.y) > Math.abs(to.x - from.x))
    return laid === 'under'
      ? { out: { x: Math.sign(from.x + to.x), y: 0, z: 0 }, across: ACROSS, lies: 'flat' }
      : { out: { x: 0, y: 0, z: way }, across: ACROSS, lies: 'alike' };
  const down = { x: 0, y: -0.8, z: 0.6 * way };
  // From side to side it is flat on the sides; on a face, flat on the face.
  if (on === 'sides') return { out: laid === 'up' ? UP : down, across: { x: 0, y: 0, z: 1 }, lies: 'alike' };
  return { out: laid === 'up' ? UP : { x: 0, y: -1, z: 0 }, across: ACROSS, lies: 'turning' };
}

/**
 * The line of a strap as it is laid at first, as long as the strap: half an ellipse over its ends; flat, a wave that
 * leaves them straight.
 */
function laidPath(strap: Strap, { out, lies }: Bow, many: number, clear: Point3, floor: number): Point3[] {
  const { from, to, length } = strap;
  const bowed = (rise: number): Point3[] =>
    Array.from({ length: FINE * many + 1 }, (_, i) => {
      const angle = Math.PI * (i / (FINE * many));
      // At its very end the sine of a rounded angle may be below zero, which has no root.
      const sine = Math.max(0, Math.sin(angle));
      const flat = lies === 'flat';
      const t = flat ? angle / Math.PI : (1 - Math.cos(angle)) / 2;
      const bow = rise * sine ** (flat ? 2 : 1);
      const off = flat ? 1 : sine ** 0.5;
      const y = from.y + (to.y - from.y) * t + bow * out.y;
      // What would hang lower than the table lies on it.
      const below = flat ? 0 : Math.max(0, floor - y);
      return {
        x: from.x + (to.x - from.x) * t + bow * out.x + clear.x * off * Math.cos(angle),
        y: y + below + (out.y < 0 ? HUMP * off * (1 - sine) : 0),
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
 * Hangs straps onto the fabric of a bag as bands of their own length and width, two nodes across. Their ends are sewn
 * onto the outside of the bag, nearest to where they are meant to be.
 *
 * @param spacing wanted distance of nodes along a strap, mm.
 * @param thick thickness of the fabric, mm.
 */
export function withStraps(
  bag: Fabric,
  straps: readonly Strap[],
  laid: (strap: Strap) => Laid,
  spacing: number,
  thick: number,
): { readonly fabric: Fabric; readonly straps: readonly StrapNodes[]; readonly sewn: readonly Sewn[] } {
  const patches: Patch[] = [...bag.patches];
  const start: number[] = [...bag.start];
  const sewn: Sewn[] = [];
  const floor = Math.min(...bag.start.filter((_, k) => k % 3 === 1)) + CLEAR;
  const put = ({ x, y, z }: Point3) => start.push(x, y, z) / 3 - 1;
  const sew = (p: Point3, on: Strap['on']) => {
    const facing = on === 'sides' ? { x: p.x, y: 0, z: 0 } : { x: 0, y: 0, z: on === 'back' ? -1 : 1 };
    const { triangle, shares, place } = seatOf(bag, p, thick, facing);
    const node = put(place);
    sewn.push({ node, triangle, shares });
    return node;
  };
  const hung = straps.map((strap): StrapNodes => {
    const many = Math.max(4, Math.round(strap.length / spacing));
    // Of a bag that is pressed flat, the layers lie a little apart.
    const way = strap.on === 'back' ? -1 : strap.on === 'front' ? 1 : 0;
    const rows = rowsOf(strap, bowOf(strap, laid(strap)), many, floor).map(
      (places, i): readonly [number, number] => {
        const end = i === 0 || (i === many && !strap.free);
        const [left, right] = places.map((place) =>
          end ? sew({ ...place, z: place.z + way }, strap.on) : put(place),
        );
        return [left ?? 0, right ?? 0];
      },
    );
    patches.push(...bandOf(rows, strap));
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
    sewn,
  };
}

/** The two places across a strap, at every place along it. */
function rowsOf(strap: Strap, bow: Bow, many: number, floor: number): Point3[][] {
  const half = strap.width / 2;
  const { across, lies } = bow;
  // It lies in front of its face, or behind, with room for its own width where it has turned.
  const way = strap.on === 'back' ? -1 : strap.on === 'front' ? 1 : 0;
  const aside = way * (lies === 'turning' ? half + CLEAR : lies === 'flat' ? CLEAR : 0);
  const wider = strap.on === 'sides' ? -CLEAR - WIDER * Math.abs(strap.to.x - strap.from.x) : 0;
  const path = laidPath(strap, bow, many, { x: wider, y: 0, z: aside }, floor);
  return path.map((p, i) => {
    // From flat on its face it turns until it lies over a hand, and on.
    const turn = lies === 'turning' ? (Math.PI * i) / many : 0;
    const [cos, sin] = [half * Math.cos(turn), half * Math.sin(turn)];
    const [before, after] = [path[Math.max(0, i - 1)] ?? p, path[Math.min(many, i + 1)] ?? p];
    const [along, up] = [after.x - before.x, after.y - before.y];
    const long = Math.max(1e-9, Math.hypot(along, up));
    const wide = lies === 'flat' ? { x: -up / long, y: along / long, z: 0 } : across;
    return [-1, 1].map((side) => ({
      x: p.x + side * cos * wide.x,
      y: p.y + side * cos * wide.y,
      z: p.z + side * (cos * wide.z + sin),
    }));
  });
}

/** The fabric of a strap: two triangles between every two rows. */
function bandOf(rows: StrapNodes['rows'], { length, width }: Strap): Patch[] {
  const step = length / (rows.length - 1);
  return rows.slice(1).flatMap(([d, c], i): Patch[] => {
    const [a, b] = rows[i] ?? [0, 0];
    const at = (side: -1 | 1, k: number): Point => ({ x: (side * width) / 2, y: k * step });
    const [low, high] = [i, i + 1];
    return [
      { nodes: [a, b, c], flat: [at(-1, low), at(1, low), at(1, high)], holds: false },
      { nodes: [a, c, d], flat: [at(-1, low), at(1, high), at(-1, high)], holds: false },
    ];
  });
}
